package dev.restis.app.stock;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.stock.HoldingRow.Kind;
import dev.restis.app.stock.LedgerRow.Cause;
import dev.restis.core.cutting.Holding;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.stock.Balance;
import dev.restis.core.stock.Movement;
import dev.restis.core.stock.Unit;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What lies on the shelves, and every way it moves. */
@Service
public class Stock {

    /** What becomes of a stretch that the scissors take off a spool. */
    public enum Fate {
        STRAND,
        REMNANT,
        BIN
    }

    /** One stretch from a spool's free end, and the step of a cut list that takes it. */
    public record Stretch(
            Fate fate,
            long lengthUm,
            @Nullable Long piece,
            @Nullable Long strand,
            @Nullable Long batch,
            long step) {}

    /**
     * A spool as a plan was made on it. Flaws lie where they lay only as long as nothing was cut; without them, it is enough
     * that what the list still needs of it is there.
     */
    public record Planned(long needUm, long balanceUm) {}

    private record Moved(
            long id,
            long holding,
            Movement movement,
            long quantity,
            BigDecimal value,
            @Nullable Long batch,
            @Nullable Long piece,
            @Nullable Long strand,
            @Nullable Long cut) {

        /** As another row of the same has it, which may take this one back. */
        Cause cause(@Nullable Long takenBack) {
            return new Cause("", batch, piece, strand, takenBack, cut);
        }
    }

    /** What was moved and not taken back. */
    private static final String STANDING = """
            select l.id, l.holdingId, l.movement, l.quantity, l.value, l.batchId, l.pieceId, l.strandId, l.cutStepId
            from LedgerRow l where l.reverses is null and not exists (select 1 from LedgerRow r where r.reverses = l.id)
            """;

    private static final int MOST_ASKED = 10_000;

    private final Articles articles;
    private final Ledger ledger;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final StockSql sql;
    private final Clock clock;

