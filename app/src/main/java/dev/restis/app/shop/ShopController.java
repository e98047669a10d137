package dev.restis.app.shop;

import dev.restis.app.orders.OrderImport.FileView;
import dev.restis.app.orders.OrderImport.Mode;
import dev.restis.app.orders.OrderImport.Request;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The door for shops, and the tray behind it. */
@RestController
@RequestMapping("/api")
class ShopController {

    static final int MOST_BYTES = 2_000_000;

    private final ShopFeeds feeds;
    private final Deliveries deliveries;
    private final Clock clock;

    ShopController(ShopFeeds feeds, Deliveries deliveries, Clock clock) {
        this.feeds = feeds;
        this.deliveries = deliveries;
        this.clock = clock;
    }

    /**
     * Takes a delivery: an order file in CSV or JSON, as docs/formats.md describes, with the shop's key as bearer token.
     * Answers 201 when it was taken, 200 when there was nothing new in it, 202 when it waits for somebody to look at it.
     *
     * @param sent when the shop sent it; deliveries of the same order are put right by it when they overtake each other
     */
    @PostMapping(value = "/feed", consumes = "*/*")
    ResponseEntity<Deliveries.DeliveryAnswer> deliver(
            @RequestHeader(name = "Authorization", required = false) @Nullable String authorization,
            @RequestParam(required = false) @Nullable Instant sent,
            HttpServletRequest request)
            throws IOException {
        ShopFeeds.Feed feed = feeds.of(authorization);
        byte[] body = request.getInputStream().readNBytes(MOST_BYTES + 1);
        if (body.length > MOST_BYTES) {
            throw new Rejected(Fault.of("file", "delivery.tooLarge"));
        }
        // The shop's name stands in the books for whoever did it.
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(feed.source(), "", List.of()));
        Instant sentAt = sent == null ? clock.instant() : sent;
        Deliveries.DeliveryAnswer answer;
        try {
            answer = deliveries.take(feed, sentAt, body);
        } catch (Rejected e) {
            answer = deliveries.keep(feed, sentAt, body, e.faults());
        }
        return ResponseEntity.status(
                        switch (answer.state()) {
                            case TAKEN -> HttpStatus.CREATED;
                            case WAITING -> HttpStatus.ACCEPTED;
                            default -> HttpStatus.OK;
                        })
                .body(answer);
    }

    @GetMapping("/deliveries")
    List<Deliveries.DeliveryView> list(@RequestParam(defaultValue = "false") boolean waiting) {
        return deliveries.list(waiting);
    }

    @GetMapping("/deliveries/{id}")
    Deliveries.DeliveryView one(@PathVariable long id) {
        return deliveries.one(id);
    }

    /** What was sent, its first part if it is long; empty once it is taken. */
    @GetMapping(value = "/deliveries/{id}/text", produces = "text/plain;charset=UTF-8")
    String text(@PathVariable long id) {
        return deliveries.text(id);
    }

    /** What taking a waiting delivery would do. */
    @PostMapping("/deliveries/{id}/preview")
    FileView preview(@PathVariable long id, @RequestBody Request how) {
        return deliveries.preview(id, how);
    }

    @PostMapping("/deliveries/{id}/take")
    FileView take(@PathVariable long id, @RequestBody Request how, @RequestParam Mode mode) {
        return deliveries.settle(id, how, mode);
    }

    record AsideRequest(boolean aside) {}

    @PostMapping("/deliveries/{id}/aside")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void setAside(@PathVariable long id, @RequestBody AsideRequest body) {
        deliveries.setAside(id, body.aside());
    }

    @GetMapping("/shop-feeds")
    List<ShopFeeds.FeedView> feeds() {
        return feeds.all();
    }

    record NewFeed(String source, UnitSystem units) {}

    /** The key is told this once. */
    record FeedKey(String source, String key) {}

    @PostMapping("/shop-feeds")
    @ResponseStatus(HttpStatus.CREATED)
    FeedKey open(@RequestBody NewFeed body) {
        return new FeedKey(body.source().strip(), feeds.open(body.source(), body.units()));
    }

    @DeleteMapping("/shop-feeds")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void close(@RequestParam String source) {
        feeds.close(source);
    }
}
