package dev.restis.app.costs;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Query;
import jakarta.persistence.Tuple;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What pieces cost in some days, by whatever one wants to see it by. All views are sums over the same changes, so that they come to
 * the same, to a hundredth of a cent; by article they are sums over the ledger, from which the changes were made.
 */
@Service
class CostSums {

    private static final int PAGE = 50;
    private static final int MOST_DAYS = 3_700;
    private static final int LAST_MONTHS = 12;
    private static final String MONEY = "-?\\d{1,15}(\\.\\d{1,4})?";

    /**
     * Some days.
     *
     * @param to the last of them
     */
    record Days(LocalDate from, LocalDate to) {
        /** As many days before. */
        Days before() {
            long days = ChronoUnit.DAYS.between(from, to) + 1;
            return new Days(from.minusDays(days), to.minusDays(days));
        }
    }

    /**
     * A narrower look: only what has this key in another view.
     *
     * @param by nothing for all
     */
    record Within(@Nullable CostBy by, String key) {
        static final Within ALL = new Within(null, "");
    }

    /**
     * A sum of costs.
     *
     * @param key empty for cord that was thrown away while no piece was there to bear it
     * @param pieces how many cost something in these days
     * @param tails cut for pieces and neither used nor logged as trimmed, nor scrap
     * @param parts beads, rings and the like
     * @param estimated of the pieces that began to cost something in these days
     * @param before the sum of as many days before
     */
    record CostSum(
            String key,
            String label,
            long pieces,
            BigDecimal used,
            BigDecimal tails,
            BigDecimal trimmed,
            BigDecimal scrap,
            BigDecimal waste,
            BigDecimal parts,
            BigDecimal consumables,
            BigDecimal total,
            @Nullable BigDecimal estimated,
            @Nullable BigDecimal before) {}

    /** The changes of some days by piece or list, and by month where that is asked for. */
    private static final String CHANGES = """
            select ch.*, coalesce(u.value, 0) as consumables
            from (select x.piece_id, %2$s as month, sum(x.used) as used, sum(x.tails) as tails, sum(x.trimmed) as trimmed,
                         sum(x.scrap) as scrap, sum(x.waste) as waste, sum(x.hardware) as hardware, min(x.at) as first
                  from piece_cost x where x.at >= :from%1$s and x.at < :to%1$s group by 1, 2) ch
                left join (select x.piece_id, %2$s as month, -sum(x.value) as value
                           from ledger x join holding h on h.id = x.holding_id join lot on lot.id = h.lot_id
                               join article a on a.id = lot.article_id
                           where x.movement = 'PICK' and a.kind = 'CONSUMABLE' and x.at >= :from%1$s and x.at < :to%1$s group by 1, 2) u
                    on u.piece_id = ch.piece_id and u.month = ch.month
            """;

    private static final String MONTHS = "to_char(x.at at time zone :zone, 'YYYY-MM')";

    private static final String SUMS = """
            select coalesce(%s, '') as key, coalesce(min(%s), '') as label, count(distinct ch.piece_id) as pieces, sum(ch.used) as used,
                   sum(ch.tails - ch.trimmed - ch.scrap) as tails, sum(ch.trimmed) as trimmed, sum(ch.scrap) as scrap, sum(ch.waste) as waste,
                   sum(ch.hardware - ch.consumables) as parts, sum(ch.consumables) as consumables,
                   sum(ch.used + ch.tails + ch.waste + ch.hardware) as total,
                   sum(case when ch.piece_id is null
                              or exists (select from piece_cost b where b.piece_id = ch.piece_id and b.at < ch.first) then 0
                            else (select e.used + e.tails + e.hardware from piece_estimate e where e.piece_id = ch.piece_id) end) as estimated
            from (%s) ch
                left join piece p on p.id = ch.piece_id left join order_line l on l.id = p.line_id
                left join customer_order o on o.id = l.order_id left join customer c on c.id = o.customer_id
                left join batch b on b.id = p.batch_id
                left join lateral (select e.who from piece_event e where e.piece_id = p.id and e.act = 'FINISH'
                                   order by e.id desc limit 1) f on true
            where %s group by 1
            """;

    private static final String BY_ARTICLE = """
            select a.code as key, min(a.name) as label, count(distinct g.piece_id) as pieces,
                   -coalesce(sum(g.value) filter (where g.movement in ('CUT', 'RETURN', 'LEFT')), 0) as used, 0 as tails, 0 as trimmed, 0 as scrap,
                   -coalesce(sum(g.value) filter (where g.movement = 'BIN'), 0) as waste,
                   -coalesce(sum(g.value) filter (where g.movement = 'PICK' and a.kind <> 'CONSUMABLE'), 0) as parts,
                   -coalesce(sum(g.value) filter (where g.movement = 'PICK' and a.kind = 'CONSUMABLE'), 0) as consumables,
                   -sum(g.value) as total, cast(null as numeric) as estimated
            from ledger g join holding h on h.id = g.holding_id join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
            where g.at >= :from%1$s and g.at < :to%1$s
              and (g.movement in ('CUT', 'RETURN', 'LEFT', 'PICK')
                   or g.movement = 'BIN' and (g.batch_id is not null or g.cut_step_id is not null))
            group by 1
            """;

