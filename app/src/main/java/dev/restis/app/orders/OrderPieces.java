package dev.restis.app.orders;

import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** The pieces of orders, for those who plan and cut them. */
@Service
public class OrderPieces {

    /** A piece taken into a batch. */
    public record Taken(long piece, long line, PieceSpec spec) {}

    private final PieceStore store;
    private final JdbcClient jdbc;
    private final OrderLocks locks;
    private final Pieces pieces;

    OrderPieces(PieceStore store, JdbcClient jdbc, OrderLocks locks, Pieces pieces) {
        this.locks = locks;
        this.pieces = pieces;
        this.store = store;
        this.jdbc = jdbc;
    }

    /**
     * Locks the orders of these pieces, which comes before any other lock, see docs/locks.md. Whoever holds an order may move
     * its pieces.
     *
     * @throws LockOrder.Overtaken when pieces went to other orders meanwhile
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void hold(Collection<Long> ids) {
        hold("p.id", ids);
    }

    /** Locks the orders of all pieces in these batches. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void holdBatches(Collection<Long> batches) {
        hold("p.batch_id", batches);
    }

    /** Locks the orders of a batch that is given up, and those that hang together with them. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void holdTogether(long batch) {
        locks.holdTogether(ordersOf("p.batch_id", List.of(batch)));
        holdBatches(List.of(batch));
    }

    private void hold(String by, Collection<Long> ids) {
        List<Long> orders = ordersOf(by, ids);
        if (orders.stream().allMatch(order -> LockOrder.holds(LockOrder.Rank.ORDER, order))) {
            // Nobody else can have moved them meanwhile.
            return;
        }
        locks.hold(orders);
        if (!Set.copyOf(orders).equals(Set.copyOf(ordersOf(by, ids)))) {
            throw new LockOrder.Overtaken();
        }
    }

    private List<Long> ordersOf(String by, Collection<Long> ids) {
        return jdbc.sql("""
                        select distinct l.order_id from piece p join order_line l on l.id = p.line_id where %s = any (?)
                        """.formatted(by))
                .param(ids.toArray(Long[]::new))
                .query(Long.class)
                .list();
    }

    /**
     * Puts open pieces in a batch.
     *
     * @param wanted how many of each line
     */
    @Transactional
    public List<Taken> take(Map<Long, Integer> wanted, long batch) {
        hold("l.id", wanted.keySet());
        List<Taken> taken = new ArrayList<>();
        Map<Long, List<Piece>> open = store.open(wanted.keySet()).stream()
                .collect(Collectors.groupingBy(p -> p.line().id(), TreeMap::new, Collectors.toList()));
        for (Map.Entry<Long, Integer> pick : new TreeMap<>(wanted).entrySet()) {
            List<Piece> ofLine = open.getOrDefault(pick.getKey(), List.of());
            int count = pick.getValue();
            if (count < 1 || count > ofLine.size()) {
                throw new Rejected(Fault.of("picks", "picks.count", count, ofLine.size()));
            }
            for (Piece piece : ofLine.subList(0, count)) {
                taken.add(new Taken(piece.id(), pick.getKey(), piece.line().spec()));
            }
        }
        pieces.plan(taken.stream().map(Taken::piece).toList(), batch);
        return taken;
    }

    /**
     * Puts these open pieces in a batch.
     *
     * @throws Rejected when one of them is open no more
     */
    @Transactional
    public List<Taken> takeThese(Collection<Long> ids, long batch) {
        hold(ids);
        List<Taken> taken = store.withLines(ids).stream()
                .filter(Piece::open)
                .sorted(Comparator.comparing(Piece::id))
                .map(piece ->
                        new Taken(piece.id(), piece.line().id(), piece.line().spec()))
                .toList();
        if (taken.size() < Set.copyOf(ids).size()) {
            throw new Rejected(Fault.of("picks", "picks.count", Set.copyOf(ids).size(), taken.size()));
        }
        pieces.plan(taken.stream().map(Taken::piece).toList(), batch);
        return taken;
    }

    /** The choices behind a line. */
    @Transactional(readOnly = true)
    public PieceSpec specOf(long line) {
        return specsOf(List.of(line)).values().stream().findFirst().orElseThrow(() -> new NotFound("notFound"));
    }

    @Transactional(readOnly = true)
    public Map<Long, PieceSpec> specsOf(Collection<Long> lines) {
        if (lines.isEmpty()) {
            return Map.of();
        }
        return store.linesById(lines).stream().collect(Collectors.toMap(OrderLine::id, OrderLine::spec));
    }

    /** The choices behind pieces. */
    @Transactional(readOnly = true)
    public Map<Long, PieceSpec> specsOfPieces(Collection<Long> pieces) {
        return store.withLines(pieces).stream()
                .collect(Collectors.toMap(Piece::id, p -> p.line().spec()));
    }

    /** How many pieces of each line of these orders no batch has taken. */
    @Transactional(readOnly = true)
    public Map<Long, Integer> openOf(Collection<Long> orders) {
        Map<Long, Integer> open = new TreeMap<>();
        jdbc.sql("""
                        select l.id, count(*) from piece p join order_line l on l.id = p.line_id
                            join customer_order o on o.id = l.order_id
                        where o.id = any (?) and p.stage = 'OPEN' and o.stage = 'ACCEPTED' group by l.id
                        """).param(orders.toArray(Long[]::new)).query(row -> {
            open.put(row.getLong(1), row.getInt(2));
        });
        return open;
    }
}
