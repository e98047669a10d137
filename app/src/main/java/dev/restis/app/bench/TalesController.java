package dev.restis.app.bench;

import dev.restis.app.bench.Tales.By;
import dev.restis.app.bench.Tales.TaleRow;
import dev.restis.app.platform.Keyset;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class TalesController {

    /** @param next what to ask for the rows after these */
    record TalesPage(List<TaleRow> rows, @Nullable String next) {}

    private final Tales tales;

    TalesController(Tales tales) {
        this.tales = tales;
    }

    @GetMapping("/api/bench/tales")
    TalesPage tales(
            @RequestParam By by,
            @RequestParam(defaultValue = "365") int days,
            @RequestParam(required = false) @Nullable String after) {
        Keyset<TaleRow> page = tales.of(by, days, after);
        return new TalesPage(page.rows(), page.next());
    }
}
