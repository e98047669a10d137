package dev.restis.app.measures;

import dev.restis.app.learning.Heard;
import dev.restis.app.learning.LearnedShelf;
import dev.restis.app.learning.Observations;
import dev.restis.app.learning.Source;
import dev.restis.app.learning.Subject;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Setting;
import dev.restis.app.workshop.SettingRevisions;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cord.Material;
import dev.restis.core.fit.Ease;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.learning.Observation.Kind;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Learned;
import dev.restis.core.piece.Swatch;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The house's sizes and swatches. */
@Service
public class Measures {

    private static final int MOST_SIZES = 20;

    /**
     * What the house measures with.
     *
     * @param eases inner circumference beyond the wrist, for each fit
     */
    public record House(SizeTable sizes, Map<Ease, Length> eases, Learned learned) {}

    /** A size as typed; lengths are text in any unit. */
    public record SizeInput(String name, String wrist, String hand) {}

    /** A swatch as typed; lengths are text in any unit. */
    public record SwatchInput(
            String stitch,
            String material,
            String maker,
            String working,
            @Nullable String core,
            int cores,
            int repeats,
            String body,
            String used,
            UnitSystem units) {}

    /** A swatch as kept. */
    record SwatchRow(
            long id,
            String stitch,
            String material,
            String maker,
            long workingUm,
            @Nullable Long coreUm,
            int cores,
            int repeats,
            long bodyUm,
            long usedUm,
            Instant at) {

        Optional<Swatch> swatch(Map<String, Material> materials) {
            return Stitches.byCode(stitch)
                    .flatMap(s -> Optional.ofNullable(materials.get(material))
                            .map(m -> new Swatch(
                                    s,
                                    m,
                                    maker,
                                    new Length(workingUm),
                                    new Length(coreUm == null ? workingUm : coreUm),
                                    cores,
                                    repeats,
                                    new Length(bodyUm),
                                    new Length(usedUm))));
        }
    }

    private final JdbcClient jdbc;
    private final Clock clock;
    private final SettingRevisions revisions;
    private final Materials materials;
    private final Workshop workshop;
    private final LearnedShelf shelf;
    private final Observations observations;

