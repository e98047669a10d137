package dev.restis.app.stock;

import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.LedgerRow.Cause;
import dev.restis.core.measure.Fault;
import dev.restis.core.stock.Balance;
import dev.restis.core.stock.Movement;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.math.BigDecimal;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Takes the parts of pieces from the boxes on the shelves. */
@Component
public class PartPicks {

    private final Articles articles;
    private final Ledger ledger;
    private final EntityManager entities;

    PartPicks(Articles articles, Ledger ledger, EntityManager entities) {
        this.articles = articles;
        this.ledger = ledger;
        this.entities = entities;
    }

    /** Parts that a piece takes from the shelves. */
    public record PartTaken(long piece, long batch, long article, long quantity) {}

    /**
     * Boxes from which the parts of pieces are taken, oldest lot first; held by the transaction. Of a consumable what the books
     * have is taken: how much is used is a guess, and nobody waits for a drop of glue because of it.
     */
    public final class Picking {
        private final Map<Long, Deque<Long>> boxes = new HashMap<>();
        private final Map<Long, Balance> balances = new HashMap<>();
        private final Set<Long> consumables = new HashSet<>();

        private Picking() {}

        /** Whether all parts of a piece are there. */
        public boolean enough(Collection<PartTaken> parts) {
            return parts.stream().allMatch(p -> consumables.contains(p.article()) || held(p.article()) >= p.quantity());
        }

        private long held(long article) {
            return boxes.getOrDefault(article, new ArrayDeque<>()).stream()
                    .mapToLong(
                            box -> balances.getOrDefault(box, Balance.NOTHING).quantity())
                    .sum();
        }

        /**
         * Takes the parts of a piece.
         *
         * @throws Rejected when there are not enough
         */
        public void take(Collection<PartTaken> parts) {
            parts.forEach(this::take);
        }

        private void take(PartTaken part) {
            Deque<Long> from = boxes.getOrDefault(part.article(), new ArrayDeque<>());
            long missing = part.quantity();
            while (missing > 0 && !from.isEmpty()) {
                long box = from.element();
                Balance balance = balances.getOrDefault(box, Balance.NOTHING);
                long taken = Math.min(missing, balance.quantity());
                if (taken > 0) {
                    BigDecimal cost = balance.costOf(taken);
                    Cause cause = new Cause("", part.batch(), part.piece(), null, null, null);
                    ledger.note(Movement.PICK, box, -taken, cost.negate(), cause);
                    balance = balance.without(taken);
                    balances.put(box, balance);
                    missing -= taken;
                }
                if (balance.quantity() == 0) {
                    from.remove();
                }
            }
            if (missing > 0 && !consumables.contains(part.article())) {
                throw new Rejected(Fault.of(
                        "hardware",
                        "hardware.short",
                        articles.byId(part.article()).code(),
                        missing));
            }
        }
    }

    /**
     * Holds the boxes that these parts would be taken from, as many as it takes and no more, together with other holdings that
     * the same transaction moves.
     */
    @Transactional
    public Picking hold(Collection<Long> holdings, Collection<PartTaken> parts) {
        Map<Long, Long> wanted = new TreeMap<>();
        parts.forEach(p -> wanted.merge(p.article(), p.quantity(), Long::sum));
        Set<Long> all = new TreeSet<>(holdings);
        all.addAll(boxesFor(wanted).values().stream().flatMap(List::stream).toList());
        ledger.hold(all);
        Picking picking = new Picking();
        // What others took between looking and holding makes more boxes necessary, and those are not held.
        boxesFor(wanted).forEach((article, boxes) -> {
            if (!all.containsAll(boxes)) {
                throw new LockOrder.Overtaken();
            }
            picking.boxes.put(article, new ArrayDeque<>(boxes));
            boxes.forEach(box -> picking.balances.put(box, ledger.balance(box)));
        });
        articles.some(wanted.keySet()).stream()
                .filter(a -> a.kind() == Article.ArticleKind.CONSUMABLE)
                .forEach(a -> picking.consumables.add(a.id()));
        return picking;
    }

    /**
     * Puts parts of a piece back in the boxes that they came from, with what they cost.
     *
     * @throws Rejected when the piece has not so many
     */
    @Transactional
    public void putBack(long piece, long article, long count) {
        record Row(long holding, @Nullable Long batch, long quantity, BigDecimal value) {}
        List<Row> rows = entities.createQuery("""
                        select g.holdingId, g.batchId, -sum(g.quantity), -sum(g.value)
                        from LedgerRow g join HoldingRow h on h.id = g.holdingId join LotRow l on l.id = h.lotId
                        where g.pieceId = :piece and g.movement = PICK and l.articleId = :article
                        group by g.holdingId, g.batchId having sum(g.quantity) < 0 order by max(g.id) desc
                        """, Row.class)
                .setParameter("piece", piece)
                .setParameter("article", article)
                .getResultList();
        ledger.hold(rows.stream().map(Row::holding).toList());
        long missing = count;
        for (Row row : rows) {
            long back = Math.min(missing, row.quantity());
            if (back > 0) {
                BigDecimal value = new Balance(row.quantity(), row.value()).costOf(back);
                ledger.post(
                        Movement.PICK, row.holding(), back, value, new Cause("", row.batch(), piece, null, null, null));
                missing -= back;
            }
        }
        if (missing > 0) {
            throw new Rejected(Fault.of("parts", "count.range", count, 0, count - missing));
        }
    }

    /** The boxes that reach for so much of each article, oldest lot first. */
    private Map<Long, List<Long>> boxesFor(Map<Long, Long> wanted) {
        Map<Long, List<Long>> boxes = new TreeMap<>();
        if (!wanted.isEmpty()) {
            entities.createQuery("""
                            select l.articleId, h.id,
                                   sum(h.quantity) over (partition by l.articleId order by l.receivedOn, h.id) - h.quantity
                            from HoldingRow h join LotRow l on l.id = h.lotId
                            where l.articleId in :articles and h.quantity > 0 order by l.articleId, l.receivedOn, h.id
                            """, Tuple.class).setParameter("articles", wanted.keySet()).getResultList().stream()
                    .filter(row ->
                            row.get(2, Number.class).longValue() < wanted.getOrDefault(row.get(0, Long.class), 0L))
                    .forEach(row -> boxes.computeIfAbsent(row.get(0, Long.class), a -> new ArrayList<>())
                            .add(row.get(1, Long.class)));
        }
        return boxes;
    }
}
