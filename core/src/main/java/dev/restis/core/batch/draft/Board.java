package dev.restis.core.batch.draft;

import dev.restis.core.batch.Bench;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.WorkPlan.Placed;
import dev.restis.core.batch.draft.Pins.Pinned;
import dev.restis.core.batch.draft.PlanDraft.Planned;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/** Who ties what on which days, of everything: what is begun, what is pinned, and what a planner placed. */
public final class Board {

    /** How firmly something stands. */
    public enum State {
        BEGUN,
        FREE,
        PINNED
    }

    /**
     * Pieces at a maker's.
     *
     * @param order place in the list of orders
     * @param maker place in the list of makers
     * @param from the day on which they begin, counted from the first of the plan
     * @param seconds on each day from then on, with setting up
     */
    public record Row(
            long line,
            int order,
            List<Long> pieces,
            Bench bench,
            int maker,
            State state,
            boolean apart,
            int from,
            List<Integer> seconds,
            int setUp,
            int release) {}

    private Board() {}

    /** By maker, and then in the order in which they are tied. */
    public static List<Row> of(PlanDraft draft, Planned planned, WorkPlan plan) {
        List<Row> rows = new ArrayList<>();
        draft.begun().going().forEach(going -> {
            Begun begun = going.begun();
            rows.add(new Row(
                    begun.line(),
                    begun.order(),
                    List.of(begun.piece()),
                    begun.bench(),
                    begun.maker(),
                    State.BEGUN,
                    false,
                    going.from(),
                    going.seconds(),
                    0,
                    0));
        });
        for (int m = 0; m < plan.makers().size(); m++) {
            for (Placed placed : plan.makers().get(m)) {
                Part part = planned.parts().get(placed.parcel());
                rows.add(row(part, m, State.FREE, placed.from(), placed.seconds(), placed.setUp()));
            }
        }
        for (Map.Entry<Part, Pinned> pin : draft.pins().inOrder()) {
            Part part = pin.getKey();
            int setUp = draft.pins().setUp(part);
            int tying = draft.pins().seconds(part, pin.getValue().maker()).orElse(0);
            rows.add(row(
                    part, pin.getValue().maker(), State.PINNED, pin.getValue().day(), List.of(setUp + tying), setUp));
        }
        // The sort is stable: within a day what is begun comes first and what is pinned last.
        rows.sort(
                Comparator.comparingInt(Row::maker).thenComparingInt(Row::from).thenComparing(Row::state));
        return rows;
    }

    private static Row row(Part part, int maker, State state, int from, List<Integer> seconds, int setUp) {
        Lot lot = part.lot();
        return new Row(
                lot.line(),
                lot.order(),
                part.pieces(),
                lot.bench(),
                maker,
                state,
                part.apart(),
                from,
                seconds,
                setUp,
                lot.release());
    }
}
