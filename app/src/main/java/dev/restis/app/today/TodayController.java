package dev.restis.app.today;

import dev.restis.app.today.TodayReads.TodayView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class TodayController {

    private final TodayReads reads;

    TodayController(TodayReads reads) {
        this.reads = reads;
    }

    @GetMapping("/api/today")
    TodayView today() {
        return reads.today();
    }
}
