package dev.restis.core.batch;

import dev.restis.core.piece.Check.Verdict;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Optional;

/**
 * The day that work can be promised for, from the minutes that the bench is open; a rougher answer than a plan gives,
 * because it knows one bench and no set-ups.
 *
 * @param last the day it is ready when everything already taken on is done first; empty for never
 * @param inTurn the day it is ready when work goes in the order of the days it is wanted; never later than {@code last}
 * @param verdict against the day it is wanted: good when it is ready even as the last, tight when it must go before work
 *     that is wanted later, no when it is late even so; unknown when no day is wanted
 */
public record Promise(Optional<LocalDate> last, Optional<LocalDate> inTurn, Verdict verdict) {

    /**
     * What stands before the work.
     *
     * @param all everything that is taken on and not made
     * @param dueBefore what of it is wanted no later
     */
    public record Queue(Duration all, Duration dueBefore) {
        public Queue {
            if (all.compareTo(dueBefore) < 0) {
                throw new IllegalArgumentException(
                        "dueBefore must not be more than all but was " + dueBefore + " of " + all);
            }
        }
    }

    /**
     * Reckons a promise.
     *
     * @param work making time of everything ordered
     * @param dryingDays days that it lies before it can go out, holding no maker; 0 or more
     */
    public static Promise of(
            LocalDate today, OpenMinutes open, Queue queue, Duration work, int dryingDays, Optional<LocalDate> due) {
        Optional<LocalDate> last = open.through(today, queue.all().plus(work)).map(d -> d.plusDays(dryingDays));
        Optional<LocalDate> inTurn =
                open.through(today, queue.dueBefore().plus(work)).map(d -> d.plusDays(dryingDays));
        Verdict verdict = due.map(
                        day -> meets(last, day) ? Verdict.GOOD : meets(inTurn, day) ? Verdict.TIGHT : Verdict.NO)
                .orElse(last.isPresent() ? Verdict.UNKNOWN : Verdict.NO);
        return new Promise(last, inTurn, verdict);
    }

    private static boolean meets(Optional<LocalDate> ready, LocalDate due) {
        return ready.filter(day -> !day.isAfter(due)).isPresent();
    }
}
