package dev.restis.app.costs;

import dev.restis.app.costs.CostSums.Beside;
import dev.restis.app.costs.CostSums.CostChange;
import dev.restis.app.costs.CostSums.CostSum;
import dev.restis.app.costs.CostSums.Days;
import dev.restis.app.costs.CostSums.Within;
import dev.restis.app.costs.Earnings.EarningRow;
import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Keyset;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What pieces cost in some days, by whatever one wants to see it by. */
@RestController
@RequestMapping("/api/costs")
class CostSumsController {

    /**
     * A page of sums.
     *
     * @param from the first of the days
     * @param to the last
     * @param total of all rows together
     * @param beside what was lost or set right beside pieces, where all of the house is looked at
     * @param next what to ask for the rows after these
     */
    record CostSumsView(
            LocalDate from,
            LocalDate to,
            CostSum total,
            List<CostSum> rows,
            List<Beside> beside,
            @Nullable String next) {}

    record EarningsView(List<EarningRow> rows) {}

    record CostChangesView(List<CostChange> rows) {}

    private static final List<String> COLUMNS = List.of(
            "key",
            "name",
            "pieces",
            "used",
            "tails",
            "trimmed",
            "scrap",
            "waste",
            "parts",
            "consumables",
            "total",
            "estimate",
            "days before");

    private final CostSums sums;
    private final Earnings earnings;

    CostSumsController(CostSums sums, Earnings earnings) {
        this.sums = sums;
        this.earnings = earnings;
    }

    @GetMapping("/sums")
    CostSumsView sums(
            @RequestParam(defaultValue = "PATTERN") CostBy by,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to,
            @RequestParam(required = false) @Nullable CostBy within,
            @RequestParam(defaultValue = "") String key,
            @RequestParam(required = false) @Nullable String after) {
        Days days = sums.days(by, from, to);
        Within of = within == null ? Within.ALL : new Within(within, key);
        Keyset<CostSum> page = sums.page(by, days, of, after);
        return new CostSumsView(
                days.from(),
                days.to(),
                sums.total(days, of),
                page.rows(),
                within == null ? sums.beside(days) : List.of(),
                page.next());
    }

    @GetMapping(value = "/sums.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> csv(
            @RequestParam(defaultValue = "PATTERN") CostBy by,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to,
            @RequestParam(required = false) @Nullable CostBy within,
            @RequestParam(defaultValue = "") String key) {
        Within of = within == null ? Within.ALL : new Within(within, key);
        List<List<Object>> rows = new ArrayList<>();
        sums.all(by, sums.days(by, from, to), of).forEach(s -> rows.add(cells(s)));
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=costs.csv")
                .body(CsvText.of(COLUMNS, rows));
    }

    private static List<Object> cells(CostSum s) {
        return List.of(
                s.key(),
                s.label(),
                s.pieces(),
                s.used(),
                s.tails(),
                s.trimmed(),
                s.scrap(),
                s.waste(),
                s.parts(),
                s.consumables(),
                s.total(),
                Objects.requireNonNullElse(s.estimated(), ""),
                Objects.requireNonNullElse(s.before(), ""));
    }

    /** What an hour of hands earned by each pattern. */
    @GetMapping("/earnings")
    EarningsView earnings(
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate to) {
        return new EarningsView(earnings.of(sums.days(CostBy.PATTERN, from, to)));
    }

    /** The changes that a piece's cost is made of. */
    @GetMapping("/pieces/{piece}/changes")
    CostChangesView changes(@PathVariable long piece) {
        return new CostChangesView(sums.changes(piece));
    }
}
