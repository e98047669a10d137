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
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
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

    private final EntityManager entities;
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
            EntityManager entities,
            Clock clock) {
        this.shelf = shelf;
        this.observations = observations;
        this.workshop = workshop;
        this.revisions = revisions;
        this.materials = materials;
        this.entities = entities;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public House house() {
        return new House(sizes(), eases(), shelf.learned(workshop.onlyMaker()));
    }

    @Transactional(readOnly = true)
    public SizeTable sizes() {
        return new SizeTable(
                entities.createQuery("from HouseSize s order by s.number", HouseSize.class).getResultList().stream()
                        .map(HouseSize::row)
                        .toList());
    }

    @Transactional(readOnly = true)
    public Map<Ease, Length> eases() {
        Map<Ease, Length> eases = new EnumMap<>(Ease.class);
        kept().forEach(row -> eases.put(row.ease, new Length(row.um)));
        return eases;
    }

    private List<HouseEase> kept() {
        return entities.createQuery("from HouseEase", HouseEase.class).getResultList();
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
        entities.createQuery("delete from HouseSize").executeUpdate();
        for (int i = 0; i < rows.size(); i++) {
            entities.persist(new HouseSize(i + 1, rows.get(i)));
        }
        kept().forEach(row ->
                row.um = Objects.requireNonNull(read.get(row.ease)).micrometres());
        return next;
    }

    @Transactional(readOnly = true)
    List<SwatchRow> rows() {
        return entities.createQuery("from SwatchRow s where s.withdrawnAt is null order by s.id desc", SwatchRow.class)
                .getResultList();
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
        Optional<Swatch> swatch = Optional.empty();
        if (faults.isEmpty()) {
            swatch = Optional.of(new Swatch(
                    stitch.orElseThrow(),
                    material.orElseThrow(),
                    maker,
                    working,
                    core,
                    input.cores(),
                    input.repeats(),
                    body,
                    used));
            faults.addAll(swatch.get().faults());
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        SwatchRow row = new SwatchRow(swatch.orElseThrow(), clock.instant(), Workshop.whoever());
        entities.persist(row);
        long id = row.id();
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
        SwatchRow row =
                Optional.ofNullable(entities.find(SwatchRow.class, id)).orElseThrow(() -> new NotFound("notFound"));
        row.withdrawnAt = withdrawn ? clock.instant() : null;
        if (withdrawn) {
            observations.takenBack(Source.SWATCH, List.of(id));
        } else {
            observations.broughtBack(Source.SWATCH, List.of(id));
        }
    }
}
