package dev.restis.app.measures;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.fit.Ease;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import java.util.Arrays;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Lengths as people type them, and the house sizes. */
@RestController
@RequestMapping("/api/measures")
class MeasuresController {

    record LengthView(long um) {}

    record SizeRow(String name, long wristUm, long handUm) {}

    record EaseRow(Ease ease, long um) {}

    record SizesView(List<SizeRow> sizes, List<EaseRow> eases) {}

    @GetMapping("/length")
    LengthView length(@RequestParam String text, @RequestParam UnitSystem units) {
        return LengthReader.read(text, units)
                .map(l -> new LengthView(l.micrometres()))
                .orElseThrow(() -> new Rejected(Fault.of("text", "length.unread", text)));
    }

    @GetMapping("/sizes")
    SizesView sizes() {
        return new SizesView(
                SizeTable.HOUSE.rows().stream()
                        .map(r -> new SizeRow(
                                r.name(), r.wrist().micrometres(), r.hand().micrometres()))
                        .toList(),
                Arrays.stream(Ease.values())
                        .map(e -> new EaseRow(e, e.length().micrometres()))
                        .toList());
    }
}
