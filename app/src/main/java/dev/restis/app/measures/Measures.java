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
import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Material;
import dev.restis.core.fit.Ease;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.learning.Observation.Kind;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Learned;
import dev.restis.core.piece.Swatch;
import dev.restis.core.stitch.Family;
import dev.restis.core.stitch.OwnStitch;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
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
            Length wrist = length(at + "wrist", row.wrist(), units, mm(80), mm(300), faults);
            Length hand = length(at + "hand", row.hand(), units, mm(90), mm(380), faults);
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
            read.put(ease, length("eases." + ease, eases.get(ease), units, Length.ZERO, mm(60), faults));
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
        Length working = length("working", input.working(), input.units(), mm(0), mm(12), faults);
        Length core = input.cores() == 0 ? working : length("core", input.core(), input.units(), mm(0), mm(12), faults);
        Length body = length("body", input.body(), input.units(), mm(5), mm(2000), faults);
        Length used = length("used", input.used(), input.units(), mm(5), mm(20_000), faults);
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

    /** A stitch of the maker's own as typed; lengths are text in any unit. */
    public record OwnStitchInput(
            String name,
            int strands,
            int cores,
            String material,
            String working,
            int repeats,
            String body,
            String used,
            String thickness,
            String width,
            UnitSystem units) {}

    /** A stitch of the maker's own with its name. */
    public record NamedStitch(String name, OwnStitch stitch) {}

    @Transactional(readOnly = true)
    public List<NamedStitch> ownStitches() {
        return jdbc.sql("""
                        select name, code, strands, cores, use_d, pitch_d, thickness_d, width_d
                        from own_stitch where definition is null order by name
                        """)
                .query((row, n) -> new NamedStitch(
                        row.getString(1),
                        new OwnStitch(
                                row.getString(2),
                                row.getInt(3),
                                row.getInt(4),
                                row.getDouble(5),
                                row.getDouble(6),
                                row.getDouble(7),
                                row.getDouble(8))))
                .list();
    }

    /** The family of each stitch of the house's own, by the code that patterns know it by. */
    @Transactional(readOnly = true)
    public Map<String, Family> families() {
        Map<String, Family> families = new TreeMap<>();
        jdbc.sql("select code, family from own_stitch").query(row -> {
            families.put(OwnStitch.PREFIX + row.getString(1), Family.valueOf(row.getString(2)));
        });
        return families;
    }

    /** A stitch of the house's own, and the family that the plan counts it to. */
    public record OwnFamily(String code, String name, Family family) {}

    @Transactional(readOnly = true)
    public List<OwnFamily> ownFamilies() {
        return jdbc.sql("select code, name, family from own_stitch order by name, code")
                .query((row, n) -> new OwnFamily(row.getString(1), row.getString(2), Family.valueOf(row.getString(3))))
                .list();
    }

    /** Says which family a stitch of the house's own belongs to. */
    @Transactional
    public void family(String code, Family family) {
        int kept = jdbc.sql("update own_stitch set family = ? where code = ?")
                .params(family.name(), code)
                .update();
        if (kept == 0) {
            throw new NotFound("notFound");
        }
    }

    /** Keeps a stitch that is known by its swatch alone; the same name again measures it anew. */
    @Transactional
    public String keepOwnStitch(OwnStitchInput input) {
        List<Fault> faults = new ArrayList<>();
        String name = Texts.required(input.name(), "name", 60, faults);
        String code =
                name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        if (faults.isEmpty() && !code.matches("[a-z0-9][a-z0-9-]{0,39}")) {
            faults.add(Fault.of("name", "pattern.code", code));
        }
        jdbc.sql("select name from own_stitch where code = ? and definition is not null")
                .param(code)
                .query(String.class)
                .optional()
                .ifPresent(other -> faults.add(Fault.of("name", "stitch.taken", code, other)));
        count("strands", input.strands(), 1, OwnStitch.MOST_STRANDS, faults);
        count("cores", input.cores(), 0, OwnStitch.MOST_CORES, faults);
        count("repeats", input.repeats(), Swatch.FEWEST_REPEATS, Swatch.MOST_REPEATS, faults);
        Optional<Material> material = Optional.ofNullable(materials.book().get(input.material()));
        if (material.isEmpty()) {
            faults.add(Fault.of("material", "article.material", input.material()));
        }
        Length working = length("working", input.working(), input.units(), Cord.THINNEST, Cord.THICKEST, faults);
        Length body = length("body", input.body(), input.units(), mm(5), mm(2000), faults);
        Length used = length("used", input.used(), input.units(), mm(5), mm(20_000), faults);
        Length thickness = length("thickness", input.thickness(), input.units(), mm(1), mm(60), faults);
        Length width = length("width", input.width(), input.units(), mm(1), mm(120), faults);
        if (faults.isEmpty()) {
            double d = working.toMillimetres() * material.orElseThrow().tensionFactor();
            OwnStitch own = OwnStitch.measured(
                    code, input.strands(), input.cores(), d, input.repeats(), body, used, thickness, width, faults);
            if (faults.isEmpty()) {
                store(name, own);
            }
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        return code;
    }

    private void store(String name, OwnStitch own) {
        jdbc.sql("""
                        insert into own_stitch (code, name, strands, cores, use_d, pitch_d, thickness_d, width_d, at, who)
                        values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
                        on conflict (code) do update set name = excluded.name, strands = excluded.strands,
                            cores = excluded.cores, use_d = excluded.use_d, pitch_d = excluded.pitch_d,
                            thickness_d = excluded.thickness_d, width_d = excluded.width_d, at = excluded.at,
                            who = excluded.who
                        """)
                .params(
                        own.code(),
                        name,
                        own.strands(),
                        own.cores(),
                        own.use(),
                        own.pitch(),
                        own.thickness(),
                        own.width(),
                        Timestamp.from(clock.instant()),
                        Workshop.whoever())
                .update();
    }

    private static void count(String field, int value, int least, int most, List<Fault> faults) {
        if (value < least || value > most) {
            faults.add(Fault.of(field, "pattern.count", least, most, value));
        }
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

    private static Length mm(long millimetres) {
        return Length.ofMillimetres(millimetres);
    }

    private static Length length(
            String field, @Nullable String text, UnitSystem units, Length least, Length most, List<Fault> faults) {
        Optional<String> given = Texts.given(text);
        if (given.isEmpty()) {
            faults.add(Fault.of(field, "missing"));
            return Length.ZERO;
        }
        Optional<Length> length = LengthReader.read(given.get(), units);
        if (length.isEmpty()) {
            faults.add(Fault.of(field, "length.unread", given.get()));
            return Length.ZERO;
        }
        if (length.get().isLessThan(least) || most.isLessThan(length.get())) {
            faults.add(Fault.of(field, "length.range", length.get(), least, most));
        }
        return length.get();
    }
}
