package dev.restis.app.workplan;

import dev.restis.app.workplan.WorkPlanRow.PlanAct;
import dev.restis.core.batch.draft.Board.State;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** The plan as it is looked at: days across, makers down. */
@Service
class BoardReads {

    /** More days than that are never looked at at once. */
    private static final int MOST_DAYS = 28;

    /**
     * A plan, and how it came about.
     *
     * @param leastSetUpSeconds what any plan must spend on setting up; it knows no dates
     * @param leastLateDays that any plan has; it takes setting up for free, and is nothing where it was not worked out
     * @param growing whether a better one is still looked for
     * @param cutOff whether looking for a better one was ended by the clock
     * @param published whether people have seen it
     * @param canGoBack whether there is one before it
     */
    record PlanHeadView(
            long id,
            Instant madeAt,
            String madeBy,
            PlanAct act,
            List<Happening> about,
            LocalDate fromDay,
            long lateDays,
            int lateOrders,
            long setUpSeconds,
            long leastSetUpSeconds,
            @Nullable Long leastLateDays,
            boolean growing,
            boolean cutOff,
            boolean published,
            boolean canGoBack) {}

    /** An order in a batch. */
    record BoardOrderView(
            long id,
            String reference,
            String customer,
            @Nullable LocalDate due) {}

    record BoardCordView(String code, String name, String colour) {}

    /**
     * What is tied one after the other on a day while nothing but spools is changed.
     *
     * @param parcels in their order; acts name them
     * @param bench what lies on it but for the spools: batches of one can be merged
     * @param state how firmly it stands
     * @param pieces that are done on this day; none of one that runs over the night until it is
     * @param seconds that it takes on this day, with setting up
     * @param toCut how many of its pieces are not cut
     * @param batch in which those are, if in one
     * @param ready pieces that are cut and that nobody has begun
     * @param late whether one of its orders is late as planned
     * @param lateChance of the order that is likeliest late, 0 to 1
     */
    record BoardBlockView(
            List<Long> parcels,
            String bench,
            State state,
            List<String> patterns,
            List<BoardCordView> cords,
            List<BoardOrderView> orders,
            int pieces,
            int seconds,
            int setUpSeconds,
            int toCut,
            @Nullable Long batch,
            List<Long> ready,
            @Nullable LocalDate firstDue,
            boolean late,
            double lateChance) {}

    /** @param openSeconds that the maker was at the bench on it when the plan was made */
    record BoardDayView(LocalDate day, int openSeconds, int usedSeconds, List<BoardBlockView> blocks) {}

    record BoardMakerView(long person, String name, List<BoardDayView> days) {}

    /**
     * The plan on some days.
     *
     * @param plan nothing when none was made yet
     * @param planning whether the house plans
     * @param whoPlans who is looking for a better one at this moment
     * @param share how far that is, 0 to 1
     * @param lastDay on which anything is planned
     * @param hidden pieces that are planned after these days
     */
    record WorkBoardView(
            boolean planning,
            @Nullable PlanHeadView plan,
            @Nullable String whoPlans,
            @Nullable Double share,
            LocalDate today,
            List<LocalDate> days,
            List<BoardMakerView> makers,
            @Nullable LocalDate lastDay,
            int hidden,
            int openPieces) {}

    private final PlanShelf shelf;
    private final PlanSettings settings;
    private final Planning planning;
    private final BoardFacts facts;
    private final EntityManager entities;
    private final JsonMapper json;
    private final Clock clock;

    BoardReads(
            PlanShelf shelf,
            PlanSettings settings,
            Planning planning,
            BoardFacts facts,
            EntityManager entities,
            JsonMapper json,
            Clock clock) {
        this.shelf = shelf;
        this.settings = settings;
        this.planning = planning;
        this.facts = facts;
        this.entities = entities;
        this.json = json;
        this.clock = clock;
    }

    /**
     * The plan that is worked on, or the one that people have seen.
     *
     * @param from the first day; today for none
     * @param person the only maker to be shown; all for none
     */
    @Transactional(readOnly = true)
    public WorkBoardView board(@Nullable LocalDate from, int days, @Nullable Long person, boolean published) {
        LocalDate today = LocalDate.now(clock);
        LocalDate first = from == null ? today : from;
        List<LocalDate> shown = first.datesUntil(first.plusDays(Math.max(1, Math.min(days, MOST_DAYS))))
                .toList();
        PlanRules rules = settings.rules();
        Optional<WorkPlanRow> plan = published ? shelf.published() : shelf.head();
        BoardDays board = new BoardDays(facts.of(plan, shown), shown);
        return new WorkBoardView(
                rules.planning,
                plan.map(this::head).orElse(null),
                planning.whoPlans().orElse(null),
                planning.share().orElse(null),
                today,
                shown,
                board.makers(person),
                board.lastDay(),
                board.hidden(person),
                open());
    }

    private int open() {
        return ((Number) entities.createNativeQuery("select coalesce(sum(open), 0) from order_line where open > 0")
                        .getSingleResult())
                .intValue();
    }

    PlanHeadView head(WorkPlanRow row) {
        return new PlanHeadView(
                row.id(),
                row.madeAt(),
                row.madeBy(),
                row.act(),
                List.of(json.readValue(row.about(), Happening[].class)),
                row.fromDay(),
                row.aims().lateDays(),
                row.aims().lateOrders(),
                row.setUpSeconds(),
                row.leastSetUpSeconds(),
                row.leastLateDays(),
                row.growing() && planning.whoPlans().isPresent(),
                row.cutOff(),
                row.publishedAt() != null
                        && shelf.published().map(WorkPlanRow::id).equals(Optional.of(row.id())),
                row.before() != null);
    }
}
