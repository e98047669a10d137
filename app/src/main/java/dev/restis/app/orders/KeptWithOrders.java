package dev.restis.app.orders;

import java.util.Collection;
import java.util.List;
import java.util.Map;

/** What others keep of customers beside their orders, so that it is handed out, and forgotten, with them. */
public interface KeptWithOrders {

    /**
     * Everything that there is of these orders, to be handed to their customer.
     *
     * @return by what it is
     */
    Map<String, List<Map<String, Object>>> everything(Collection<Long> orders);

    /** Forgets what tells who it was; the orders are held. */
    void forget(Collection<Long> orders);
}
