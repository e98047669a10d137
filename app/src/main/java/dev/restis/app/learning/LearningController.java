package dev.restis.app.learning;

import dev.restis.app.learning.Estimates.EstimateRow;
import dev.restis.app.learning.KnowledgeFile.KnowledgeRead;
import dev.restis.app.learning.LearningReport.LearningReportView;
import dev.restis.app.learning.Points.MomentView;
import dev.restis.app.learning.Points.PointView;
import dev.restis.app.platform.Keyset;
import java.io.IOException;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** What was learned, what it rests on, and what it is worth. */
@RestController
@RequestMapping("/api/learning")
class LearningController {

    /** @param next what to ask for the rows after these */
    record EstimatesPage(List<EstimateRow> rows, @Nullable String next) {}

    /** @param next what to ask for the rows after these */
    record PointsPage(List<PointView> rows, @Nullable String next) {}

    private final Estimates estimates;
    private final Points points;
    private final LearningReport report;
    private final KnowledgeFile file;
    private final Folding folding;

    LearningController(Estimates estimates, Points points, LearningReport report, KnowledgeFile file, Folding folding) {
        this.estimates = estimates;
        this.points = points;
        this.report = report;
        this.file = file;
        this.folding = folding;
    }

    @GetMapping("/standing")
    Folding.LearningStanding standing() {
        return folding.standing();
    }

    @GetMapping("/estimates")
    EstimatesPage estimates(@RequestParam Subject subject, @RequestParam(required = false) @Nullable String after) {
        Keyset<EstimateRow> page = estimates.of(subject, after);
        return new EstimatesPage(page.rows(), page.next());
    }

    /** Measurements of a feature, the newest first; without one, all that are doubted. */
    @GetMapping("/points")
    PointsPage points(
            @RequestParam(defaultValue = "CORD") Subject subject,
            @RequestParam(defaultValue = "") String feature,
            @RequestParam(required = false) @Nullable String after) {
        Keyset<PointView> page = points.of(subject, feature, after);
        return new PointsPage(page.rows(), page.next());
    }

    @GetMapping("/history")
    List<MomentView> history(@RequestParam Subject subject, @RequestParam String feature) {
        return points.history(subject, feature);
    }

    /** It is right, however strange. */
    @PostMapping("/points/{id}/confirm")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void confirm(@PathVariable long id) {
        points.confirm(id);
    }

    /** It is not learned from. */
    @PostMapping("/points/{id}/drop")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void drop(@PathVariable long id) {
        points.drop(id);
    }

    /** Takes confirming or dropping back. */
    @PostMapping("/points/{id}/back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void back(@PathVariable long id) {
        points.back(id);
    }

    @GetMapping("/report")
    LearningReportView report() {
        return report.view();
    }

    @GetMapping(value = "/report.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> reportCsv() {
        return file("learning-report.csv", report.csv());
    }

    @GetMapping(value = "/knowledge.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> knowledgeCsv() {
        return file("knowledge.csv", file.csv());
    }

    @GetMapping(value = "/knowledge.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> knowledgeJson() {
        return file("knowledge.json", file.json());
    }

    /** Learns from a file that this or another house wrote. */
    @PostMapping(value = "/knowledge", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    KnowledgeRead knowledge(@RequestPart MultipartFile file) throws IOException {
        return this.file.take(file.getBytes());
    }

    private static ResponseEntity<String> file(String name, String text) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=" + name)
                .body(text);
    }
}
