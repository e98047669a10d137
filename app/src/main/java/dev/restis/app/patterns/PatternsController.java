package dev.restis.app.patterns;

import dev.restis.app.platform.FaultWords;
import dev.restis.app.platform.FieldProblem;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.cord.Hardware;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Section;
import dev.restis.core.picture.PictureDrawer.Detail;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The pattern book, its patterns as JSON and pictures, and working a piece out while someone chooses. */
@RestController
@RequestMapping("/api/patterns")
class PatternsController {

    record CordView(String code, long gaugeUm, String colour) {}

    record PartView(
            String code, Hardware.Kind kind, boolean optional, int chosenCount, Map<Hardware.Measure, Long> usualUm) {}

    /**
     * A pattern of the book.
     *
     * @param widthUm of its body in the usual cords
     * @param strands how many strands are cut for one
     * @param minutes to make one by starting values, rounded up
     */
    /** @param usualSize the house size that a piece begins with, where it is sized by wrist */
    record PatternView(
            String code,
            String name,
            int version,
            boolean shipped,
            Pattern.Kind kind,
            Pattern.Closure closure,
            List<CordView> cords,
            List<PartView> parts,
            List<String> stitches,
            @Nullable String usualSize,
            long usualLengthUm,
            long widthUm,
            long thicknessUm,
            int strands,
            long minutes) {}

    record WorkOutRequest(PieceChoices choices, int quantity) {}

    /** Either the piece, or the fields that stand in its way. */
    record WorkOutView(@Nullable PieceView piece, List<FieldProblem> problems) {}

    /** A pattern as JSON text, so that what is typed comes back as it was. */
    record DefinitionView(String json, int version, boolean shipped) {}

    record DefinitionInput(String json, int before) {}

    record Kept(String code, int version) {}

    /**
     * What a pattern that is being composed looks like in its usual cords, or what keeps it from being made; its name and
     * key are judged when it is kept.
     */
    record TrialView(@Nullable SamplePiece sample, List<FieldProblem> problems) {}

    private final PieceDesk desk;
    private final PatternShelf shelf;
    private final PatternHistory history;
    private final Samples samples;
    private final StitchShelf stitches;
    private final FaultWords words;

    PatternsController(
            PieceDesk desk,
            PatternShelf shelf,
            PatternHistory history,
            Samples samples,
            StitchShelf stitches,
            FaultWords words) {
        this.history = history;
        this.desk = desk;
        this.shelf = shelf;
        this.samples = samples;
        this.stitches = stitches;
        this.words = words;
    }

    @GetMapping
    List<PatternView> patterns() {
        return samples.views(shelf.latest().values());
    }

    @PostMapping("/work-out")
    WorkOutView workOut(@RequestBody WorkOutRequest body) {
        PieceDesk.Sitting sitting = desk.sit();
        PieceDesk.Understood understood = sitting.understand(body.choices());
        return understood
                .spec()
                .map(spec -> new WorkOutView(
                        PieceView.of(
                                sitting,
                                sitting.workOut(spec),
                                new PieceView.Wanted(Math.max(1, body.quantity()), false, null)),
                        List.of()))
                .orElseGet(() -> new WorkOutView(null, words.of(understood.faults())));
    }

    @GetMapping("/{code}/sample")
    SamplePiece sample(@PathVariable String code) {
        return samples.of(latest(code).pattern());
    }

    /** The whole piece in its usual colours, its long parts shortened. */
    @GetMapping(value = "/{code}/card.svg", produces = "image/svg+xml")
    ResponseEntity<String> card(@PathVariable String code) {
        return Drawn.picture(samples.svg(latest(code).pattern(), Detail.CARD));
    }

    /** The picture to scale, to keep. */
    @GetMapping(value = "/{code}/picture.svg", produces = "image/svg+xml")
    ResponseEntity<String> picture(@PathVariable String code) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=" + code.replaceAll("[^a-z0-9-]", "") + ".svg")
                .body(samples.svg(latest(code).pattern(), Detail.FULL));
    }

    @GetMapping("/{code}/definition")
    DefinitionView definition(@PathVariable String code) {
        PatternShelf.Shelved shelved = latest(code);
        return new DefinitionView(PatternJson.writePretty(shelved.pattern()), shelved.version(), shelved.shipped());
    }

    @GetMapping(value = "/{code}/versions")
    PatternHistory.VersionPage versions(
            @PathVariable String code, @RequestParam(required = false) @Nullable Integer before) {
        return history.of(code, before);
    }

    @GetMapping(value = "/{code}/pattern.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> json(@PathVariable String code, @RequestParam(required = false) @Nullable Integer version) {
        PatternShelf.Shelved shelved =
                version == null ? latest(code) : shelf.find(code, version).orElseThrow(() -> new NotFound("notFound"));
        return ResponseEntity.ok()
                .header(
                        "Content-Disposition",
                        "attachment; filename=" + shelved.pattern().code() + ".json")
                .body(PatternJson.writePretty(shelved.pattern()));
    }

    /** The words that patterns are composed of. */
    record VocabularyView(
            List<String> stitches,
            List<StitchShelf.OwnView> ownStitches,
            List<Seat> seats,
            List<Section.KnotKind> knots,
            List<Section.Hitch> hitches,
            List<KindMeasures> parts) {}

    record KindMeasures(Hardware.Kind kind, List<Hardware.Measure> measures) {}

    @GetMapping("/vocabulary")
    VocabularyView vocabulary() {
        return new VocabularyView(
                Stitches.all().stream().map(Stitch::code).toList(),
                stitches.own(),
                List.of(Seat.values()),
                List.of(Section.KnotKind.values()),
                List.of(Section.Hitch.values()),
                Arrays.stream(Hardware.Kind.values())
                        .map(k -> new KindMeasures(
                                k, k.measures().stream().sorted().toList()))
                        .toList());
    }

    @PostMapping("/trial")
    TrialView trial(@RequestBody DefinitionInput body) {
        Pattern pattern = PatternJson.read(body.json());
        return samples.tryOut(pattern)
                .fold(
                        piece -> new TrialView(samples.show(piece), List.of()),
                        problems -> new TrialView(null, words.of(problems)));
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    Kept keep(@RequestBody DefinitionInput body) {
        Pattern pattern = PatternJson.read(body.json());
        return samples.tryOut(pattern)
                .fold(piece -> new Kept(pattern.code(), shelf.keep(pattern, body.before())), faults -> {
                    throw new Rejected(faults);
                });
    }

    @DeleteMapping("/{code}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable String code) {
        shelf.withdraw(code);
    }

    @PostMapping("/{code}/back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void bringBack(@PathVariable String code) {
        shelf.bringBack(code);
    }

    private PatternShelf.Shelved latest(String code) {
        PatternShelf.Shelved shelved = shelf.latest().get(code);
        if (shelved == null) {
            throw new NotFound("notFound");
        }
        return shelved;
    }
}
