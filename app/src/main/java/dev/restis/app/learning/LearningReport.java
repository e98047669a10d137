package dev.restis.app.learning;

import dev.restis.app.platform.CsvText;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.learning.Interval;
import dev.restis.core.piece.Ways;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Whether what was learned is worth anything: cord saved, pieces short, minutes met, and ranges that hold what they say. */
@Service
class LearningReport {

    /**
     * Cord.
     *
     * @param strands that were measured
     * @param savedUm how much shorter they were cut than by geometry alone; below 0 for longer
     * @param saved what that cord costs, by what the strands of the same pieces cost
     */
    record SavedView(long strands, long savedUm, BigDecimal saved) {}

    /**
     * Pieces that ran short.
     *
     * @param pieces that were measured
     * @param ranShort those of which any strand was too short
     * @param low of a hundred, as few as one in forty such samples would come from
     * @param high likewise, as many
     * @param promised of a hundred, as they were planned
     * @param planned how many of the pieces that is known of
     */
    record ShortView(long pieces, long ranShort, double low, double high, double promised, long planned) {}

    /**
     * Minutes of a kind of work.
     *
     * @param times it was timed
     * @param expectedS what it should have taken each time, by what was known then
     */
    record MinutesRow(String work, long times, long expectedS, long actualS) {}

    /**
     * How many measurements lay within the range that was stated beforehand.
     *
     * @param stated of a hundred
     */
    record CalibrationRow(Subject subject, int stated, long measured, long within) {}

    record LearningReportView(
            SavedView saved, ShortView ranShort, List<MinutesRow> minutes, List<CalibrationRow> calibration) {}

    private final EntityManager entities;

    LearningReport(EntityManager entities) {
        this.entities = entities;
    }

    @Transactional(readOnly = true)
    public LearningReportView view() {
        return new LearningReportView(saved(), ranShort(), minutes(), calibration());
    }

    private Tuple one(String sql) {
        return all(sql).get(0);
    }

    @SuppressWarnings("unchecked")
    private List<Tuple> all(String sql) {
        return entities.createNativeQuery(sql, Tuple.class)
                .setParameter("all", Workshop.mayForOthers())
                .setParameter("me", Workshop.whoever())
                .getResultList();
    }

    private static long number(Tuple row, String name) {
        Number number = row.get(name, Number.class);
        return number == null ? 0 : number.longValue();
    }

    private SavedView saved() {
        Tuple row = one("""
                select coalesce(sum(cardinality(o.sources)), 0) as strands, coalesce(sum(o.geometry_um - o.cut_um), 0) as saved_um,
                       round(coalesce(sum((o.geometry_um - o.cut_um) * c.each), 0), 4) as saved
                from observation o
                     left join lateral (
                         select sum(l.value) / sum(l.quantity) as each from ledger l
                         where l.piece_id = o.piece_id and l.strand_id is not null and l.quantity < 0
                     ) c on true
                where o.source = 'STRAND' and o.standing = 'STANDS' and o.geometry_um > 0 and (:all or o.maker = :me)
                """);
        return new SavedView(number(row, "strands"), number(row, "saved_um"), row.get("saved", BigDecimal.class));
    }

    private ShortView ranShort() {
        Tuple row = one("""
                select count(*) as pieces, count(*) filter (where short) as ran_short, avg(risk) as promised, count(risk) as planned
                from (
                    select o.piece_id, bool_or(o.short) as short, min(e.risk) as risk
                    from observation o left join piece_estimate e on e.piece_id = o.piece_id
                    where o.source = 'STRAND' and o.standing = 'STANDS' and (:all or o.maker = :me) group by o.piece_id) p
                """);
        long pieces = number(row, "pieces");
        long ranShort = number(row, "ran_short");
        Interval range = Interval.ofShare(ranShort, pieces);
        Number promised = row.get("promised", Number.class);
        return new ShortView(
                pieces,
                ranShort,
                100 * range.low(),
                100 * range.high(),
                promised == null ? 0 : 100 * promised.doubleValue(),
                number(row, "planned"));
    }

    private List<MinutesRow> minutes() {
        return all("""
                select features[array_position(features, 'pace') + 1] as work, count(*) as times, sum(expected) as expected,
                       sum(value) as actual
                from observation
                where subject = 'TIME' and standing = 'STANDS' and outcome in ('LEARNED', 'CHANGE') and bound = 'EXACT'
                    and (:all or maker = :me)
                group by 1 order by 1
                """).stream()
                .map(row -> new MinutesRow(
                        Ways.named(row.get("work", String.class)).what(),
                        number(row, "times"),
                        number(row, "expected"),
                        number(row, "actual")))
                .toList();
    }

    /** How many of its spreads a normal stays within so often. */
    private enum Stated {
        HALF(50, 0.674489750196082),
        MOST(80, 1.281551565544600),
        NEARLY_ALL(95, 1.959963984540054);

        private final int percent;
        private final double spreads;

        Stated(int percent, double spreads) {
            this.percent = percent;
            this.spreads = spreads;
        }
    }

    private List<CalibrationRow> calibration() {
        List<CalibrationRow> rows = new ArrayList<>();
        StringBuilder counts = new StringBuilder();
        for (Stated stated : Stated.values()) {
            counts.append(", count(*) filter (where abs(surprise) <= %s) as %s".formatted(stated.spreads, stated));
        }
        for (Tuple row : all("""
                select subject, count(*) as measured%s from observation
                where standing = 'STANDS' and outcome in ('LEARNED', 'CHANGE') and bound = 'EXACT' and source <> 'SWATCH'
                    and (:all or maker = :me)
                group by subject order by subject
                """.formatted(counts))) {
            for (Stated stated : Stated.values()) {
                rows.add(new CalibrationRow(
                        Subject.valueOf(row.get("subject", String.class)),
                        stated.percent,
                        number(row, "measured"),
                        number(row, stated.name())));
            }
        }
        return rows;
    }

    /** Every figure of the report as a row. */
    @Transactional(readOnly = true)
    public String csv() {
        LearningReportView view = view();
        List<List<Object>> rows = new ArrayList<>();
        rows.add(List.of("cord", "saved_m", view.saved().strands(), view.saved().savedUm() / 1e6));
        rows.add(List.of(
                "cord", "saved_money", view.saved().strands(), view.saved().saved()));
        rows.add(List.of(
                "short",
                "of_100",
                view.ranShort().pieces(),
                share(view.ranShort().ranShort(), view.ranShort().pieces())));
        rows.add(List.of(
                "short", "of_100_low", view.ranShort().pieces(), view.ranShort().low()));
        rows.add(List.of(
                "short",
                "of_100_high",
                view.ranShort().pieces(),
                view.ranShort().high()));
        rows.add(List.of(
                "short",
                "of_100_promised",
                view.ranShort().planned(),
                view.ranShort().promised()));
        for (MinutesRow row : view.minutes()) {
            rows.add(List.of("minutes_expected", row.work(), row.times(), row.expectedS() / 60.0));
            rows.add(List.of("minutes_actual", row.work(), row.times(), row.actualS() / 60.0));
        }
        for (CalibrationRow row : view.calibration()) {
            rows.add(List.of(
                    "within_" + row.stated(),
                    row.subject().name(),
                    row.measured(),
                    share(row.within(), row.measured())));
        }
        return CsvText.of(List.of("report", "what", "measured", "value"), rows);
    }

    private static double share(long some, long all) {
        return all == 0 ? 0 : 100.0 * some / all;
    }
}
