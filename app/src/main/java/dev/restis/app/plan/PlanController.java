package dev.restis.app.plan;

import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Made;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.stock.Unit;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Open pieces, grouped by what stays on the bench between them, and batches. */
@RestController
@RequestMapping("/api/plan")
class PlanController {

    record ColourView(String code, String name, String colour) {}

    record OpenLineView(
            long line,
            long order,
            String reference,
            String customer,
            @Nullable LocalDate due,
            int open,
            @Nullable String sizeName,
            @Nullable Long wristUm,
            @Nullable Long lengthUm,
            Verdict verdict) {}

    /**
     * Lines that share pattern, cord gauge and colours.
     *
     * @param lines those that are wanted first
     * @param moreLines how many follow them
     */
    record SetUpView(
            String key,
            String patternName,
            long gaugeUm,
            List<ColourView> colours,
            int pieces,
            long cordUm,
            @Nullable LocalDate firstDue,
            List<OpenLineView> lines,
            int moreLines) {}

    record BatchView(
            long id,
            String name,
            Instant createdAt,
            String createdBy,
            int pieces,
            int cut,
            @Nullable LocalDate firstDue,
            @Nullable Long openCutList) {}

    /** @param next what to ask for the set-ups after these */
    record PlanView(List<SetUpView> open, @Nullable String next) {}

    record BatchesView(List<BatchView> rows, @Nullable String next) {}

    /**
     * What one piece of a line takes of an article since formulas were corrected; micrometres or pieces.
     *
     * @param pieces of it that are not cut
     */
    record AnewView(
            long order,
            String customer,
            int line,
            String patternName,
            String article,
            Unit unit,
            int pieces,
            long before,
            long after,
            Instant at) {}

    record AnewPage(List<AnewView> rows, @Nullable String next) {}

    record NewBatch(@Nullable String name, List<Batches.Pick> picks) {}

    /** What waits at the stages of the rail. */
    record WaitingView(int openOrders, int openPieces, int batchesToCut, int piecesToMake, int ordersToSend) {}

    private final Batches batches;
    private final PlanReads reads;

    PlanController(Batches batches, PlanReads reads) {
        this.batches = batches;
        this.reads = reads;
    }

    @GetMapping
    PlanView plan(
            @RequestParam(required = false) @Nullable String after, @RequestParam(defaultValue = "") String order) {
        return reads.openWork(after, order);
    }

    @GetMapping("/batches")
    BatchesView batches(@RequestParam(required = false) @Nullable String after) {
        Keyset<BatchView> page = reads.batches(after);
        return new BatchesView(page.rows(), page.next());
    }

    @GetMapping("/waiting")
    WaitingView waiting() {
        return reads.waiting();
    }

    @GetMapping("/anew")
    AnewPage anew(@RequestParam(required = false) @Nullable String after) {
        return reads.anew(after);
    }

    @PostMapping("/batches")
    @ResponseStatus(HttpStatus.CREATED)
    Made make(@RequestBody NewBatch body) {
        return new Made(batches.make(body.name(), body.picks()));
    }

    @PostMapping("/batches/{id}/dissolve")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void dissolve(@PathVariable long id) {
        batches.dissolve(id);
    }
}
