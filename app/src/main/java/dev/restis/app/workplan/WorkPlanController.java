package dev.restis.app.workplan;

import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Made;
import dev.restis.app.workplan.BoardReads.WorkBoardView;
import dev.restis.app.workplan.PlanAnswers.BlockReasonView;
import dev.restis.app.workplan.PlanAnswers.OrderRescueView;
import dev.restis.app.workplan.PlanChanges.PlanDiffView;
import dev.restis.app.workplan.PlanChanges.TroubledOrderView;
import dev.restis.app.workplan.PlanChanges.UnplannedView;
import dev.restis.app.workplan.PlanSettings.PlanRulesView;
import dev.restis.app.workshop.Revised;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Who ties what on which day. */
@RestController
@RequestMapping("/api/workplan")
class WorkPlanController {

    /** @param better whether to go on from what there is, and to look longer */
    record PlanWanted(boolean better) {}

    /** The plan that whoever acts has seen. */
    record SeenPlan(long plan) {}

    /**
     * Parcels to be moved.
     *
     * @param before a parcel of that maker's before which they shall stand; nothing for the end, or where a day is named
     * @param day on which they shall be tied
     */
    record MoveParcels(
            long plan,
            List<Long> parcels,
            long person,
            @Nullable Long before,
            @Nullable LocalDate day) {}

    /** @param person whose day it is; nothing for where they stand */
    record PinParcels(
            long plan,
            List<Long> parcels,
            @Nullable Long person,
            @Nullable LocalDate day) {}

    record SomeParcels(long plan, List<Long> parcels) {}

    record SplitParcels(long plan, List<Long> parcels, int count) {}

    record MergeParcels(long plan, List<Long> parcels, List<Long> with) {}

    /** @param person whose day it is; nothing for everybody's */
    record LockDay(long plan, @Nullable Long person, LocalDate day, boolean locked) {}

    /** @param next what to ask for the rows after these */
    record TroubledOrdersPage(
            List<TroubledOrderView> rows, @Nullable String next) {}

    record UnplannedPage(List<UnplannedView> setUps) {}

    private final Planning planning;
    private final PlanActs acts;
    private final PlanAnswers answers;
    private final PlanChanges changes;
    private final BoardReads reads;
    private final PlanSettings settings;

    WorkPlanController(
            Planning planning,
            PlanActs acts,
            PlanAnswers answers,
            PlanChanges changes,
            BoardReads reads,
            PlanSettings settings) {
        this.planning = planning;
        this.acts = acts;
        this.answers = answers;
        this.changes = changes;
        this.reads = reads;
        this.settings = settings;
    }

    @GetMapping
    WorkBoardView board(
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(defaultValue = "14") int days,
            @RequestParam(required = false) @Nullable Long person,
            @RequestParam(defaultValue = "false") boolean published) {
        return reads.board(from, days, person, published);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Made plan(@RequestBody PlanWanted body) {
        return new Made(planning.begin(body.better()));
    }

    @PostMapping("/stop")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stop() {
        planning.stop();
    }

    @PostMapping("/publish")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void publish(@RequestBody SeenPlan body) {
        acts.publish(body.plan());
    }

    @PostMapping("/back")
    Made back(@RequestBody SeenPlan body) {
        return new Made(acts.back(body.plan()));
    }

    @PostMapping("/move")
    Made move(@RequestBody MoveParcels body) {
        return new Made(acts.move(body.plan(), body.parcels(), body.person(), body.before(), body.day()));
    }

    @PostMapping("/pin")
    Made pin(@RequestBody PinParcels body) {
        return new Made(acts.pin(body.plan(), body.parcels(), body.person(), body.day()));
    }

    @PostMapping("/release")
    Made release(@RequestBody SomeParcels body) {
        return new Made(acts.release(body.plan(), body.parcels()));
    }

    @PostMapping("/split")
    Made split(@RequestBody SplitParcels body) {
        return new Made(acts.split(body.plan(), body.parcels(), body.count()));
    }

    @PostMapping("/merge")
    Made merge(@RequestBody MergeParcels body) {
        return new Made(acts.merge(body.plan(), body.parcels(), body.with()));
    }

    @PostMapping("/lock-day")
    Made lockDay(@RequestBody LockDay body) {
        return new Made(acts.lockDay(body.plan(), body.person(), body.day(), body.locked()));
    }

    /** Answers the batch. */
    @PostMapping("/take")
    @ResponseStatus(HttpStatus.CREATED)
    Made take(@RequestBody SomeParcels body) {
        return new Made(acts.takeBatch(body.plan(), body.parcels()));
    }

    @GetMapping("/reason")
    BlockReasonView reason(@RequestParam long plan, @RequestParam List<Long> parcels) {
        return answers.reason(plan, parcels.stream().filter(Objects::nonNull).toList());
    }

    @GetMapping("/diff")
    PlanDiffView diff() {
        return changes.diff();
    }

    @GetMapping("/orders")
    TroubledOrdersPage troubled(@RequestParam(required = false) @Nullable String after) {
        Keyset<TroubledOrderView> page = changes.troubled(after);
        return new TroubledOrdersPage(page.rows(), page.next());
    }

    @GetMapping("/unplanned")
    UnplannedPage unplanned() {
        return new UnplannedPage(changes.unplanned());
    }

    @GetMapping("/orders/{id}/rescue")
    OrderRescueView rescue(@PathVariable long id) {
        return answers.rescue(id);
    }

    @PostMapping("/orders/{id}/first")
    Made goFirst(@PathVariable long id, @RequestBody SeenPlan body) {
        return new Made(acts.goFirst(body.plan(), id));
    }

    @GetMapping("/rules")
    PlanRulesView rules() {
        return settings.view();
    }

    @PutMapping("/rules")
    Revised keep(@RequestBody PlanRulesView body) {
        return new Revised(settings.keep(body));
    }
}
