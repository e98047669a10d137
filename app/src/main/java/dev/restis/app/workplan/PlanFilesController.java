package dev.restis.app.workplan;

import dev.restis.app.platform.Pdf;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workplan.PlanFeeds.NewPlanFeed;
import dev.restis.app.workplan.PlanFeeds.PlanFeedView;
import dev.restis.app.workplan.PlanFiles.PlanFileRow;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The published plan as files, and the secret addresses of calendars. */
@RestController
class PlanFilesController {

    private static final String ICS = "text/calendar;charset=UTF-8";

    /** @param person whose days; nothing for everybody's */
    record FeedWanted(@Nullable Long person) {}

    record PlanFile(List<PlanFileRow> batches) {}

    record PlanFeedsView(List<PlanFeedView> feeds) {}

    private final PlanFiles files;
    private final PlanFeeds feeds;

    PlanFilesController(PlanFiles files, PlanFeeds feeds) {
        this.files = files;
        this.feeds = feeds;
    }

    @GetMapping(value = "/api/workplan/plan.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> csv(@RequestParam(required = false) @Nullable Long person) {
        return named("plan.csv").body(files.csv(person));
    }

    @GetMapping(value = "/api/workplan/plan.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<PlanFile> json(@RequestParam(required = false) @Nullable Long person) {
        return named("plan.json").body(new PlanFile(files.rows(person)));
    }

    @GetMapping(value = "/api/workplan/plan.ics", produces = ICS)
    ResponseEntity<String> calendar(@RequestParam(required = false) @Nullable Long person) {
        return named("plan.ics").body(files.calendar(person));
    }

    @GetMapping(value = "/api/workplan/plan.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> pdf(
            @RequestParam(required = false) @Nullable Long person, @RequestParam(defaultValue = "A4") Pdf.Paper paper) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"plan.pdf\"")
                .body(files.pdf(person, paper));
    }

    private static ResponseEntity.BodyBuilder named(String name) {
        return ResponseEntity.ok().header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"");
    }

    @GetMapping("/api/workplan/feeds")
    PlanFeedsView feeds() {
        return new PlanFeedsView(feeds.all());
    }

    @PostMapping("/api/workplan/feeds")
    @ResponseStatus(HttpStatus.CREATED)
    NewPlanFeed make(@RequestBody FeedWanted body) {
        return feeds.make(body.person());
    }

    @DeleteMapping("/api/workplan/feeds/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable long id) {
        feeds.withdraw(id);
    }

    /** For whoever knows the address; nothing of it is kept on the way. */
    @GetMapping(value = "/api/feeds/{secret}/plan.ics", produces = ICS)
    ResponseEntity<byte[]> feed(@PathVariable String secret, HttpServletRequest request) {
        try {
            PlanFeeds.Feed feed = feeds.open(secret, request.getRemoteAddr());
            return ResponseEntity.ok()
                    .cacheControl(CacheControl.noStore())
                    .body(files.calendar(feed.person().orElse(null)).getBytes(StandardCharsets.UTF_8));
        } catch (Rejected tooOften) {
            return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS).build();
        }
    }
}
