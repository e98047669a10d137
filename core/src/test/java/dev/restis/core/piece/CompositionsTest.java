package dev.restis.core.piece;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum.Term;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternRules;
import org.junit.jupiter.api.Test;

/** Whatever is composed: it is refused with a reason, or it can be cut. */
class CompositionsTest {

    private static final int COMPOSED = 10_000;

    @Test
    void isRefusedOrCanBeCut() {
        int made = 0;
        Compositions compositions = new Compositions(20_261_130);
        for (int n = 0; n < COMPOSED; n++) {
            Pattern pattern = compositions.next();
            if (!PatternRules.check(pattern).isEmpty()) {
                continue;
            }
            WorkOut out = PieceWorker.workOut(Examples.usual(pattern));
            made += out.fold(
                    piece -> {
                        canBeCut(piece);
                        return 1;
                    },
                    faults -> {
                        assertThat(faults).isNotEmpty();
                        return 0;
                    });
        }
        assertThat(made).isGreaterThan(COMPOSED / 10);
    }

    private static void canBeCut(WorkedPiece piece) {
        assertThat(piece.strands()).isNotEmpty();
        for (WorkedStrand strand : piece.strands()) {
            String which = piece.request().pattern() + ": " + strand.role();
            assertThat(strand.sum().total()).as(which).isEqualTo(strand.cutLength());
            assertThat(strand.sum().terms().stream().map(Term::code))
                    .as(which)
                    .anyMatch(code ->
                            !code.startsWith("tail.") && !code.startsWith("margin") && !code.equals("rounding"));
            assertThat(strand.sum().terms().stream().filter(t -> !t.code().equals("rounding")))
                    .as(which)
                    .allMatch(t -> !t.total().isNegative());
            assertThat(strand.tails()).as(which).allMatch(Length::isPositive);
            strand.mark()
                    .map(Mark::at)
                    .ifPresent(fold -> assertThat(fold).as(which).isLessThan(strand.cutLength()));
        }
    }
}
