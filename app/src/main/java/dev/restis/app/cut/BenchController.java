package dev.restis.app.cut;

import dev.restis.app.stock.BenchDevices;
import dev.restis.core.measure.UnitSystem;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** A spool of a cut list at the bench. */
@RestController
@RequestMapping("/api/cut/lists/{id}/spools/{spool}")
class BenchController {

    record Take(boolean over) {}

    /** @param keep what becomes of a leftover; as planned when it is not said */
    record Cuts(List<Long> steps, @Nullable Boolean keep) {}

    /** @param at from the free end, as typed */
    record FlawAt(@Nullable String at, UnitSystem units, boolean join) {}

    /** @param left what is there from the free end on, as typed */
    record RanOut(@Nullable String left, UnitSystem units) {}

    /** @param length of what was cut off, as typed */
    record CutWrong(@Nullable String length, UnitSystem units, boolean keep) {}

    /** @param anew whether to count from what the counter shows now */
    record Count(boolean anew) {}

    private final CutBench bench;
    private final CutPlanning planning;
    private final CordCounter counter;
    private final BenchDevices devices;

    BenchController(CutBench bench, CutPlanning planning, CordCounter counter, BenchDevices devices) {
        this.planning = planning;
        this.counter = counter;
        this.bench = bench;
        this.devices = devices;
    }

    @PostMapping("/take")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void take(@PathVariable long id, @PathVariable long spool, @RequestBody Take body) {
        bench.take(id, spool, body.over());
    }

    @PostMapping("/put-down")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void putDown(@PathVariable long id, @PathVariable long spool) {
        bench.putDown(id, spool);
    }

    @PostMapping("/cuts")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void cut(@PathVariable long id, @PathVariable long spool, @RequestBody Cuts body) {
        bench.cut(id, spool, body.steps(), body.keep(), null);
    }

    @PostMapping("/undo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undo(@PathVariable long id, @PathVariable long spool) {
        if (bench.undo(id, spool)) {
            planning.planRest(id);
        }
    }

    @PostMapping("/flaw")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void flaw(@PathVariable long id, @PathVariable long spool, @RequestBody FlawAt body) {
        bench.flaw(id, spool, body.at(), body.units(), body.join());
        planning.planRest(id);
    }

    @PostMapping("/ran-out")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ranOut(@PathVariable long id, @PathVariable long spool, @RequestBody RanOut body) {
        bench.ranOut(id, spool, body.left(), body.units());
        planning.planRest(id);
    }

    @PostMapping("/wrong")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void cutWrong(@PathVariable long id, @PathVariable long spool, @RequestBody CutWrong body) {
        bench.cutWrong(id, spool, body.length(), body.units(), body.keep());
        planning.planRest(id);
    }

    /** What has run through the cord counter; makes the next cut when its length has. */
    @PostMapping("/counter")
    CordCounter.CounterView counter(@PathVariable long id, @PathVariable long spool, @RequestBody Count body) {
        return counter.counted(id, spool, devices.counter(), body.anew());
    }
}
