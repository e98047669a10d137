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
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
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

    private record Measured(
            String name,
            String code,
            int strands,
            int cores,
            double use,
            double pitch,
            double thickness,
            double width) {
        NamedStitch named() {
            return new NamedStitch(name, new OwnStitch(code, strands, cores, use, pitch, thickness, width));
        }
    }

    /** A stitch of the maker's own with its path, as patterns write it. */
    public record PathStitch(String name, String definition) {}

    /** A stitch of the maker's own with its name. */
    public record NamedStitch(String name, OwnStitch stitch) {}

    private final Materials materials;
    private final EntityManager entities;
    private final Clock clock;

    OwnStitches(Materials materials, EntityManager entities, Clock clock) {
        this.materials = materials;
        this.entities = entities;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<NamedStitch> measured() {
        return entities.createQuery("""
                        select s.name, s.code, s.strands, s.cores, s.use, s.pitch, s.thickness, s.width
                        from OwnStitchRow s where s.definition is null order by s.name
                        """, Measured.class).getResultList().stream()
                .map(Measured::named)
                .toList();
    }

    /** The family of each stitch of the house's own, by the code that patterns know it by. */
    @Transactional(readOnly = true)
    public Map<String, Family> families() {
        Map<String, Family> families = new TreeMap<>();
        named().forEach(own -> families.put(OwnStitch.PREFIX + own.code(), own.family()));
        return families;
    }

    /** A stitch of the house's own, and the family that the plan counts it to. */
    public record OwnFamily(String code, String name, Family family) {}

    @Transactional(readOnly = true)
    public List<OwnFamily> named() {
        return entities.createQuery(
                        "select s.code, s.name, s.family from OwnStitchRow s order by s.name, s.code", OwnFamily.class)
                .getResultList();
    }

    /** Says which family a stitch of the house's own belongs to. */
    @Transactional
    public void family(String code, Family family) {
        row(code).orElseThrow(() -> new NotFound("notFound")).family = family;
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
        row(code)
                .filter(OwnStitchRow::hasPath)
                .ifPresent(other -> faults.add(Fault.of("name", "stitch.taken", code, other.name())));
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
        OwnStitchRow row = rowOrNew(own.code());
        row.measured(name, own, clock.instant(), Workshop.whoever());
        entities.persist(row);
    }

    @Transactional(readOnly = true)
    public List<PathStitch> paths() {
        return entities.createQuery(
                        "select s.name, s.definition from OwnStitchRow s where s.definition is not null order by s.name",
                        PathStitch.class)
                .getResultList();
    }

    /** A key serves one stitch: another's path, or a swatch that somebody measured, is not written over. */
    @Transactional(readOnly = true)
    public Optional<Fault> taken(String code, String name) {
        return row(code)
                .filter(other -> !other.hasPath() || !other.name().equalsIgnoreCase(name))
                .map(other -> Fault.of("code", "stitch.taken", code, other.name()));
    }

    /** Keeps a stitch with its path; the same key describes it anew. */
    @Transactional
    public void keepPath(String code, PathStitch path) {
        OwnStitchRow row = rowOrNew(code);
        row.drawn(path.name(), path.definition(), clock.instant(), Workshop.whoever());
        entities.persist(row);
    }

    private Optional<OwnStitchRow> row(String code) {
        return Optional.ofNullable(entities.find(OwnStitchRow.class, code));
    }

    private OwnStitchRow rowOrNew(String code) {
        return row(code).orElseGet(() -> new OwnStitchRow(code));
    }

    private static void count(String field, int value, int least, int most, List<Fault> faults) {
        if (value < least || value > most) {
            faults.add(Fault.of(field, "pattern.count", least, most, value));
        }
    }
}
