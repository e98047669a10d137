package dev.restis.app.finished;

import dev.restis.app.orders.OrderFacts;
import dev.restis.app.orders.OrderFacts.LineFacts;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.core.make.Suits;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What lies on the shelf and suits an order that waits: the same pattern, colours and parts, in a size that fits. */
@Service
class ShelfOffers {

    private static final int MOST = 20;
    /** Of one pattern; what has lain longest is looked at first. */
    private static final int MOST_LOOKED_AT = 200;

    /**
     * A piece that suits a line.
     *
     * @param longerUm by how much it is longer than what the line wants; less than 0 when shorter
     * @param same whether it is exactly what the line wants
     */
    record ShelfOffer(long line, int number, long piece, String patternName, long longerUm, boolean same) {}

    private record Lying(long piece, long line) {}

    private final EntityManager entities;
    private final OrderFacts facts;
    private final OrderPieces orders;
    private final PieceDesk desk;

    ShelfOffers(EntityManager entities, OrderFacts facts, OrderPieces orders, PieceDesk desk) {
        this.entities = entities;
        this.facts = facts;
        this.orders = orders;
        this.desk = desk;
    }

    /** For the lines of an order of which some piece is in no batch. */
    @Transactional(readOnly = true)
    public List<ShelfOffer> of(long order) {
        Set<Long> open = orders.openOf(List.of(order)).keySet();
        List<LineFacts> lines = facts.of(order).lines().stream()
                .filter(l -> open.contains(l.id()))
                .toList();
        List<ShelfOffer> offers = new ArrayList<>();
        PieceDesk.Sitting sitting = desk.sit();
        for (LineFacts line : lines) {
            List<Lying> lying = lying(line.spec().pattern());
            Map<Long, PieceSpec> specs =
                    orders.specsOf(lying.stream().map(Lying::line).collect(Collectors.toSet()));
            for (Lying one : lying) {
                Optional.ofNullable(specs.get(one.line()))
                        .flatMap(spec -> offer(line, one, spec, sitting))
                        .filter(o -> offers.stream().noneMatch(other -> other.piece() == o.piece()))
                        .ifPresent(offers::add);
            }
        }
        return offers.stream().limit(MOST).toList();
    }

    private static Optional<ShelfOffer> offer(LineFacts line, Lying one, PieceSpec spec, PieceDesk.Sitting sitting) {
        PieceSpec wanted = line.spec();
        if (!spec.articles().equals(wanted.articles())
                || !Set.copyOf(spec.parts()).equals(Set.copyOf(wanted.parts()))) {
            return Optional.empty();
        }
        return Suits.of(sitting.workOut(spec).piece(), sitting.workOut(wanted).piece())
                .map(suits -> new ShelfOffer(
                        line.id(),
                        line.number(),
                        one.piece(),
                        sitting.patternName(spec.pattern()),
                        suits.longer().micrometres(),
                        spec.sameAs(wanted)));
    }

    private List<Lying> lying(String pattern) {
        List<?> rows = entities.createNativeQuery("""
                        select p.id, p.line_id from piece p join order_line l on l.id = p.line_id
                        where l.pattern = :pattern
                          and p.id in (select piece_id from shelf_entry group by piece_id having sum(pieces) = 1)
                        order by p.id limit :most
                        """, Tuple.class)
                .setParameter("pattern", pattern)
                .setParameter("most", MOST_LOOKED_AT)
                .getResultList();
        return rows.stream()
                .map(row -> (Tuple) row)
                .map(t -> new Lying(
                        t.get(0, Number.class).longValue(),
                        t.get(1, Number.class).longValue()))
                .toList();
    }
}
