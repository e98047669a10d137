package dev.restis.app.plan;

import dev.restis.app.orders.OrderPieces;
import java.util.Collection;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Open pieces as picks for a batch. */
@Service
public class OpenWork {

    private final OrderPieces pieces;

    OpenWork(OrderPieces pieces) {
        this.pieces = pieces;
    }

    /** Every open piece of these orders. */
    @Transactional(readOnly = true)
    public List<Batches.Pick> allOf(Collection<Long> orders) {
        return pieces.openOf(orders).entrySet().stream()
                .map(e -> new Batches.Pick(e.getKey(), e.getValue()))
                .toList();
    }
}
