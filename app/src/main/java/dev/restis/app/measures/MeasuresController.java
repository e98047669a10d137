package dev.restis.app.measures;

import dev.restis.app.learning.Folding;
import dev.restis.app.measures.OwnStitches.OwnFamily;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Revised;
import dev.restis.app.workshop.Setting;
import dev.restis.app.workshop.SettingRevisions;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cord.Material;
import dev.restis.core.fit.Ease;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Learned;
import dev.restis.core.piece.MarginPolicy;
import dev.restis.core.piece.Swatch;
import dev.restis.core.piece.TakeUp;
import dev.restis.core.stitch.Family;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Lengths as people type them, the house sizes, and what stitches take. */
@RestController
@RequestMapping("/api/measures")
class MeasuresController {

    record LengthView(long um) {}

    record SizeRow(String name, long wristUm, long handUm) {}

    record EaseRow(Ease ease, long um) {}

    record SizesView(List<SizeRow> sizes, List<EaseRow> eases, int revision) {}

    record SizesInput(List<Measures.SizeInput> sizes, Map<Ease, String> eases, UnitSystem units, int revision) {}

    /**
     * What a stitch takes.
     *
     * @param use cord per repeat and tying strand over body length per repeat, from geometry, in equal gauges
     * @param pitchD body length of a repeat in worked diameters
     * @param swatched ratio of measured to reckoned cord use, where any was measured
     */
    record StitchRow(
            String code,
            int leastCores,
            int mostCores,
            double useD,
            double pitchD,
            double takeUp,
            TakeUp.Source source,
            double spread,
            @Nullable Double swatched,
            int swatches) {}

    record SwatchView(
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
            Instant at,
            double pitchRatio,
            double useRatio) {}

    record SwatchesView(List<StitchRow> stitches, List<SwatchView> swatches, List<Materials.MaterialView> materials) {}

    record SwatchMade(long id) {}

    private final Measures measures;
    private final OwnStitches stitches;
    private final Materials materials;
    private final Workshop workshop;
    private final SettingRevisions revisions;
    private final Folding folding;

    MeasuresController(
            Measures measures,
            OwnStitches stitches,
            Materials materials,
            Workshop workshop,
            SettingRevisions revisions,
            Folding folding) {
        this.folding = folding;
        this.revisions = revisions;
        this.materials = materials;
        this.measures = measures;
        this.stitches = stitches;
        this.workshop = workshop;
    }

    record OwnFamilies(List<OwnFamily> stitches) {}

    record ChosenFamily(Family family) {}

    @GetMapping("/length")
    LengthView length(@RequestParam String text, @RequestParam UnitSystem units) {
        return LengthReader.read(text, units)
                .map(l -> new LengthView(l.micrometres()))
                .orElseThrow(() -> new Rejected(Fault.of("text", "length.unread", text)));
    }

    @GetMapping("/sizes")
    SizesView sizes() {
        SizeTable sizes = measures.sizes();
        return new SizesView(
                sizes.rows().stream()
                        .map(r -> new SizeRow(
                                r.name(), r.wrist().micrometres(), r.hand().micrometres()))
                        .toList(),
                measures.eases().entrySet().stream()
                        .map(e -> new EaseRow(e.getKey(), e.getValue().micrometres()))
                        .toList(),
                revisions.of(Setting.SIZES));
    }

    @PutMapping("/sizes")
    Revised keepSizes(@RequestBody SizesInput body) {
        return new Revised(measures.keepSizes(body.sizes(), body.eases(), body.units(), body.revision()));
    }

    /**
     * A way to choose the safety margin.
     *
     * @param oneIn how many pieces one short one is accepted in; empty where the price decides
     */
    record PolicyView(String policy, @Nullable Integer oneIn, boolean chosen) {}

    record PoliciesView(List<PolicyView> policies, int revision) {}

    record PolicyInput(String policy, int revision) {}

    @GetMapping("/policies")
    PoliciesView policies() {
        String chosen = workshop.settings().margin();
        List<PolicyView> policies = Workshop.margins().entrySet().stream()
                .map(e -> new PolicyView(
                        e.getKey(),
                        e.getValue() instanceof MarginPolicy.OneIn fixed ? fixed.pieces() : null,
                        e.getKey().equals(chosen)))
                .toList();
        return new PoliciesView(policies, revisions.of(Setting.MARGIN));
    }

