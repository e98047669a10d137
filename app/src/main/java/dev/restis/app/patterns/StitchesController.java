package dev.restis.app.patterns;

import dev.restis.app.patterns.PieceView.PullingView;
import dev.restis.app.patterns.StitchShelf.Named;
import dev.restis.app.platform.FaultWords;
import dev.restis.app.platform.FieldProblem;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.core.measure.Fault;
import dev.restis.core.picture.StitchPicture;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.OwnStitch;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.StitchRules;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The stitches with a path, the library's and one's own: as pictures, in figures, and as JSON in and out. */
@RestController
@RequestMapping("/api/stitches")
class StitchesController {

    /**
     * What a strand in a seat does in a repeat, in equal gauges over the fewest cores.
     *
     * @param elements codes of what it does, in order along the strand
     * @param used cord per repeat in worked diameters
     */
    record SeatUse(Seat seat, int strands, List<String> elements, double used) {}

    /**
     * A stitch in figures, in worked diameters.
     *
     * @param name of one's own; empty for the library's
     * @param pulling what keeps the picture from being pulled tight
     */
    record StitchView(
            String code,
            String name,
            boolean own,
            int leastCores,
            int mostCores,
            double pitch,
            double thickness,
            double width,
            double turnPerRepeat,
            boolean mirrored,
            List<SeatUse> uses,
            List<PullingView> pulling) {}

    record StitchInput(String name, String json) {}

    /** A stitch that is being composed: figures and picture, or what keeps it from being reckoned. */
    record StitchTrial(@Nullable StitchView stitch, String svg, List<FieldProblem> problems) {}

    record StitchKept(String code) {}

    private final StitchShelf shelf;
    private final CentreLineShelf lines;
    private final FaultWords words;

    StitchesController(StitchShelf shelf, CentreLineShelf lines, FaultWords words) {
        this.shelf = shelf;
        this.lines = lines;
        this.words = words;
    }

    @GetMapping
    List<StitchView> stitches() {
        List<StitchView> all = new ArrayList<>();
        Stitches.all().stream().filter(s -> !s.paths().isEmpty()).forEach(s -> all.add(view("", s, pulling(s))));
        shelf.paths().forEach(n -> all.add(view(n.name(), n.stitch(), pulling(n.stitch()))));
        return all;
    }

    private List<PullingView> pulling(Stitch stitch) {
        CentreLineShelf.Drawing drawing = lines.drawing();
        drawing.of(stitch, StitchPicture.gauge(stitch));
        return drawing.pulling();
    }

    @GetMapping(value = "/{code}/picture.svg", produces = "image/svg+xml")
    ResponseEntity<String> picture(@PathVariable String code) {
        return Drawn.picture(StitchPicture.svg(find(code).stitch(), lines.drawing()));
    }

    @GetMapping(value = "/{code}/stitch.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> json(@PathVariable String code) {
        Named named = find(code);
        String file = OwnStitch.key(named.stitch());
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=" + file + ".json")
                .body(PatternJson.writePath(named.stitch()));
    }

    @PostMapping("/trial")
    StitchTrial trial(@RequestBody StitchInput body) {
        Stitch stitch = PatternJson.readPath(body.json());
        List<Fault> faults = StitchRules.check(stitch);
        if (!faults.isEmpty()) {
            return new StitchTrial(null, "", words.of(faults));
        }
        CentreLineShelf.Drawing drawing = lines.drawing();
        String svg = StitchPicture.svg(stitch, drawing);
        return new StitchTrial(view(body.name(), stitch, drawing.pulling()), svg, List.of());
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    StitchKept keep(@RequestBody StitchInput body) {
        return new StitchKept(shelf.keep(body.name(), PatternJson.readPath(body.json())));
    }

    private Named find(String code) {
        return Stitches.byCode(code)
                .filter(s -> !s.paths().isEmpty())
                .map(s -> new Named("", s))
                .or(() -> shelf.find(code))
                .orElseThrow(() -> new NotFound("notFound"));
    }

    private static StitchView view(String name, Stitch stitch, List<PullingView> pulling) {
        Gauge gauge = new Gauge(1, 1, stitch.cores().least(), stitch.coreLayout());
        List<SeatUse> uses = Arrays.stream(Seat.values())
                .filter(stitch::ties)
                .map(seat -> new SeatUse(
                        seat,
                        stitch.pathsOf(seat),
                        stitch.paths().stream()
                                .filter(p -> p.seat() == seat)
                                .flatMap(p -> p.stretches().stream())
                                .map(s -> s.element().code())
                                .distinct()
                                .toList(),
                        stitch.use(gauge, seat).toMillimetres()))
                .toList();
        return new StitchView(
                stitch.code(),
                name,
                stitch.code().startsWith(OwnStitch.PREFIX),
                stitch.cores().least(),
                stitch.cores().most(),
                stitch.pitch(gauge).toMillimetres(),
                stitch.thickness(gauge).toMillimetres(),
                stitch.width(gauge).toMillimetres(),
                stitch.turnPerRepeat(),
                stitch.mirrored(),
                uses,
                pulling);
    }
}