    Stock(Articles articles, Ledger ledger, EntityManager entities, JdbcClient jdbc, StockSql sql, Clock clock) {
        this.articles = articles;
        this.ledger = ledger;
        this.entities = entities;
        this.jdbc = jdbc;
        this.sql = sql;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public long lotOf(long holding) {
        return Optional.ofNullable(entities.find(HoldingRow.class, holding))
                .map(HoldingRow::lotId)
                .orElseThrow(() -> new NotFound("notFound"));
    }

    /**
     * Keeps the true diameter of a lot of cord.
     *
     * @param typed empty to go by the article's again
     */
    @Transactional
    public void measure(long lot, @Nullable String typed, UnitSystem units) {
        List<Fault> faults = new ArrayList<>();
        Optional<Length> diameter =
                Texts.given(typed).flatMap(text -> Receipts.diameter("measured", text, units, faults));
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        keepMeasured(lot, diameter.map(Length::micrometres).orElse(null));
    }

    void keepMeasured(long lot, @Nullable Long micrometres) {
        int kept = entities.createQuery("""
                        update LotRow l set l.measuredUm = :um, l.version = l.version + 1
                        where l.id = :lot and exists (select 1 from ArticleRow a where a.id = l.articleId and a.kind = CORD)
                        """)
                .setParameter("um", micrometres)
                .setParameter("lot", lot)
                .executeUpdate();
        if (kept == 0) {
            throw new NotFound("notFound");
        }
    }

    /**
     * Cord that may be cut.
     *
     * @param free what of each holding is free, from its free end on
     * @param balances all that each has
     * @param prices what a metre of each article costs new
     */
    public record Cuttable(List<Holding> free, Map<Long, Long> balances, Map<Long, Double> prices) {
        public long balance(long holding) {
            return balances.getOrDefault(holding, 0L);
        }
    }

    /**
     * Cord that may be cut now: what was cut for pieces that were given up first, then remnants, then what was opened first, then the oldest, each with its flaws. As much as other batches
     * lists mean to cut of it is left at its far end: whoever cuts first cuts from the free end.
     *
     * @param without lists whose plans are made anew, so that what they mean to cut is free
     */
    @Transactional(readOnly = true)
    public Cuttable cuttable(Collection<Long> articleIds, Collection<Long> without) {
        if (articleIds.isEmpty()) {
            return new Cuttable(List.of(), Map.of(), Map.of());
        }
        Map<Long, Long> balances = new HashMap<>();
        List<Holding> free = jdbc.sql("""
                        select h.id, a.id as article, lot.id as lot, b.quantity, h.quantity as balance, a.keep_um,
                               h.opened_at is null as sealed, greatest(0, cast(:today as date) - lot.received_on) as age_days,
                               array(select h.quantity - f.behind_um from holding_flaw f
                                     where f.holding_id = h.id and f.behind_um < h.quantity
                                           and h.quantity - f.behind_um < b.quantity
                                     order by f.behind_um desc) as flaws
                        from holding h join lot on lot.id = h.lot_id join article a on a.id = lot.article_id
                             cross join lateral (select h.quantity - coalesce(sum(p.planned_um), 0)::bigint as quantity
                                                 from holding_planned p
                                                 where p.holding_id = h.id and p.cut_list_id <> all (:without)) b
                        where a.id in (:articles) and h.quantity > 0 and b.quantity > 0
                        order by h.kind not in ('CUT', 'REMNANT'), h.kind = 'REMNANT', h.opened_at nulls last, lot.received_on, h.id
                        """)
                .param("articles", articleIds)
                .param("without", without.toArray(Long[]::new))
                .param("today", LocalDate.now(clock))
                .query((row, n) -> {
                    balances.put(row.getLong("id"), row.getLong("balance"));
                    return new Holding(
                            row.getLong("id"),
                            row.getLong("article"),
                            row.getLong("lot"),
                            new Length(row.getLong("quantity")),
                            lengths((Long[]) row.getArray("flaws").getArray()),
                            new Length(row.getLong("keep_um")),
                            row.getBoolean("sealed"),
                            row.getLong("age_days"));
                })
                .list();
        return new Cuttable(free, balances, prices(articleIds));
    }

    /** Of the cheapest put-up that is sold; what the cord on hand cost, where nobody is known to sell it. */
    private Map<Long, Double> prices(Collection<Long> articleIds) {
        Map<Long, Double> prices = new HashMap<>();
        articles.some(articleIds).stream()
                .filter(a -> a.unitPrice().signum() > 0)
                .forEach(a -> prices.put(a.id(), a.unitPrice().doubleValue()));
        entities.createQuery("""
                        select p.articleId, min(p.price / p.quantity) * 1000000 from PutUpRow p
                        where p.articleId in :articles and not p.withdrawn and p.price > 0 group by p.articleId
                        """, Tuple.class)
                .setParameter("articles", articleIds)
                .getResultList()
                .forEach(row -> prices.put(
                        row.get(0, Long.class), row.get(1, Number.class).doubleValue()));
        return prices;
    }

    /**
     * Cuts a spool from its free end, stretch by stretch; what is not named stays on it.
     *
     * @param planned what the plan was made on
     * @throws Conflict when the spool is not as the plan believed
     */
    @Transactional
    public void cut(long holding, Planned planned, List<Stretch> stretches) {
        Balance balance = ledger.lock(holding);
        HoldingRow spool = entities.find(HoldingRow.class, holding);
        if (spool == null) {
            throw new NotFound("notFound");
        }
        boolean asPlanned = spool.flawsBehind.isEmpty()
                ? balance.quantity() >= planned.needUm()
                : balance.quantity() == planned.balanceUm();
        if (!asPlanned) {
            throw new Conflict("stockChanged");
        }
        for (Stretch stretch : stretches) {
            if (stretch.lengthUm() > balance.quantity()) {
                throw new Conflict("stockChanged");
            }
            BigDecimal value = balance.costOf(stretch.lengthUm());
            balance = balance.without(stretch.lengthUm());
            Movement movement = switch (stretch.fate()) {
                case STRAND -> Movement.CUT;
                case REMNANT -> Movement.SPLIT;
                case BIN -> Movement.BIN;
            };
            Cause cause = new Cause("", stretch.batch(), stretch.piece(), stretch.strand(), null, stretch.step());
            ledger.note(movement, holding, -stretch.lengthUm(), value.negate(), cause);
            if (stretch.fate() == Fate.REMNANT) {
                HoldingRow remnant = hold(spool.lotId(), Kind.REMNANT, spool.shelf(), holding);
                ledger.note(Movement.SPLIT, remnant.id(), stretch.lengthUm(), value, cause);
            }
        }
        entities.flush();
    }

    /**
     * Takes a cut back, by rows against those that it made.
     *
     * @throws Conflict when what it yielded has been used since
     */
    @Transactional
    public void takeBackCut(long step) {
        takeBack("l.cutStepId = :id and l.movement <> RETURN", step);
    }

    /** Puts back what was picked for a piece. */
    @Transactional
    public void takeBackPicked(long piece) {
        takeBack("l.pieceId = :id and l.movement = PICK", piece);
    }

    /**
     * Takes again what was put back of the parts of a piece, which lives on after all.
     *
     * @throws Conflict when it has been used since
     */
    @Transactional
    public void takeAgainPutBack(long piece) {
        takeBack("l.pieceId = :id and l.movement = PICK and l.quantity > 0", piece);
    }

    /** The holdings that something was moved from or to for these pieces or by these steps of cut lists. */
    @Transactional(readOnly = true)
    public List<Long> moved(Collection<Long> pieces, Collection<Long> steps) {
        Set<Long> moved = movedBy("select distinct l.holdingId from LedgerRow l where l.pieceId in :some", pieces);
        moved.addAll(movedBy("select distinct l.holdingId from LedgerRow l where l.cutStepId in :some", steps));
        return List.copyOf(moved);
    }

    /** A list of cuts has no largest size, but a query has: it is asked in stretches. */
    private Set<Long> movedBy(String which, Collection<Long> of) {
        List<Long> all = List.copyOf(of);
        Set<Long> holdings = new TreeSet<>();
        for (int from = 0; from < all.size(); from += MOST_ASKED) {
            holdings.addAll(entities.createQuery(which, Long.class)
                    .setParameter("some", all.subList(from, Math.min(all.size(), from + MOST_ASKED)))
                    .getResultList());
        }
        return holdings;
    }

    /** Holds them, for whoever moves the same again. */
    @Transactional
    public void holdMoved(Collection<Long> pieces, Collection<Long> steps) {
        ledger.hold(moved(pieces, steps));
    }

    private void takeBack(String which, long id) {
        List<Moved> rows = entities.createQuery(STANDING + "and " + which + " order by l.id desc", Moved.class)
                .setParameter("id", id)
                .getResultList();
        ledger.hold(rows.stream().map(Moved::holding).toList());
        for (Moved row : rows) {
            Balance balance = ledger.balance(row.holding());
            BigDecimal value = balance.value().subtract(row.value());
            long quantity = balance.quantity() - row.quantity();
            if (quantity < 0 || value.signum() < 0 || quantity == 0 && value.signum() != 0) {
                throw new Conflict("cut.usedSince");
            }
            ledger.post(
                    row.movement(), row.holding(), -row.quantity(), row.value().negate(), row.cause(row.id()));
        }
        entities.flush();
    }

    /** Puts strands that were cut on the shelf again, each as a holding of its own with what it cost. */
    @Transactional
    public void giveBack(Collection<Long> steps) {
        List<Moved> rows = steps.isEmpty()
                ? List.of()
                : entities.createQuery(
                                STANDING + "and l.cutStepId in :steps and l.movement = CUT order by l.id", Moved.class)
                        .setParameter("steps", steps)
                        .getResultList();
        ledger.hold(rows.stream().map(Moved::holding).toList());
        for (Moved row : rows) {
            HoldingRow from = entities.find(HoldingRow.class, row.holding());
            if (from == null) {
                throw new IllegalStateException("Impossible state: cut from holding " + row.holding());
            }
            HoldingRow strand = hold(from.lotId(), Kind.CUT, from.shelf(), row.holding());
            ledger.post(
                    Movement.RETURN, strand.id(), -row.quantity(), row.value().negate(), row.cause(null));
        }
        entities.flush();
    }

    /**
     * Takes back that what was left over of a strand lies on the shelf.
     *
     * @throws Conflict when it has been used since
     */
    @Transactional
    public void takeBackLeftOver(long strand) {
        takeBack("l.strandId = :id and l.movement = LEFT", strand);
    }

    /** Whether the holdings lie as a plan saw them: as much of each is free, with the flaws where they were. Holds them. */
    @Transactional
    public boolean lieAsSeen(Collection<Holding> seen, Set<Long> ownLists) {
        if (seen.isEmpty()) {
            return true;
        }
        ledger.hold(seen.stream().map(Holding::id).toList());
        Map<Long, Holding> now =
                cuttable(seen.stream().map(Holding::article).collect(Collectors.toSet()), ownLists).free().stream()
                        .collect(Collectors.toMap(Holding::id, h -> h));
        return seen.stream().allMatch(h -> h.equals(now.get(h.id())));
    }

    /**
     * Sets a holding right after a look at the shelf. What is missing takes its share of the value with it; what is found
     * costs nothing.
     *
     * @param typed what is really there: a length, or a number of pieces
     */
    @Transactional
    public void adjust(long holding, String typed, UnitSystem units, String reason) {
        List<Fault> faults = new ArrayList<>();
        String why = Texts.required(reason, "reason", 200, faults);
        Balance balance = ledger.lock(holding);
        Optional<Long> counted = counted(holding, typed, units);
        if (counted.isEmpty()) {
            faults.add(Fault.of("quantity", "counted.unread", typed));
        } else if (counted.get() == balance.quantity()) {
            faults.add(Fault.of("quantity", "counted.same"));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        long change = counted.orElseThrow() - balance.quantity();
        BigDecimal value = change < 0 ? balance.costOf(-change).negate() : BigDecimal.ZERO;
        ledger.post(Movement.ADJUST, holding, change, value, Cause.of(why));
        entities.flush();
    }

    /** An amount as typed, by what the holding holds. */
    Optional<Long> counted(long holding, String typed, UnitSystem units) {
        Unit unit = entities.createQuery("""
                        select a.unit from HoldingRow h join LotRow l on l.id = h.lotId join ArticleRow a on a.id = l.articleId
                        where h.id = :holding
                        """, Unit.class)
                .setParameter("holding", holding)
                .getSingleResult();
        return unit.read(typed, units).filter(amount -> amount <= unit.most());
    }

    /** A new, empty holding. */
    HoldingRow hold(long lot, Kind kind, String shelf, @Nullable Long from) {
        HoldingRow holding = new HoldingRow(
                lot, kind, String.format(java.util.Locale.ROOT, "%s%03d", kind.prefix, sql.nextLabel()), shelf, from);
        entities.persist(holding);
        return holding;
    }

    private static List<Length> lengths(Long[] micrometres) {
        return java.util.Arrays.stream(micrometres).map(Length::new).toList();
    }
}
