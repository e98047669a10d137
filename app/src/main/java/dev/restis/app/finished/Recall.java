package dev.restis.app.finished;

import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Query;
import jakarta.persistence.Tuple;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** From a lot to every piece that holds something of it, with its order and customer: for the day on which a lot turns out to be bad. */
@Service
class Recall {

    /** @param lot its code */
    record RecallLot(long id, String lot, String article, String name, LocalDate receivedOn) {}

    /**
     * A piece that something of the lot went into, and was not put back.
     *
     * @param quantity of the lot, as the article's unit counts
     * @param sentOn the day on which it left, where it has
     */
    record RecallPiece(
            long piece,
            PieceStage stage,
            long order,
            String reference,
            int line,
            int number,
            String customer,
            String email,
            String address,
            long quantity,
            @Nullable LocalDate sentOn) {}

    private static final int PAGE = 50;

    private final EntityManager entities;

    Recall(EntityManager entities) {
        this.entities = entities;
    }

    @Transactional(readOnly = true)
    public RecallLot lot(long id) {
        List<?> found = entities.createNativeQuery("""
                        select lot.id, lot.code as lot, a.code as article, a.name, lot.received_on
                        from lot join article a on a.id = lot.article_id where lot.id = :lot
                        """, Tuple.class)
                .setParameter("lot", id)
                .getResultList();
        if (found.isEmpty()) {
            throw new NotFound("notFound");
        }
        Tuple lot = (Tuple) found.get(0);
        return new RecallLot(
                id,
                lot.get("lot", String.class),
                lot.get("article", String.class),
                lot.get("name", String.class),
                lot.get("received_on", LocalDate.class));
    }

    @Transactional(readOnly = true)
    public Keyset<RecallPiece> page(long lot, @Nullable String after) {
        long last = Keyset.read(after, "\\d{1,18}")
                .map(p -> Long.parseLong(p.get(0)))
                .orElse(0L);
        return Keyset.of(read(lot, last, PAGE + 1), PAGE, p -> List.of(p.piece()));
    }

    /** Every piece, for a file. */
    @Transactional(readOnly = true)
    public List<RecallPiece> all(long lot) {
        return read(lot, 0, Integer.MAX_VALUE);
    }

    private List<RecallPiece> read(long lot, long last, int most) {
        Query query = entities.createNativeQuery("""
                        select p.id, cast(p.stage as text) as stage, o.id as order_id, o.reference, l.number as line, p.number,
                               m.name as customer, m.email, m.address, held.quantity,
                               (select max(c.sent_on) from parcel c join parcel_piece cp on cp.parcel_id = c.id
                                where cp.piece_id = p.id and not cp.taken_out) as sent_on
                        from (select g.piece_id, -sum(g.quantity) as quantity
                              from holding h join ledger g on g.holding_id = h.id
                              where h.lot_id = :lot and g.piece_id > :last and g.movement in ('CUT', 'RETURN', 'PICK', 'LEFT')
                              group by g.piece_id having sum(g.quantity) <> 0) held
                            join piece p on p.id = held.piece_id join order_line l on l.id = p.line_id
                            join customer_order o on o.id = l.order_id join customer c on c.id = o.customer_id
                            join customer m on m.id = coalesce(c.merged_into, c.id)
                        order by p.id
                        """, Tuple.class)
                .setParameter("lot", lot)
                .setParameter("last", last)
                .setMaxResults(most);
        List<?> rows = query.getResultList();
        return rows.stream().map(row -> piece((Tuple) row)).toList();
    }

    private static RecallPiece piece(Tuple t) {
        return new RecallPiece(
                t.get("id", Number.class).longValue(),
                PieceStage.valueOf(t.get("stage", String.class)),
                t.get("order_id", Number.class).longValue(),
                t.get("reference", String.class),
                t.get("line", Number.class).intValue(),
                t.get("number", Number.class).intValue(),
                t.get("customer", String.class),
                t.get("email", String.class),
                t.get("address", String.class),
                t.get("quantity", Number.class).longValue(),
                t.get("sent_on", LocalDate.class));
    }
}