    Measures(
            Materials materials,
            SettingRevisions revisions,
            Workshop workshop,
            LearnedShelf shelf,
            Observations observations,
            JdbcClient jdbc,
            Clock clock) {
        this.shelf = shelf;
        this.observations = observations;
        this.workshop = workshop;
        this.revisions = revisions;
        this.materials = materials;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public House house() {
        return new House(sizes(), eases(), shelf.learned(workshop.onlyMaker()));
    }

    @Transactional(readOnly = true)
    public SizeTable sizes() {
        return new SizeTable(jdbc.sql("select name, wrist_um, hand_um from house_size order by number")
                .query((row, n) ->
                        new SizeTable.Row(row.getString(1), new Length(row.getLong(2)), new Length(row.getLong(3))))
                .list());
    }

    @Transactional(readOnly = true)
    public Map<Ease, Length> eases() {
        Map<Ease, Length> eases = new EnumMap<>(Ease.class);
        jdbc.sql("select ease, um from house_ease")
                .query((row, n) -> eases.put(Ease.valueOf(row.getString(1)), new Length(row.getLong(2))))
                .list();
        return eases;
    }

    /** Replaces the size table; orders keep the wrists they were taken with. */
    @Transactional
    public int keepSizes(List<SizeInput> input, Map<Ease, String> eases, UnitSystem units, int seen) {
        List<Fault> faults = new ArrayList<>();
        if (input.isEmpty() || input.size() > MOST_SIZES) {
            faults.add(Fault.of("sizes", "sizes.range", input.size(), MOST_SIZES));
        }
        List<SizeTable.Row> rows = new ArrayList<>();
        for (int i = 0; i < input.size(); i++) {
            String at = "sizes[" + i + "].";
            SizeInput row = input.get(i);
            String name = Texts.required(row.name(), at + "name", 12, faults);
            Length wrist =
                    TypedLength.read(at + "wrist", row.wrist(), units, TypedLength.mm(80), TypedLength.mm(300), faults);
            Length hand =
                    TypedLength.read(at + "hand", row.hand(), units, TypedLength.mm(90), TypedLength.mm(380), faults);
            if (hand.isPositive() && !wrist.isLessThan(hand)) {
                faults.add(Fault.of(at + "hand", "hand.smaller", hand, wrist));
            }
            if (rows.stream().anyMatch(r -> r.name().equalsIgnoreCase(name))) {
                faults.add(Fault.of(at + "name", "pattern.twice", name));
            }
            if (!rows.isEmpty() && wrist.isLessThan(rows.get(rows.size() - 1).wrist())) {
                faults.add(Fault.of(at + "wrist", "sizes.order"));
            }
            rows.add(new SizeTable.Row(name, wrist, hand));
        }
        Map<Ease, Length> read = new EnumMap<>(Ease.class);
        for (Ease ease : Ease.values()) {
            read.put(
                    ease,
                    TypedLength.read("eases." + ease, eases.get(ease), units, Length.ZERO, TypedLength.mm(60), faults));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        int next = revisions.next(Setting.SIZES, seen);
        jdbc.sql("delete from house_size").update();
        for (int i = 0; i < rows.size(); i++) {
            jdbc.sql("insert into house_size (number, name, wrist_um, hand_um) values (?, ?, ?, ?)")
                    .params(
                            i + 1,
                            rows.get(i).name(),
                            rows.get(i).wrist().micrometres(),
                            rows.get(i).hand().micrometres())
                    .update();
        }
        read.forEach((ease, length) -> jdbc.sql("update house_ease set um = ? where ease = ?")
                .params(length.micrometres(), ease.name())
                .update());
        return next;
    }

    @Transactional(readOnly = true)
    List<SwatchRow> rows() {
        return jdbc.sql("""
                        select id, stitch, material, maker, working_um, core_um, cores, repeats, body_um, used_um, at
                        from swatch where withdrawn_at is null order by id desc
                        """).query(SwatchRow.class).list();
    }

    @Transactional
    public long keepSwatch(SwatchInput input) {
        List<Fault> faults = new ArrayList<>();
        Optional<Stitch> stitch =
                Stitches.byCode(input.stitch()).filter(s -> !s.paths().isEmpty());
        if (stitch.isEmpty()) {
            faults.add(Fault.of("stitch", "swatch.stitch", input.stitch()));
        }
        Optional<Material> material = Optional.ofNullable(materials.book().get(input.material()));
        if (material.isEmpty()) {
            faults.add(Fault.of("material", "article.material", input.material()));
        }
        String maker = Texts.required(input.maker(), "maker", 60, faults);
        Length working = TypedLength.read(
                "working", input.working(), input.units(), TypedLength.mm(0), TypedLength.mm(12), faults);
        Length core = input.cores() == 0
                ? working
                : TypedLength.read("core", input.core(), input.units(), TypedLength.mm(0), TypedLength.mm(12), faults);
        Length body =
                TypedLength.read("body", input.body(), input.units(), TypedLength.mm(5), TypedLength.mm(2000), faults);
        Length used = TypedLength.read(
                "used", input.used(), input.units(), TypedLength.mm(5), TypedLength.mm(20_000), faults);
        if (faults.isEmpty()) {
            faults.addAll(new Swatch(
                            stitch.orElseThrow(),
                            material.orElseThrow(),
                            maker,
                            working,
                            core,
                            input.cores(),
                            input.repeats(),
                            body,
                            used)
                    .faults());
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        long id = jdbc.sql("""
                        insert into swatch (stitch, material, maker, working_um, core_um, cores, repeats, body_um, used_um, at, who)
                        values (?, ?, ?, ?, nullif(?, 0), ?, ?, ?, ?, ?, ?) returning id
                        """)
                .params(
                        input.stitch(),
                        input.material(),
                        maker,
                        working.micrometres(),
                        input.cores() == 0 ? 0 : core.micrometres(),
                        input.cores(),
                        input.repeats(),
                        body.micrometres(),
                        used.micrometres(),
                        Timestamp.from(clock.instant()),
                        Workshop.whoever())
                .query(Long.class)
                .single();
        measured(id, maker, Subject.CORD, used);
        measured(id, maker, Subject.PITCH, body);
        return id;
    }

    private void measured(long swatch, String maker, Subject subject, Length length) {
        observations.heard(new Heard(
                subject,
                Source.SWATCH,
                List.of(swatch),
                null,
                maker,
                LocalDate.now(clock),
                length.toMillimetres(),
                Swatch.READING,
                Kind.EXACT,
                Heard.About.NOTHING,
                0,
                false));
    }

    /** Takes a swatch back, or brings it back. */
    @Transactional
    public void withdraw(long id, boolean withdrawn) {
        int changed = jdbc.sql("update swatch set withdrawn_at = case when ? then now() end where id = ?")
                .params(withdrawn, id)
                .update();
        if (changed == 0) {
            throw new NotFound("notFound");
        }
        if (withdrawn) {
            observations.takenBack(Source.SWATCH, List.of(id));
        } else {
            observations.broughtBack(Source.SWATCH, List.of(id));
        }
    }
}
