package dev.restis.app.orders;

import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Pieces on their way through the workshop. */
@Service
public class Pieces {

    /** A piece taken into a batch. */
    public record Taken(long piece, long line, PieceSpec spec) {}

    private final PieceStore store;
    private final JdbcClient jdbc;
    private final Clock clock;
    private final OrderLocks locks;
    private final Standing standing;
    private final History history;

    Pieces(PieceStore store, JdbcClient jdbc, Clock clock, OrderLocks locks, Standing standing, History history) {
        this.locks = locks;
        this.standing = standing;
        this.history = history;
        this.store = store;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * Locks the orders of these pieces, which comes before any other lock, see docs/locks.md. Whoever holds an order may move
     * its pieces.
     *
     * @throws LockOrder.Overtaken when pieces went to other orders meanwhile
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void hold(Collection<Long> pieces) {
        hold("p.id", pieces);
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
            List<Piece> pieces = open.getOrDefault(pick.getKey(), List.of());
            int count = pick.getValue();
            if (count < 1 || count > pieces.size()) {
                throw new Rejected(Fault.of("picks", "picks.count", count, pieces.size()));
            }
            for (Piece piece : pieces.subList(0, count)) {
                piece.putIn(batch);
                taken.add(new Taken(piece.id(), pick.getKey(), piece.line().spec()));
            }
        }
        moved(
                History.What.PLANNED,
                open.values().stream()
                        .flatMap(List::stream)
                        .filter(p -> !p.open())
                        .toList());
        return taken;
    }

    /** Notes in each order's history what became of its pieces, and where it stands by it. */
    private void moved(History.What what, Collection<Piece> pieces) {
        Map<Long, Long> byOrder = pieces.stream()
                .collect(Collectors.groupingBy(p -> p.line().order().id(), TreeMap::new, Collectors.counting()));
        byOrder.forEach((order, count) -> history.note(order, what, Map.of("pieces", count)));
        standing.refresh(byOrder.keySet());
    }

    /** Opens the pieces of a batch again that are not cut; returns them. */
    @Transactional
    public List<Long> release(long batch, Collection<Long> only) {
        holdBatches(List.of(batch));
        List<Piece> released = store.inBatch(batch).stream()
                .filter(p -> !p.cut() && only.contains(p.id()))
                .toList();
        released.forEach(Piece::release);
        moved(History.What.RELEASED, released);
        return released.stream().map(Piece::id).toList();
    }

    /** The pieces of a batch that are not cut yet. */
    @Transactional(readOnly = true)
    public List<Long> uncut(long batch) {
        return jdbc.sql("select id from piece where batch_id = ? and cut_at is null order by id")
                .param(batch)
                .query(Long.class)
                .list();
    }

    @Transactional
    public void markCut(Set<Long> pieces) {
        List<Piece> cut = store.findAllById(pieces);
        cut.forEach(p -> p.cutAt(clock.instant()));
        moved(History.What.CUT, cut);
    }

    /**
     * A cut of a piece was taken back: it is not cut after all.
     *
     * @throws Conflict when it is made already
     */
    @Transactional
    public void unmarkCut(long id) {
        Piece piece = store.findById(id).orElseThrow(() -> new NotFound("notFound"));
        if (piece.made()) {
            throw new Conflict("cut.made");
        }
        piece.cutAt(null);
        moved(History.What.UNCUT, List.of(piece));
    }

    /** Something of these pieces was cut or taken back: what their orders are promised changes. */
    @Transactional
    public void cutting(Set<Long> pieces) {
        standing.refresh(store.findAllById(pieces).stream()
                .map(p -> p.line().order().id())
                .collect(Collectors.toSet()));
    }

    /** Those of the pieces that are cut. */
    @Transactional(readOnly = true)
    public Set<Long> cutOf(Collection<Long> pieces) {
        return store.findAllById(pieces).stream()
                .filter(Piece::cut)
                .map(Piece::id)
                .collect(Collectors.toSet());
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

    /** How many pieces of each line of these orders no batch has taken. */
    @Transactional(readOnly = true)
    public Map<Long, Integer> openOf(Collection<Long> orders) {
        Map<Long, Integer> open = new TreeMap<>();
        jdbc.sql("""
                        select l.id, count(*) from piece p join order_line l on l.id = p.line_id
                            join customer_order o on o.id = l.order_id
                        where o.id = any (?) and p.batch_id is null and o.stage = 'ACCEPTED' group by l.id
                        """).param(orders.toArray(Long[]::new)).query(row -> {
            open.put(row.getLong(1), row.getInt(2));
        });
        return open;
    }
}
