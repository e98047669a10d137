package dev.restis.app.finished;

import dev.restis.app.finished.Recall.RecallLot;
import dev.restis.app.finished.Recall.RecallPiece;
import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Keyset;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/stock/lots/{lot}")
class RecallController {

    record RecallPage(
            RecallLot lot, List<RecallPiece> rows, @Nullable String next) {}

    private static final List<String> COLUMNS = List.of(
            "lot",
            "article",
            "piece",
            "stage",
            "order",
            "line",
            "number",
            "customer",
            "email",
            "address",
            "quantity",
            "sent on");

    private final Recall recall;

    RecallController(Recall recall) {
        this.recall = recall;
    }

    @GetMapping("/pieces")
    RecallPage pieces(@PathVariable long lot, @RequestParam(required = false) @Nullable String after) {
        Keyset<RecallPiece> page = recall.page(lot, after);
        return new RecallPage(recall.lot(lot), page.rows(), page.next());
    }

    @GetMapping(value = "/pieces.csv", produces = "text/csv;charset=UTF-8")
    ResponseEntity<String> csv(@PathVariable long lot) {
        RecallLot of = recall.lot(lot);
        List<List<Object>> rows = new ArrayList<>();
        recall.all(lot)
                .forEach(p -> rows.add(List.of(
                        of.lot(),
                        of.article(),
                        p.piece(),
                        p.stage(),
                        p.reference(),
                        p.line(),
                        p.number(),
                        p.customer(),
                        p.email(),
                        p.address(),
                        p.quantity(),
                        p.sentOn() == null ? "" : p.sentOn())));
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=lot-" + lot + ".csv")
                .body(CsvText.of(COLUMNS, rows));
    }
}
