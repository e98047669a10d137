package dev.restis.app.orders;

import dev.restis.app.patterns.PieceDesk;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What the plan of days knows of orders, where the house plans; nothing elsewhere. */
public interface PlannedDays {

    /** So many pieces of one kind that are to be made. */
    record Piecework(PieceDesk.Worked worked, int count) {}

    /**
     * When an order can be ready.
     *
     * @param even in one of two cases
     * @param sure in nine of ten
     */
    record ReadyDays(LocalDate even, LocalDate sure) {}

    /**
     * How an order stands in the plan.
     *
     * @param lateChance 0 to 1
     * @param lateDays as planned
     */
    record Outlook(double lateChance, int lateDays) {}

    /** @param order its number where it is taken already; 0 for one that is not */
    Optional<ReadyDays> ready(long order, List<Piecework> pieces);

    /** Of those that are in the plan. */
    Map<Long, Outlook> outlooks(Collection<Long> orders);
}
