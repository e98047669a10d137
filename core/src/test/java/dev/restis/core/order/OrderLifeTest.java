package dev.restis.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OrderLifeTest {

    @ParameterizedTest
    @CsvSource({
        // stage, pieces, planned, cut, made, dispatched -> state
        "DRAFT,     3, 0, 0, 0, 0, DRAFT",
        "QUOTED,    3, 0, 0, 0, 0, QUOTED",
        "CANCELLED, 3, 0, 0, 0, 0, CANCELLED",
        // All of it went from the shelf to others.
        "ACCEPTED,  0, 0, 0, 0, 0, DISPATCHED",
        "ACCEPTED,  3, 0, 0, 0, 0, ACCEPTED",
        "ACCEPTED,  3, 1, 0, 0, 0, PLANNED",
        "ACCEPTED,  3, 3, 0, 0, 0, PLANNED",
        "ACCEPTED,  3, 3, 1, 0, 0, CUTTING",
        "ACCEPTED,  3, 2, 2, 2, 2, CUTTING",
        "ACCEPTED,  3, 3, 3, 0, 0, MAKING",
        "ACCEPTED,  3, 3, 3, 2, 2, MAKING",
        "ACCEPTED,  3, 3, 3, 3, 0, FINISHED",
        "ACCEPTED,  3, 3, 3, 3, 2, FINISHED",
        "ACCEPTED,  3, 3, 3, 3, 3, DISPATCHED"
    })
    void theStateFollowsFromStageAndPieces(
            OrderStage stage, int pieces, int planned, int cut, int made, int dispatched, OrderState state) {
        OrderProgress progress = progress(pieces, planned, cut, made, dispatched);
        assertThat(OrderLife.state(stage, progress)).isEqualTo(state);
    }

    @ParameterizedTest
    @CsvSource({
        // pieces, planned, cut, made, dispatched -> what may be done with an accepted order
        "3, 0, 0, 0, 0, CHANGE_PIECES CHANGE_HEAD PLAN CANCEL",
        "3, 3, 0, 0, 0, CHANGE_PIECES CHANGE_HEAD CANCEL",
        "3, 3, 1, 0, 0, CHANGE_PIECES CHANGE_HEAD CANCEL CANCEL_REST FINISH",
        "3, 3, 3, 0, 0, CHANGE_PIECES CHANGE_HEAD CANCEL FINISH",
        "3, 3, 2, 1, 0, CHANGE_PIECES CHANGE_HEAD CANCEL_REST FINISH DISPATCH",
        "3, 3, 3, 3, 0, CHANGE_PIECES CHANGE_HEAD DISPATCH",
        "3, 3, 3, 3, 3, ''"
    })
    void whatMayBeDoneFollowsFromThePieces(int pieces, int planned, int cut, int made, int dispatched, String allowed) {
        OrderProgress progress = progress(pieces, planned, cut, made, dispatched);
        assertThat(OrderLife.allowed(OrderStage.ACCEPTED, progress))
                .extracting(OrderAct::name)
                .containsExactlyInAnyOrder(allowed.isEmpty() ? new String[0] : allowed.split(" "));
    }

    @Test
    void whatIsBegunIsNotGivenUpWithTheOrder() {
        assertThat(OrderLife.allowed(OrderStage.ACCEPTED, new OrderProgress(3, 3, 2, 1, 0, 0)))
                .containsExactlyInAnyOrder(
                        OrderAct.CHANGE_PIECES, OrderAct.CHANGE_HEAD, OrderAct.CANCEL_REST, OrderAct.FINISH);
    }

    /** Of which nothing is begun but what is made. */
    private static OrderProgress progress(int pieces, int planned, int cut, int made, int dispatched) {
        return new OrderProgress(pieces, planned, cut, made, made, dispatched);
    }

    @Test
    void piecesCannotBeFurtherThanTheOnesBeforeThem() {
        assertThatThrownBy(() -> progress(3, 1, 2, 0, 0)).hasMessageContaining("3, 1, 2, 0, 0, 0");
        assertThatThrownBy(() -> progress(3, 3, 2, 1, -1)).hasMessageContaining("-1");
    }

    /** Plays whole lives by chance and watches that nothing is lost on the way. */
    @Test
    void everyLifeKeepsItsRules() {
        Random random = new Random(5);
        Map<OrderState, Integer> seen = new EnumMap<>(OrderState.class);
        for (int life = 0; life < 400; life++) {
            OrderStage stage = OrderStage.DRAFT;
            OrderProgress p = progress(1 + random.nextInt(4), 0, 0, 0, 0);
            for (int step = 0; step < 25; step++) {
                OrderState before = OrderLife.state(stage, p);
                seen.merge(before, 1, Integer::sum);
                List<OrderAct> acts = List.copyOf(OrderLife.allowed(stage, p));
                if (acts.isEmpty()) {
                    assertThat(before).isEqualTo(OrderState.DISPATCHED);
                    break;
                }
                OrderAct act = acts.get(random.nextInt(acts.size()));
                boolean scissors = stage == OrderStage.ACCEPTED && random.nextBoolean();
                OrderProgress next = scissors ? onward(p) : done(act, p);
                stage = scissors ? stage : OrderLife.after(stage, act);
                boolean givenUp = !scissors && act == OrderAct.CANCEL;
                assertThat(next.cut()).as("%s undoes no cut", act).isGreaterThanOrEqualTo(givenUp ? 0 : p.cut());
                assertThat(givenUp && p.made() > 0)
                        .as("what is made is not given up")
                        .isFalse();
                assertThat(next.dispatched()).isGreaterThanOrEqualTo(p.dispatched());
                if (stage != OrderStage.ACCEPTED) {
                    assertThat(next.cut())
                            .as("cut pieces of an order that is %s", stage)
                            .isZero();
                }
                p = next;
            }
        }
        assertThat(seen.keySet()).isEqualTo(Set.of(OrderState.values()));
    }

    /** What an act does to the pieces. */
    private static OrderProgress done(OrderAct act, OrderProgress p) {
        return switch (act) {
            case PLAN -> progress(p.pieces(), p.planned() + 1, p.cut(), p.made(), p.dispatched());
            case FINISH -> progress(p.pieces(), p.planned(), p.cut(), p.made() + 1, p.dispatched());
            case DISPATCH -> progress(p.pieces(), p.planned(), p.cut(), p.made(), p.dispatched() + 1);
            case CANCEL_REST -> progress(p.cut(), p.cut(), p.cut(), p.made(), p.dispatched());
            case CANCEL -> progress(p.pieces(), 0, 0, 0, 0);
            default -> p;
        };
    }

    /** The scissors go on beside whatever people do at the desk. */
    private static OrderProgress onward(OrderProgress p) {
        return p.cut() < p.planned() ? progress(p.pieces(), p.planned(), p.cut() + 1, p.made(), p.dispatched()) : p;
    }
}
