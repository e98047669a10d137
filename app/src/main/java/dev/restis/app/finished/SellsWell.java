package dev.restis.app.finished;

import dev.restis.app.orders.OrderPieces;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What left the house often lately, and so is worth having on the shelf. */
@Service
class SellsWell {

    /** So far back it looks. */
    private static final int DAYS = 90;
    /** Of fewer nobody can say that they sell. */
    private static final int LEAST = 2;
    /** Lines that are looked at, those that sold most first. */
    private static final int MOST_LINES = 300;

    private static final int MOST = 8;

    /**
     * A piece that sells.
     *
     * @param line one that it was of
     * @param sold how many left in those days and did not come back
     * @param lying how many like it lie on the shelf
     * @param coming how many like it are being made for the shelf
     */
    record SellsWellRow(
            long line,
            String patternName,
            @Nullable String sizeName,
            @Nullable Long wristUm,
            @Nullable Long lengthUm,
            List<String> colours,
            long sold,
            long lying,
            long coming) {}

    private record Counted(PieceSpec spec, long line, long sold, long lying, long coming) {
        Counted plus(Counted other) {
            return new Counted(
                    spec, Math.max(line, other.line), sold + other.sold, lying + other.lying, coming + other.coming);
        }
    }

    private final EntityManager entities;
    private final OrderPieces orders;
    private final PieceDesk desk;
    private final Clock clock;

    SellsWell(EntityManager entities, OrderPieces orders, PieceDesk desk, Clock clock) {
        this.entities = entities;
        this.orders = orders;
        this.desk = desk;
        this.clock = clock;
    }

    /** What sold at least twice, the most wanted first: sold, less what lies there or comes. */
    @Transactional(readOnly = true)
    public List<SellsWellRow> rows() {
        List<?> found = entities.createNativeQuery("""
                        select line_id, count(*) filter (where sold) as sold, count(*) filter (where there) as lying,
                               count(*) filter (where coming) as coming
                        from (select p.line_id, p.stage = 'SENT' as sold, p.stage >= 'MADE' and p.stage < 'SENT' as there,
                                     p.stage < 'MADE' as coming
                              from piece p
                              where p.id in (select e.piece_id from piece_event e where e.act = 'SEND' and e.at >= :from
                                             union select s.id from piece s where s.shelved
                                             union select q.id from piece q join order_line l on l.id = q.line_id
                                                       join customer_order o on o.id = l.order_id where o.for_shelf)) x
                        where sold or there or coming
                        group by line_id order by sold desc, line_id desc limit :most
                        """, Tuple.class)
                .setParameter(
                        "from",
                        LocalDate.now(clock)
                                .minusDays(DAYS)
                                .atStartOfDay(clock.getZone())
                                .toInstant())
                .setParameter("most", MOST_LINES)
                .getResultList();
        List<Tuple> rows = found.stream().map(row -> (Tuple) row).toList();
        Map<Long, PieceSpec> specs =
                orders.specsOf(rows.stream().map(t -> number(t, "line_id")).toList());
        List<Counted> alike = new ArrayList<>();
        for (Tuple row : rows) {
            PieceSpec spec = Objects.requireNonNull(specs.get(number(row, "line_id")));
            Counted one = new Counted(
                    spec, number(row, "line_id"), number(row, "sold"), number(row, "lying"), number(row, "coming"));
            Optional<Counted> same =
                    alike.stream().filter(c -> c.spec().sameAs(spec)).findFirst();
            same.ifPresent(alike::remove);
            alike.add(same.map(s -> s.plus(one)).orElse(one));
        }
        PieceDesk.Sitting sitting = desk.sit();
        return alike.stream()
                .filter(c -> c.sold() >= LEAST)
                .sorted(Comparator.comparing((Counted c) -> c.lying() + c.coming() - c.sold())
                        .thenComparing(Counted::line))
                .limit(MOST)
                .map(c -> row(c, sitting))
                .toList();
    }

    private static SellsWellRow row(Counted counted, PieceDesk.Sitting sitting) {
        PieceSpec spec = counted.spec();
        return new SellsWellRow(
                counted.line(),
                sitting.patternName(spec.pattern()),
                spec.sizeName(),
                spec.wristUm(),
                spec.lengthUm(),
                sitting.cordNames(spec),
                counted.sold(),
                counted.lying(),
                counted.coming());
    }

    private static long number(Tuple t, String name) {
        return t.get(name, Number.class).longValue();
    }
}
