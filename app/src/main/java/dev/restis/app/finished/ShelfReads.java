package dev.restis.app.finished;

import dev.restis.app.finished.Shelf.SaleView;
import dev.restis.app.finished.Shelf.ShelfWhat;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.orders.PriceList;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.core.cost.Price;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Query;
import jakarta.persistence.Tuple;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What lies on the shelf, what it is worth, and a single piece by its tag. */
@Service
class ShelfReads {

    /**
     * A finished piece.
     *
     * @param there whether it lies on the shelf
     * @param back whether it came back from its customer, and is here
     * @param since when it came there
     * @param why it came there
     * @param cost what it cost by now
     * @param price what it would be sold for by the house's rules
     * @param sale as it was sold, where it was
     * @param seen when it was counted last, since it came there
     */
    record ShelfPiece(
            long piece,
            long order,
            String reference,
            String customer,
            long line,
            String patternName,
            @Nullable String sizeName,
            @Nullable Long wristUm,
            @Nullable Long lengthUm,
            List<String> colours,
            PieceStage stage,
            boolean there,
            boolean back,
            @Nullable Instant since,
            @Nullable ShelfWhat why,
            BigDecimal cost,
            BigDecimal price,
            @Nullable SaleView sale,
            @Nullable SeenView seen) {}

    /** When it was last seen there. */
    record SeenView(Instant at, String who) {}

    /**
     * What is on the shelf in all.
     *
     * @param seen how many of the pieces somebody saw there today
     */
    record ShelfWorth(long pieces, BigDecimal value, long seen) {}

    private static final int PAGE = 50;

    private static final String PIECES = """
            select p.id, o.id as order_id, o.reference, o.customer, l.id as line, cast(p.stage as text) as stage,
                   coalesce(s.pieces, 0) = 1 as there, s.since, s.why, coalesce(a.used + a.tails + a.waste + a.hardware, 0) as cost,
                   p.stage >= 'MADE' and p.stage < 'SENT'
                       and exists (select from piece_event b where b.piece_id = p.id and b.act = 'COME_BACK'
                                     and not exists (select from piece_event u where u.takes_back = b.id)) as back,
                   n.at as seen_at, n.who as seen_by
            from piece p join order_line l on l.id = p.line_id join customer_order o on o.id = l.order_id
                left join piece_actual a on a.piece_id = p.id
                left join shelf_seen n on n.piece_id = p.id
                left join lateral (select sum(e.pieces) as pieces, max(e.at) filter (where e.pieces = 1) as since,
                                          (array_agg(e.what order by e.id desc) filter (where e.pieces = 1))[1] as why
                                   from shelf_entry e where e.piece_id = p.id) s on true
            where %s
            """;

    private final EntityManager entities;
    private final OrderPieces orders;
    private final PriceList prices;
    private final PieceDesk desk;
    private final Clock clock;

    ShelfReads(EntityManager entities, OrderPieces orders, PriceList prices, PieceDesk desk, Clock clock) {
        this.clock = clock;
        this.entities = entities;
        this.orders = orders;
        this.prices = prices;
        this.desk = desk;
    }

    /**
     * What lies there, what has lain longest first.
     *
     * @param unseen only what nobody saw there today
     */
    @Transactional(readOnly = true)
    public Keyset<ShelfPiece> page(boolean unseen, @Nullable String after) {
        long last = Keyset.read(after, "\\d{1,18}")
                .map(p -> Long.parseLong(p.get(0)))
                .orElse(0L);
        Query query = entities.createNativeQuery(PIECES.formatted("""
                                p.id in (select piece_id from shelf_entry group by piece_id having sum(pieces) = 1)
                                and p.id > :last and (not :unseen or n.at is null or n.at < :today) order by p.id
                                """), Tuple.class)
                .setParameter("last", last)
                .setParameter("unseen", unseen)
                .setParameter("today", today())
                .setMaxResults(PAGE + 1);
        List<ShelfPiece> found = read(query);
        return Keyset.of(found, PAGE, p -> List.of(p.piece()));
    }