    private final EntityManager entities;
    private final PieceDesk desk;
    private final Clock clock;

    CostSums(EntityManager entities, PieceDesk desk, Clock clock) {
        this.entities = entities;
        this.desk = desk;
        this.clock = clock;
    }

    /**
     * Days as they were asked for. Where they were not, this month; by month the twelve up to this, as one alone says nothing.
     *
     * @throws Rejected when they end before they begin, or are too many
     */
    Days days(CostBy by, @Nullable LocalDate from, @Nullable LocalDate to) {
        LocalDate today = LocalDate.now(clock);
        LocalDate begin =
                from == null ? today.withDayOfMonth(1).minusMonths(by == CostBy.MONTH ? LAST_MONTHS - 1 : 0) : from;
        LocalDate end = to == null ? today : to;
        if (end.isBefore(begin) || ChronoUnit.DAYS.between(begin, end) > MOST_DAYS) {
            throw new Rejected(Fault.of("to", "costs.days", MOST_DAYS));
        }
        return new Days(begin, end);
    }

    /**
     * A page of sums: the largest first, but months by their days, the latest first, and makers by their names.
     *
     * @throws AccessDeniedException when a maker asks who cost what
     * @throws Rejected when a narrower look is asked for by article, or of one
     */
    @Transactional(readOnly = true)
    public Keyset<CostSum> page(CostBy by, Days days, Within within, @Nullable String after) {
        return Keyset.of(
                read(by, days, within, PAGE + 1, after),
                PAGE,
                s -> by == CostBy.MONTH || by == CostBy.MAKER ? List.of(s.key()) : List.of(s.total(), s.key()));
    }

    /** All of them, for a file. */
    @Transactional(readOnly = true)
    public List<CostSum> all(CostBy by, Days days, Within within) {
        return read(by, days, within, Integer.MAX_VALUE, null);
    }

    private List<CostSum> read(CostBy by, Days days, Within within, int most, @Nullable String after) {
        allowed(by);
        checked(by, within);
        Map<String, Object> params = new HashMap<>();
        String where = place(by, after, params);
        Query query = entities.createNativeQuery(
                """
                with now as (%s), before as (%s)
                select now.*, coalesce(before.total, 0) as before
                from now left join before on before.key = now.key
                where %s order by %s
                """.formatted(sums(by, within, ""), sums(by, within, "2"), where, order(by)), Tuple.class);
        bind(query, days, within);
        params.forEach(query::setParameter);
        List<?> rows = query.setMaxResults(most).getResultList();
        PieceDesk.Sitting sitting = desk.sit();
        return rows.stream().map(row -> row((Tuple) row, by, sitting)).toList();
    }

    /** The rows of the ledger name an article for several pieces at once: neither side of a narrower look can be told there. */
    private static void checked(CostBy by, Within within) {
        allowed(within.by());
        if (within.by() == CostBy.ARTICLE || within.by() != null && by == CostBy.ARTICLE) {
            throw new Rejected(Fault.of("within", "costs.article"));
        }
    }

    private static void allowed(@Nullable CostBy by) {
        if (by == CostBy.MAKER && !Workshop.mayForOthers()) {
            throw new AccessDeniedException("who cost what is the owner's to see");
        }
    }

    /** The sum of them all. */
    @Transactional(readOnly = true)
    public CostSum total(Days days, Within within) {
        checked(CostBy.PIECE, within);
        Query query = entities.createNativeQuery(
                """
                select '' as key, '' as label, coalesce(sum(n.pieces), 0) as pieces, coalesce(sum(n.used), 0) as used,
                       coalesce(sum(n.tails), 0) as tails, coalesce(sum(n.trimmed), 0) as trimmed, coalesce(sum(n.scrap), 0) as scrap,
                       coalesce(sum(n.waste), 0) as waste, coalesce(sum(n.parts), 0) as parts, coalesce(sum(n.consumables), 0) as consumables,
                       coalesce(sum(n.total), 0) as total, coalesce(sum(n.estimated), 0) as estimated,
                       (select coalesce(sum(b.total), 0) from (%s) b) as before
                from (%s) n
                """.formatted(sums(CostBy.PIECE, within, "2"), sums(CostBy.PIECE, within, "")), Tuple.class);
        bind(query, days, within);
        return row((Tuple) query.getSingleResult(), CostBy.ORDER, desk.sit());
    }

