package dev.restis.app.patterns;

import dev.restis.app.platform.FaultWords;
import dev.restis.app.platform.FieldProblem;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The pattern book, and working a piece out while someone chooses. */
@RestController
@RequestMapping("/api/patterns")
class PatternsController {

    record PatternView(
            String code,
            String name,
            Pattern.Kind kind,
            List<String> slots,
            int mostBeads,
            boolean ring,
            long gaugeUm) {}

    record WorkOutRequest(PieceChoices choices, int quantity) {}

    /** Either the piece, or the fields that stand in its way. */
    record WorkOutView(@Nullable PieceView piece, List<FieldProblem> problems) {}

    private final PieceDesk desk;
    private final FaultWords words;

    PatternsController(PieceDesk desk, FaultWords words) {
        this.desk = desk;
        this.words = words;
    }

    @GetMapping
    List<PatternView> patterns() {
        return PatternBook.all().stream()
                .map(p -> new PatternView(
                        p.code(),
                        p.name(),
                        p.kind(),
                        p.slots(),
                        p.body().mostBeads(),
                        p.hangsOnRing(),
                        p.gauge().micrometres()))
                .toList();
    }

    @PostMapping("/work-out")
    WorkOutView workOut(@RequestBody WorkOutRequest body) {
        PieceDesk.Sitting sitting = desk.sit();
        PieceDesk.Understood understood = sitting.understand(body.choices());
        return understood
                .spec()
                .map(spec ->
                        new WorkOutView(PieceView.of(sitting.workOut(spec), Math.max(1, body.quantity())), List.of()))
                .orElseGet(() -> new WorkOutView(null, words.of(understood.faults())));
    }
}
