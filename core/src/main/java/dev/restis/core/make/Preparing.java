package dev.restis.core.make;

import dev.restis.core.cord.Material;
import dev.restis.core.make.CardDraft.Cut;
import dev.restis.core.piece.Mark;
import dev.restis.core.piece.Wearer;
import java.time.Duration;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/** What is done with strands before anything is tied. */
final class Preparing {

    private static final double LAY_OUT = 60;
    private static final double STRAND = 20;
    private static final double FUSE = 60;
    /** Molten cord is hard again after this. */
    private static final Duration COLD = Duration.ofSeconds(30);

    private final CardDraft card;

    Preparing(CardDraft card) {
        this.card = card;
    }

    void steps() {
        List<Integer> all = card.all();
        card.step(Doing.LAY_OUT).strands(all).count(all.size()).weighs(LAY_OUT).add();
        List<Integer> fused = chosen(cut -> cut.role().fused());
        boolean kit = card.piece.request().house().kit();
        if (!kit) {
            ends();
        }
        if (!fused.isEmpty()) {
            card.step(Doing.FUSE)
                    .strands(fused)
                    .waits(COLD)
                    .weighs(FUSE)
                    .mends(Repair.JOIN_BREAKS)
                    .add();
            card.gate(Gate.JOIN_HOLDS).strands(fused).mends(Repair.JOIN_BREAKS).add();
        }
        marks(Mark.Kind.MIDDLE, Doing.MARK_MIDDLE);
        marks(Mark.Kind.SHORT_LEG, Doing.MARK_FOLD);
        marks(Mark.Kind.FIRST_KNOT, Doing.MARK_FIRST_KNOT);
        if (kit) {
            kit();
        }
    }

    private List<Integer> chosen(Predicate<Cut> wanted) {
        return IntStream.range(0, card.strands.size())
                .filter(i -> wanted.test(card.strands.get(i)))
                .boxed()
                .toList();
    }

    private List<Integer> of(Predicate<Material> wanted) {
        return IntStream.range(0, card.strands.size())
                .filter(i -> wanted.test(card.cord(i).material()))
                .boxed()
                .toList();
    }

    /** Ends must pass beads and not fray while they are worked with. */
    private void ends() {
        boolean elastic = !of(m -> m.code().equals("elastic")).isEmpty();
        ends(Doing.SEAL_ENDS, of(Material::heatSealable));
        ends(Doing.POINT_ENDS, of(m -> !m.heatSealable() && !m.code().equals("elastic")));
        if (elastic) {
            ends(Doing.STRETCH, of(m -> m.code().equals("elastic")));
        }
        if (card.piece.request().tapered()) {
            ends(Doing.TAPER_ENDS, card.all());
        }
    }

    private void ends(Doing doing, List<Integer> which) {
        if (!which.isEmpty()) {
            card.step(doing)
                    .strands(which)
                    .count(which.size())
                    .weighs(STRAND * which.size())
                    .add();
        }
    }

    /** Strands that are marked alike are marked together. */
    private void marks(Mark.Kind kind, Doing doing) {
        List<Integer> open =
                chosen(cut -> cut.strand().mark().filter(m -> m.kind() == kind).isPresent());
        open.stream()
                .map(i -> card.strands.get(i).strand().mark().orElseThrow().at())
                .distinct()
                .forEach(at -> {
                    List<Integer> alike = open.stream()
                            .filter(i -> card.strands
                                    .get(i)
                                    .strand()
                                    .mark()
                                    .orElseThrow()
                                    .at()
                                    .equals(at))
                            .toList();
                    card.step(doing)
                            .strands(alike)
                            .size(at)
                            .weighs(STRAND * alike.size())
                            .add();
                });
    }

    /** The customer ties it: everything is counted and bagged. For a child no end of it needs a flame. */
    private void kit() {
        card.piece
                .hardware()
                .forEach((slot, count) -> card.step(Doing.COUNT_KIT)
                        .part(slot, count)
                        .weighs(STRAND)
                        .add());
        boolean child = card.piece.request().wearer() != Wearer.ADULT;
        card.step(Doing.BAG_KIT)
                .strands(card.all())
                .count(child ? 1 : 0)
                .weighs(LAY_OUT)
                .add();
    }
}
