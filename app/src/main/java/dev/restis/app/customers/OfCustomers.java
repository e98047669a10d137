package dev.restis.app.customers;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What else there is of customers, told by those who keep it. Customers are named by all the numbers of their names. */
public interface OfCustomers {

    /**
     * What a customer has ordered.
     *
     * @param orders how many
     * @param newest the day of the newest one
     */
    record Ordered(long orders, LocalDate newest) {}

    /**
     * A wrist, and the hand if it was measured too, in micrometres.
     *
     * @param on the day that they were given
     */
    record Measures(long wristUm, @Nullable Long handUm, LocalDate on) {}

    /** By number of the name; nothing for one who ordered nothing. */
    Map<Long, Ordered> ordered(Collection<Long> customers);

    /** As last given in an order of a single wrist, of their newest ones. */
    Optional<Measures> measures(Collection<Long> customers);

    /**
     * Everything that there is, to be handed to them.
     *
     * @return by what it is
     */
    Map<String, List<Map<String, Object>>> everything(Collection<Long> customers);

    /** How many orders are not sent or cancelled. They and all others are held until the transaction ends. */
    long holdAndCountOpen(Collection<Long> customers);

    /** Forgets names and notes; sums stay. */
    void forget(Collection<Long> customers);
}
