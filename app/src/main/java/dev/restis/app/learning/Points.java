package dev.restis.app.learning;

import dev.restis.app.learning.ObservationRow.Outcome;
import dev.restis.app.learning.ObservationRow.Standing;
import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.learning.Observation.Kind;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The measurements behind what is believed; what is strange among them is confirmed or dropped, and taken back. */
@Service
class Points {

    private static final int PAGE = 50;
    private static final int MOST_DRAWN = 300;

    /**
     * A measurement.
     *
     * @param value millimetres or seconds, by its subject
     * @param expected likewise, before it was seen; the median
     * @param low as low as one in forty would have been
     * @param high likewise
     */
    record PointView(
            long id,
            Subject subject,
            Source source,
            LocalDate day,
            @Nullable Long order,
            @Nullable String reference,
            String maker,
            double value,
            @Nullable Double expected,
            @Nullable Double low,
            @Nullable Double high,
            Kind bound,
            @Nullable Outcome outcome,
            Standing standing,
            boolean confirmed,
            List<String> features) {}

    /**
     * A moment in what was believed of a feature.
     *
     * @param factor over geometry that was believed then
     * @param seen the factor that the measurement alone would have given it
     */
    record MomentView(
            long number, LocalDate day, double factor, double low, double high, double seen, Outcome outcome) {}

    private final EntityManager entities;
    private final Observations observations;

    Points(EntityManager entities, Observations observations) {
        this.entities = entities;
        this.observations = observations;
    }

    /** @param feature what they are of; empty for all that is doubted */
    @Transactional(readOnly = true)
    public Keyset<PointView> of(@Nullable Subject subject, String feature, @Nullable String after) {
        long before = Keyset.read(after, "\\d{1,18}")
                .map(place -> Long.parseLong(place.get(0)))
                .orElse(Long.MAX_VALUE);
        String which = feature.isEmpty()
                ? "o.outcome = Outcome.DOUBTED and o.standing = Standing.STANDS"
                : "o.subject = :subject and array_contains(o.features, :feature)";
        var query = entities.createQuery("""
                        select o from ObservationRow o
                        where o.number < :before and (:all = true or o.maker = :me) and %s order by o.number desc
                        """.formatted(which), ObservationRow.class)
                .setParameter("before", before)
                .setParameter("all", Workshop.mayForOthers())
                .setParameter("me", Workshop.whoever())
                .setMaxResults(PAGE + 1);
        if (!feature.isEmpty()) {
            query.setParameter("subject", subject).setParameter("feature", feature);
        }
        Keyset<ObservationRow> page = Keyset.of(query.getResultList(), PAGE, o -> List.of(o.number()));
        Map<Long, Tuple> orders = orders(page.rows());
        return new Keyset<>(page.rows().stream().map(o -> view(o, orders)).toList(), page.next());
    }

    private Map<Long, Tuple> orders(List<ObservationRow> rows) {
        List<Long> pieces = rows.stream()
                .map(ObservationRow::piece)
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        Map<Long, Tuple> orders = new HashMap<>();
        if (!pieces.isEmpty()) {
            entities.createQuery(
                            "select p.id, p.line.order.id, p.line.order.reference from Piece p where p.id in :pieces",
                            Tuple.class)
                    .setParameter("pieces", pieces)
                    .getResultList()
                    .forEach(t -> orders.put(t.get(0, Long.class), t));
        }
        return orders;
    }

    private static PointView view(ObservationRow o, Map<Long, Tuple> orders) {
        Tuple order = o.piece() == null ? null : orders.get(o.piece());
        Double expected = o.expected();
        Double spread = o.spread();
        return new PointView(
                o.id(),
                o.subject(),
                o.source(),
                o.day(),
                order == null ? null : order.get(1, Long.class),
                order == null ? null : order.get(2, String.class),
                o.maker(),
                o.value(),
                expected,
                at(expected, spread, -2),
                at(expected, spread, 2),
                o.bound(),
                o.outcome(),
                o.standing(),
                o.confirmed(),
                o.features());
    }

    private static @Nullable Double at(@Nullable Double expected, @Nullable Double spread, double spreads) {
        return expected == null || spread == null ? null : expected * StrictMath.exp(spreads * spread);
    }

    /** How what is believed of a feature went, at so many moments that they can be drawn. */
    @Transactional(readOnly = true)
    public List<MomentView> history(Subject subject, String feature) {
        return entities
                .createNativeQuery("""
                        with seen as (
                            select number, day, value, expected, outcome, means[array_position(features, :feature)] as mean,
                                   spreads[array_position(features, :feature)] as spread,
                                   row_number() over (order by number desc) - 1 as back, count(*) over () as whole
                            from observation
                            where subject = :subject and features @> array[:feature] and number is not null
                              and standing = 'STANDS' and (:all or maker = :me)
                        )
                        select number, day, mean, spread, value / expected as off, outcome from seen
                        where mod(back, (whole - 1) / :most + 1) = 0 order by number
                        """, Tuple.class)
                .setParameter("feature", feature)
                .setParameter("subject", subject.name())
                .setParameter("all", Workshop.mayForOthers())
                .setParameter("me", Workshop.whoever())
                .setParameter("most", MOST_DRAWN)
                .getResultList()
                .stream()
                .map(row -> moment((Tuple) row))
                .toList();
    }

    private static MomentView moment(Tuple row) {
        double mean = row.get("mean", Double.class);
        double spread = row.get("spread", Double.class);
        return new MomentView(
                row.get("number", Number.class).longValue(),
                row.get("day", LocalDate.class),
                StrictMath.exp(mean),
                StrictMath.exp(mean - 2 * spread),
                StrictMath.exp(mean + 2 * spread),
                StrictMath.exp(mean) * row.get("off", Double.class),
                Outcome.valueOf(row.get("outcome", String.class)));
    }

    /** It is right, however strange it is. */
    @Transactional
    public void confirm(long id) {
        mine(id).confirm();
        observations.ask();
    }

    /** It is not believed. */
    @Transactional
    public void drop(long id) {
        mine(id).stands(Standing.DROPPED);
        observations.ask();
    }

    /** It is believed as it was, whatever was said of it since. */
    @Transactional
    public void back(long id) {
        mine(id).asBefore();
        observations.ask();
    }

    private ObservationRow mine(long id) {
        ObservationRow row =
                entities.find(ObservationRow.class, id, jakarta.persistence.LockModeType.PESSIMISTIC_WRITE);
        if (row == null || row.standing() == Standing.TAKEN_BACK) {
            throw new NotFound("notFound");
        }
        Workshop.mayTakeBack(row.maker());
        return row;
    }
}
