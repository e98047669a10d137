package dev.restis.app.orders;

import dev.restis.app.orders.OrderList.Filter;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.RowsFile;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Orders as JSON, in the form that a file of orders may have; read in again they are the same orders. */
@Service
class OrderExport {

    private final OrderList list;
    private final OrderStore store;
    private final PieceDesk desk;
    private final JsonMapper json =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    OrderExport(OrderList list, OrderStore store, PieceDesk desk) {
        this.list = list;
        this.store = store;
        this.desk = desk;
    }

    /** All that the filter finds, to {@link RowsFile#MOST_ROWS}. */
    @Transactional(readOnly = true)
    public String json(Filter filter) {
        PieceDesk.Sitting sitting = desk.sit();
        List<Map<String, Object>> orders = new ArrayList<>();
        List<Long> ids = list.page(filter, RowsFile.MOST_ROWS).rows().stream()
                .map(OrderList.OrderRow::id)
                .toList();
        Map<Long, CustomerOrder> byId =
                store.withLines(ids).stream().collect(Collectors.toMap(CustomerOrder::id, Function.identity()));
        // Those of forgotten customers are nobody's, and could not be read in again.
        ids.stream()
                .map(id -> Objects.requireNonNull(byId.get(id)))
                .filter(order -> !order.head().customer().isEmpty())
                .forEach(order -> orders.add(order(order, sitting)));
        return json.writeValueAsString(orders);
    }

    Map<String, Object> order(CustomerOrder order, PieceDesk.Sitting sitting) {
        Map<String, Object> fields = new LinkedHashMap<>();
        CustomerOrder.OrderHead head = order.head();
        fields.put("reference", head.reference());
        fields.put("customer", head.customer());
        put(fields, "due", head.due());
        put(fields, "order note", head.note().isEmpty() ? null : head.note());
        fields.put(
                "lines", order.lines().stream().map(line -> line(line, sitting)).toList());
        return fields;
    }

    private static Map<String, Object> line(OrderLine line, PieceDesk.Sitting sitting) {
        PieceChoices choices = sitting.choices(line.spec());
        Map<String, Object> fields = new LinkedHashMap<>();
        fields.put("line", line.number());
        fields.put("quantity", line.quantity());
        fields.put("pattern", choices.pattern());
        put(fields, "size", choices.size());
        put(fields, "wrist", choices.wrist());
        put(fields, "hand", choices.hand());
        put(fields, "length", choices.length());
        put(fields, "fit", choices.ease() == null ? null : choices.ease().toLowerCase(Locale.ROOT));
        fields.put("colours", choices.colours());
        if (choices.parts() != null) {
            choices.parts().forEach((slot, part) -> {
                fields.put(slot, part.article());
                if (part.count() != null && part.count() > 0) {
                    fields.put(slot.equals("bead") ? "beads" : slot + " count", part.count());
                }
            });
        }
        put(fields, "kit", Boolean.TRUE.equals(choices.kit()) ? "yes" : null);
        put(fields, "wearer", choices.wearer() == null ? null : choices.wearer().toLowerCase(Locale.ROOT));
        put(fields, "taper", Boolean.TRUE.equals(choices.tapered()) ? "yes" : null);
        put(fields, "matching", line.matching() ? "yes" : null);
        put(fields, "note", line.note().isEmpty() ? null : line.note());
        return fields;
    }

    private static void put(Map<String, Object> fields, String name, @Nullable Object value) {
        if (value != null) {
            fields.put(name, value.toString());
        }
    }
}
