package dev.restis.app.demo;

import dev.restis.app.orders.Orders;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceChoices.PartChoice;
import dev.restis.core.measure.UnitSystem;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Takes the demo's orders, and knows the newest of each customer. */
@Component
@ConditionalOnProperty(name = "restis.demo", havingValue = "true")
class DemoOrders {

    private final Orders orders;
    private final Map<String, Long> orderOf = new HashMap<>();

    DemoOrders(Orders orders) {
        this.orders = orders;
    }

    /**
     * @param wrist or {@code length}: as the pattern is measured
     * @param matching whether all come from one lot
     */
    void take(
            String customer,
            String due,
            int quantity,
            String pattern,
            @Nullable String wrist,
            @Nullable String length,
            List<String> colours,
            boolean matching,
            Map<String, PartChoice> parts) {
        PieceChoices choices = new PieceChoices(
                pattern, null, wrist, null, null, length, colours, parts, false, null, false, UnitSystem.METRIC);
        orderOf.put(
                customer,
                orders.take(new Orders.NewOrder(
                        null,
                        customer,
                        due,
                        null,
                        false,
                        List.of(new Orders.NewLine(choices, quantity, matching, null)))));
    }

    /** The newest order of somebody. */
    long taken(String customer) {
        return Objects.requireNonNull(orderOf.get(customer));
    }

    static PartChoice part(String article) {
        return new PartChoice(article, null);
    }
}