    private static String sums(CostBy by, Within within, String which) {
        if (by == CostBy.ARTICLE) {
            return BY_ARTICLE.formatted(which);
        }
        String changes = CHANGES.formatted(which, by == CostBy.MONTH || within.by() == CostBy.MONTH ? MONTHS : "''");
        String filter = within.by() == null ? "true" : within.by().key() + " = :within";
        return SUMS.formatted(by.key(), by.label(), changes, filter);
    }

    private void bind(Query query, Days days, Within within) {
        ZoneId zone = clock.getZone();
        Days before = days.before();
        Map<String, Object> all = new HashMap<>();
        all.put("from", start(days.from(), zone));
        all.put("to", start(days.to().plusDays(1), zone));
        all.put("from2", start(before.from(), zone));
        all.put("to2", start(before.to().plusDays(1), zone));
        all.put("zone", zone.getId());
        all.put("within", within.key());
        query.getParameters().forEach(p -> {
            Object value = all.get(p.getName());
            if (value != null) {
                query.setParameter(p.getName(), value);
            }
        });
    }

    private static Instant start(LocalDate day, ZoneId zone) {
        return day.atStartOfDay(zone).toInstant();
    }

    private static String order(CostBy by) {
        return switch (by) {
            case MONTH -> "now.key desc";
            case MAKER -> "now.key";
            default -> "now.total desc, now.key";
        };
    }

    private static String place(CostBy by, @Nullable String after, Map<String, Object> params) {
        if (by == CostBy.MONTH || by == CostBy.MAKER) {
            if (after == null) {
                return "true";
            }
            params.put("last", after);
            return by == CostBy.MONTH ? "now.key < :last" : "now.key > :last";
        }
        return Keyset.read(after, MONEY, ".*")
                .map(place -> {
                    params.put("least", new BigDecimal(place.get(0)));
                    params.put("last", place.get(1));
                    return "(now.total < :least or now.total = :least and now.key > :last)";
                })
                .orElse("true");
    }

    private static CostSum row(Tuple t, CostBy by, PieceDesk.Sitting sitting) {
        String label = t.get("label", String.class);
        return new CostSum(
                t.get("key", String.class),
                by == CostBy.PATTERN && !label.isEmpty() ? sitting.patternName(label) : label,
                t.get("pieces", Number.class).longValue(),
                money(t, "used"),
                money(t, "tails"),
                money(t, "trimmed"),
                money(t, "scrap"),
                money(t, "waste"),
                money(t, "parts"),
                money(t, "consumables"),
                money(t, "total"),
                by == CostBy.ARTICLE ? null : money(t, "estimated"),
                money(t, "before"));
    }

    private static BigDecimal money(Tuple t, String name) {
        Number value = t.get(name, Number.class);
        return value == null
                ? BigDecimal.ZERO
                : value instanceof BigDecimal exact ? exact : BigDecimal.valueOf(value.longValue());
    }

    /**
     * What was lost or set right beside pieces.
     *
     * @param movement as the ledger has it
     * @param value what it cost; less than nothing where something was found
     */
    record Beside(String movement, long rows, BigDecimal value) {}

    @Transactional(readOnly = true)
    public List<Beside> beside(Days days) {
        ZoneId zone = clock.getZone();
        List<?> rows = entities.createNativeQuery("""
                        select movement, count(*) as rows, -sum(value) as value from ledger
                        where at >= :from and at < :to and movement in ('BIN', 'ADJUST', 'SELL', 'SEND_BACK', 'COUNT')
                          and batch_id is null and cut_step_id is null group by movement order by movement
                        """, Tuple.class)
                .setParameter("from", start(days.from(), zone))
                .setParameter("to", start(days.to().plusDays(1), zone))
                .getResultList();
        return rows.stream()
                .map(row -> (Tuple) row)
                .map(t -> new Beside(
                        t.get("movement", String.class),
                        t.get("rows", Number.class).longValue(),
                        money(t, "value")))
                .toList();
    }

    /** A change of what a piece costs. */
    record CostChange(
            Instant at,
            BigDecimal used,
            BigDecimal tails,
            BigDecimal trimmed,
            BigDecimal scrap,
            BigDecimal waste,
            BigDecimal hardware) {}

    /** All changes of one piece, the oldest first: the rows that its figures open down to. */
    @Transactional(readOnly = true)
    public List<CostChange> changes(long piece) {
        List<?> rows = entities.createNativeQuery("""
                        select at, used, tails - trimmed - scrap as tails, trimmed, scrap, waste, hardware
                        from piece_cost where piece_id = :piece order by at, id limit 500
                        """, Tuple.class)
                .setParameter("piece", piece)
                .getResultList();
        return rows.stream()
                .map(row -> (Tuple) row)
                .map(t -> new CostChange(
                        t.get("at", Instant.class),
                        money(t, "used"),
                        money(t, "tails"),
                        money(t, "trimmed"),
                        money(t, "scrap"),
                        money(t, "waste"),
                        money(t, "hardware")))
                .toList();
    }
}