    @Transactional(readOnly = true)
    public ShelfPiece one(long piece) {
        return read(entities.createNativeQuery(PIECES.formatted("p.id = :piece"), Tuple.class)
                        .setParameter("piece", piece))
                .stream()
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"));
    }

    @Transactional(readOnly = true)
    public ShelfWorth worth() {
        Tuple sums = (Tuple) entities.createNativeQuery("""
                        select coalesce(sum(pieces), 0) as pieces, coalesce(sum(value), 0) as value,
                               (select count(*) from shelf_seen n where n.at >= :today
                                  and (select sum(e.pieces) from shelf_entry e where e.piece_id = n.piece_id) = 1) as seen
                        from shelf_entry
                        """, Tuple.class)
                .setParameter("today", today())
                .getSingleResult();
        return new ShelfWorth(number(sums, "pieces"), sums.get("value", BigDecimal.class), number(sums, "seen"));
    }

    private Instant today() {
        return LocalDate.now(clock).atStartOfDay(clock.getZone()).toInstant();
    }

    Optional<Sale> sale(long piece) {
        return entities.createQuery(
                        "select s from Sale s where s.pieceId = :piece and s.withdrawnAt is null", Sale.class)
                .setParameter("piece", piece)
                .getResultStream()
                .findFirst();
    }

    private List<ShelfPiece> read(Query query) {
        List<Tuple> rows = new ArrayList<>();
        query.getResultList().forEach(row -> rows.add((Tuple) row));
        List<Long> lines = rows.stream().map(t -> number(t, "line")).distinct().toList();
        Map<Long, PieceSpec> specs = orders.specsOf(lines);
        PieceDesk.Sitting sitting = desk.sit();
        Map<Long, BigDecimal> worth = lines.stream()
                .collect(Collectors.toMap(l -> l, l -> price(sitting, Objects.requireNonNull(specs.get(l)))));
        return rows.stream()
                .map(t -> row(t, Objects.requireNonNull(specs.get(number(t, "line"))), sitting, worth))
                .toList();
    }

    private BigDecimal price(PieceDesk.Sitting sitting, PieceSpec spec) {
        PieceDesk.Worked worked = sitting.workOut(spec);
        return Price.of(worked.estimate().total(), worked.time().total(), 1, prices.rules())
                .each();
    }

    private ShelfPiece row(Tuple t, PieceSpec spec, PieceDesk.Sitting sitting, Map<Long, BigDecimal> worth) {
        String why = t.get("why", String.class);
        PieceStage stage = PieceStage.valueOf(t.get("stage", String.class));
        return new ShelfPiece(
                number(t, "id"),
                number(t, "order_id"),
                t.get("reference", String.class),
                t.get("customer", String.class),
                number(t, "line"),
                sitting.patternName(spec.pattern()),
                spec.sizeName(),
                spec.wristUm(),
                spec.lengthUm(),
                sitting.cordNames(spec),
                stage,
                t.get("there", Boolean.class),
                t.get("back", Boolean.class),
                t.get("since", Instant.class),
                why == null ? null : ShelfWhat.valueOf(why),
                t.get("cost", BigDecimal.class),
                worth.getOrDefault(number(t, "line"), BigDecimal.ZERO),
                stage == PieceStage.SENT ? sale(number(t, "id")).map(Sale::view).orElse(null) : null,
                seen(t));
    }

    private static @Nullable SeenView seen(Tuple t) {
        Instant at = t.get("seen_at", Instant.class);
        Instant since = t.get("since", Instant.class);
        boolean before = at != null && since != null && at.isBefore(since);
        return at == null || before || !t.get("there", Boolean.class)
                ? null
                : new SeenView(at, t.get("seen_by", String.class));
    }

    private static long number(Tuple t, String name) {
        return t.get(name, Number.class).longValue();
    }
}
