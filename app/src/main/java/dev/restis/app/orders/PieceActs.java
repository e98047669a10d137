package dev.restis.app.orders;

import dev.restis.app.pieces.PieceLook;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.work.PieceAct;
import jakarta.persistence.EntityManager;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people say they did with single pieces of orders. */
@Service
public class PieceActs {

    /**
     * A piece and where in its order it stands.
     *
     * @param replaces number of the piece of its line that was given up, in whose place it is
     */
    public record OrderPiece(int line, int number, @Nullable Integer replaces, PieceLook piece) {}

    private static final int PAGE = 50;
    private static final int MOST = 2000;
    private static final int LONGEST_REASON = 400;
    private static final String NUMBER = "\\d{1,9}";

    private final EntityManager entities;
    private final OrderPieces orders;
    private final Pieces pieces;

    PieceActs(EntityManager entities, OrderPieces orders, Pieces pieces) {
        this.entities = entities;
        this.orders = orders;
        this.pieces = pieces;
    }

    /** The pieces of an order by line and number. */
    @Transactional(readOnly = true)
    public Keyset<OrderPiece> of(long order, @Nullable String after) {
        exists(order);
        List<String> place = Keyset.read(after, NUMBER, NUMBER).orElse(List.of("-1", "-1"));
        List<Piece> found = entities.createQuery("""
                        select p from Piece p where p.line.order.id = :order
                            and (p.line.number > :line or p.line.number = :line and p.number > :number)
                        order by p.line.number, p.number
                        """, Piece.class)
                .setParameter("order", order)
                .setParameter("line", Integer.parseInt(place.get(0)))
                .setParameter("number", Integer.parseInt(place.get(1)))
                .setMaxResults(PAGE + 1)
                .getResultList();
        Keyset<Piece> page = Keyset.of(found, PAGE, p -> List.of(p.line().number(), p.number()));
        return new Keyset<>(looked(page.rows()), page.next());
    }

    /**
     * Which pieces of an order an act would take: those that are furthest, then those of the lowest numbers.
     *
     * @param count how many; 0 for all that can be
     * @param line of one line alone; 0 for any
     */
    @Transactional(readOnly = true)
    public List<OrderPiece> next(long order, PieceAct act, int count, int line) {
        exists(order);
        checkAct(act);
        if (count < 0 || count > MOST) {
            throw new Rejected(Fault.of("count", "count.range", count, 0, MOST));
        }
        List<Piece> all = entities.createQuery("""
                        select p from Piece p where p.line.order.id = :order and (:line = 0 or p.line.number = :line)
                        order by p.line.number, p.number
                        """, Piece.class)
                .setParameter("order", order)
                .setParameter("line", line)
                .getResultList();
        Set<Long> able = new TreeSet<>(pieces.able(act, all));
        return looked(all.stream()
                .filter(p -> able.contains(p.id()))
                .sorted(Comparator.comparing(Piece::stage).reversed())
                .limit(count == 0 ? MOST : count)
                .toList());
    }

    /**
     * Which pieces an act would take of each of these orders, by line and number.
     *
     * @return by order; those of which it would take none are missing
     */
    @Transactional(readOnly = true)
    public Map<Long, List<Long>> nextOf(Collection<Long> orders, PieceAct act) {
        checkAct(act);
        List<Piece> all = entities.createQuery("""
                        select p from Piece p join fetch p.line l where l.order.id in :orders order by l.number, p.number
                        """, Piece.class)
                .setParameter("orders", orders)
                .getResultList();
        Set<Long> able = Set.copyOf(pieces.able(act, all));
        return byOrder(all.stream().filter(p -> able.contains(p.id())));
    }

    /** The orders that these pieces are of. */
    @Transactional(readOnly = true)
    public Map<Long, List<Long>> byOrder(Collection<Long> which) {
        checkNamed(which, "pieces");
        return byOrder(entities.createQuery(
                        "select p from Piece p join fetch p.line where p.id in :pieces order by p.id", Piece.class)
                .setParameter("pieces", which)
                .getResultStream());
    }

    private static Map<Long, List<Long>> byOrder(Stream<Piece> rows) {
        return rows.collect(Collectors.groupingBy(
                p -> p.line().order().id(), TreeMap::new, Collectors.mapping(Piece::id, Collectors.toList())));
    }

    private List<OrderPiece> looked(List<Piece> rows) {
        Map<Long, PieceLook> looks = new HashMap<>();
        pieces.look(rows).forEach(l -> looks.put(l.piece(), l));
        return rows.stream()
                .map(p -> new OrderPiece(
                        p.line().number(),
                        p.number(),
                        p.replaces().map(Piece::number).orElse(null),
                        Objects.requireNonNull(looks.get(p.id()))))
                .toList();
    }

    /**
     * Does it with all of these pieces or with none.
     *
     * @param reason asked for where something went wrong
     */
    @Transactional
    public void act(PieceAct act, Collection<Long> which, @Nullable String reason) {
        checkAct(act);
        checkNamed(which, "pieces");
        String why = Texts.given(reason).orElse("");
        if (why.isEmpty() && act.asksWhy()) {
            throw new Rejected(Fault.of("reason", "missing"));
        }
        if (why.length() > LONGEST_REASON) {
            throw new Rejected(Fault.of("reason", "tooLong", LONGEST_REASON));
        }
        orders.hold(which);
        pieces.act(act, which, why);
    }

    /** Takes these acts back, all of them or none. */
    @Transactional
    public void takeBack(Collection<Long> rows) {
        checkNamed(rows, "events");
        Set<Long> about = pieces.piecesOf(rows);
        if (about.isEmpty()) {
            throw new NotFound("notFound");
        }
        orders.hold(about);
        pieces.takeBack(rows);
    }

    private void exists(long order) {
        if (entities.find(CustomerOrder.class, order) == null) {
            throw new NotFound("notFound");
        }
    }

    private static void checkAct(PieceAct act) {
        if (!Pieces.SAID.contains(act)) {
            throw new Rejected(Fault.of("act", "act.notSaid", act));
        }
    }

    private static void checkNamed(Collection<Long> named, String field) {
        if (named.isEmpty() || named.size() > MOST) {
            throw new Rejected(Fault.of(field, "named.range", named.size(), MOST));
        }
    }
}
