package dev.restis.app.measures;

import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Material;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Swatch;
import dev.restis.core.stitch.Family;
import dev.restis.core.stitch.OwnStitch;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Stitches of the house's own: those that are known by a swatch alone, and which family the plan counts each to. */
@Service
public class OwnStitches {

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

    private final Materials materials;
    private final JdbcClient jdbc;
    private final Clock clock;

    OwnStitches(Materials materials, JdbcClient jdbc, Clock clock) {
        this.materials = materials;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<NamedStitch> measured() {
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
    public List<OwnFamily> named() {
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
    public String keep(OwnStitchInput input) {
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
        Length working =
                TypedLength.read("working", input.working(), input.units(), Cord.THINNEST, Cord.THICKEST, faults);
        Length body =
                TypedLength.read("body", input.body(), input.units(), TypedLength.mm(5), TypedLength.mm(2000), faults);
        Length used = TypedLength.read(
                "used", input.used(), input.units(), TypedLength.mm(5), TypedLength.mm(20_000), faults);
        Length thickness = TypedLength.read(
                "thickness", input.thickness(), input.units(), TypedLength.mm(1), TypedLength.mm(60), faults);
        Length width =
                TypedLength.read("width", input.width(), input.units(), TypedLength.mm(1), TypedLength.mm(120), faults);
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
}
