package dev.restis.core.make;

import dev.restis.core.make.CardDraft.Cut;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.measure.Sum.Term;
import dev.restis.core.pattern.Section;
import dev.restis.core.piece.Mark;
import java.util.ArrayList;
import java.util.List;

/** What tying strands should have used after part of a body, and what they must still give. */
final class CordNeeds {

    private static final String HAND = "tail.hand";

    private final CardDraft card;
    private final int section;

    CordNeeds(CardDraft card, int section) {
        this.card = card;
        this.section = section;
    }

    /**
     * Of each leg that ties in this body.
     *
     * @param share how much of the body is done, 0 to 1
     */
    List<CordLeft> after(int body, double share) {
        List<CordLeft> all = new ArrayList<>();
        for (int strand = 0; strand < card.strands.size(); strand++) {
            Cut cut = card.strands.get(strand);
            for (int leg : cut.legs()) {
                List<Sum> uses = card.figures.uses(cut.role(), leg);
                boolean ties = uses.get(section).terms().stream().anyMatch(t -> t.spread() > 0);
                if (ties) {
                    all.add(left(strand, leg, uses, share));
                }
            }
        }
        return all;
    }

    private CordLeft left(int strand, int leg, List<Sum> uses, double share) {
        Cut cut = card.strands.get(strand);
        Length used = Length.ZERO;
        Length tied = Length.ZERO;
        Length need = Length.ZERO;
        Length tiedNeed = Length.ZERO;
        double spread = 0;
        int sections = uses.size() - 2;
        for (int s = 0; s < uses.size(); s++) {
            for (Term term : uses.get(s).terms()) {
                double done = s < section || s == sections ? 1 : s == section ? share : 0;
                Length here = term.total().times(done);
                Length later = term.total().minus(here);
                if (s == uses.size() - 1 || begins(cut, term)) {
                    // One end of a straight strand lies at the start, and is not the one that is worked with.
                    Length other = cut.role().folded() ? Length.ZERO : half(term.total());
                    here = other;
                    later = term.code().equals(HAND)
                            ? Length.ZERO
                            : term.total().minus(other);
                }
                used = used.plus(here);
                need = need.plus(later);
                if (term.spread() > 0) {
                    tied = tied.plus(here);
                    tiedNeed = tiedNeed.plus(later);
                    spread = Math.max(spread, term.spread());
                }
            }
        }
        return new CordLeft(strand, leg, total(cut, leg, uses), used, tied, need, spread, tiedNeed, between());
    }

    private double between() {
        return card.pattern.sections().get(section) instanceof Section.Body body
                ? card.piece.request().house().learned().betweenPieces(body.stitch())
                : 0;
    }

    /** Whether a term counts both ends of a straight strand, one of which lies at the start. */
    private static boolean begins(Cut cut, Term term) {
        return !cut.role().folded() && term.count() == 2 && term.code().startsWith("closure.");
    }

    private static Length half(Length length) {
        return new Length(length.micrometres() / 2);
    }

    /** All cord of the leg: what it is marked for, or its share of what is cut. */
    private static Length total(Cut cut, int leg, List<Sum> uses) {
        Length whole = cut.worked().cutLength();
        if (cut.legs().size() < 2) {
            return whole;
        }
        Mark mark = cut.worked().mark().orElseThrow();
        return mark.kind() == Mark.Kind.SHORT_LEG && leg == 1 ? whole.minus(mark.at()) : mark.at();
    }
}
