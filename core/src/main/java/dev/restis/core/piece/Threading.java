package dev.restis.core.piece;

import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.EndBeads;
import dev.restis.core.pattern.Section.Mount;
import dev.restis.core.pattern.Section.SlideBead;
import dev.restis.core.pattern.Section.Threaded;
import dev.restis.core.stitch.Seat;
import java.util.ArrayList;
import java.util.List;

/** What must go on before an act that closes the way for it. */
final class Threading {

    private Threading() {}

    /**
     * In the order to do them: joined strands are threaded before the join, parts that strands are mounted on come
     * before the body, beads of a body before the knot that closes behind them, end beads last.
     */
    static List<WorkedPiece.ThreadingStep> of(Parts parts, PieceFit fit) {
        List<WorkedPiece.ThreadingStep> steps = new ArrayList<>();
        int body = 0;
        for (Section section : parts.pattern.sections()) {
            if (section instanceof Mount mount) {
                mount.hardware().ifPresent(part -> steps.add(step("thread.mount", part, 1, mount.seats())));
            } else if (section instanceof Body stitched) {
                WorkedBody worked = fit.bodies().get(body++);
                if (worked.beads() > 0) {
                    stitched.motif()
                            .ifPresent(m -> steps.add(step("thread.body", m.hardware(), worked.beads(), m.seats())));
                }
            } else if (section instanceof Threaded threaded) {
                int count = HardwareCounter.beads(threaded, parts, fit);
                if (count > 0) {
                    steps.add(step("thread.inLine", threaded.hardware(), count, threaded.seats()));
                }
            } else if (section instanceof SlideBead bead) {
                steps.add(step("thread.slideBead", bead.hardware(), 1, bead.tails()));
            } else if (section instanceof EndBeads ends
                    && parts.part(ends.hardware()).isPresent()) {
                int beads = ends.together() ? HardwareCounter.SIDES : parts.pattern.endsIn(ends.seats());
                steps.add(step("thread.endBeads", ends.hardware(), beads, ends.seats()));
            }
        }
        if (parts.pattern.roles().stream().anyMatch(r -> r.fused())) {
            steps.add(0, step("thread.fuse", "", 1, List.of()));
        }
        if (parts.request.tapered()) {
            steps.add(0, step("thread.taper", "", 1, List.of()));
        }
        return steps;
    }

    private static WorkedPiece.ThreadingStep step(String code, String part, int count, List<Seat> seats) {
        return new WorkedPiece.ThreadingStep(code, part, count, seats);
    }
}