    @PutMapping("/policies")
    Revised choosePolicy(@RequestBody PolicyInput body) {
        return new Revised(workshop.chooseMargin(body.policy(), body.revision()));
    }

    @GetMapping("/materials")
    List<Materials.MaterialView> materials() {
        return materials.all();
    }

    record KeptMaterial(String code) {}

    /** Keeps a material, new or changed. */
    @PutMapping("/materials")
    KeptMaterial keepMaterial(@RequestBody Materials.MaterialInput body) {
        return new KeptMaterial(materials.keep(body));
    }

    @GetMapping("/swatches")
    SwatchesView swatches() {
        List<SwatchRow> rows = measures.rows();
        Map<String, Material> book = materials.book();
        Learned learned = measures.house().learned();
        return new SwatchesView(
                Stitches.all().stream()
                        .filter(s -> !s.paths().isEmpty())
                        .map(s -> stitch(s, rows, book, learned))
                        .toList(),
                rows.stream().map(r -> view(r, book)).toList(),
                materials.all());
    }

    private static StitchRow stitch(Stitch stitch, List<SwatchRow> rows, Map<String, Material> book, Learned learned) {
        int cores = Math.max(stitch.cores().least(), Math.min(2, stitch.cores().most()));
        Gauge gauge = new Gauge(1, 1, cores, stitch.coreLayout());
        double use = stitch.use(gauge, Seat.WORKING).toMillimetres();
        double pitch = stitch.pitch(gauge).toMillimetres();
        List<Swatch> own = rows.stream()
                .filter(r -> r.stitch().equals(stitch.code()))
                .map(r -> r.swatch(book))
                .flatMap(Optional::stream)
                .toList();
        Optional<Swatch> newest = own.stream().findFirst();
        TakeUp takeUp = learned.takeUp(
                stitch,
                newest.map(Swatch::material)
                        .orElseGet(() -> book.values().iterator().next()),
                newest.map(Swatch::gauge).orElse(gauge));
        return new StitchRow(
                stitch.code(),
                stitch.cores().least(),
                stitch.cores().most(),
                use,
                pitch,
                use / pitch,
                takeUp.source(),
                takeUp.spread(),
                takeUp.source() == TakeUp.Source.GEOMETRY ? null : takeUp.useRatio(),
                own.size());
    }

    private static SwatchView view(SwatchRow row, Map<String, Material> book) {
        Optional<Swatch> swatch = row.swatch(book);
        return new SwatchView(
                row.id(),
                row.stitch(),
                row.material(),
                row.maker(),
                row.workingUm(),
                row.coreUm(),
                row.cores(),
                row.repeats(),
                row.bodyUm(),
                row.usedUm(),
                row.at(),
                swatch.map(Swatch::pitchRatio).orElse(1.0),
                swatch.map(Swatch::useRatio).orElse(1.0));
    }

    record OwnStitchMade(String code) {}

    @PostMapping("/stitches")
    @ResponseStatus(HttpStatus.CREATED)
    OwnStitchMade addStitch(@RequestBody OwnStitches.OwnStitchInput body) {
        return new OwnStitchMade(stitches.keep(body));
    }

    @GetMapping("/families")
    OwnFamilies families() {
        return new OwnFamilies(stitches.named());
    }

    @PutMapping("/families/{code}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void family(@PathVariable String code, @RequestBody ChosenFamily body) {
        stitches.family(code, body.family());
    }

    @PostMapping("/swatches")
    @ResponseStatus(HttpStatus.CREATED)
    SwatchMade addSwatch(@RequestBody Measures.SwatchInput body) {
        SwatchMade made = new SwatchMade(measures.keepSwatch(body));
        folding.now();
        return made;
    }

    @DeleteMapping("/swatches/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable long id) {
        measures.withdraw(id, true);
        folding.now();
    }

    @PostMapping("/swatches/{id}/back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void bringBack(@PathVariable long id) {
        measures.withdraw(id, false);
        folding.now();
    }
}
