package dev.restis.app.workplan;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.stock.Article;
import dev.restis.app.stock.Articles;
import dev.restis.app.workplan.Snapshot.Maker;
import dev.restis.app.workplan.WorkPlanRow.PlanAct;
import dev.restis.app.workshop.Calendars;
import dev.restis.core.batch.Blocks;
import dev.restis.core.batch.Blocks.Block;
import dev.restis.core.batch.Blocks.Tied;
import dev.restis.core.batch.draft.Board.State;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
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
     * @param publishesNow whether plans are published as they are made
     * @param whoPlans who is looking for a better one at this moment
     * @param share how far that is, 0 to 1
     * @param lastDay on which anything is planned
     * @param hidden pieces that are planned after these days
     */
    record WorkBoardView(
            boolean planning,
            boolean publishesNow,
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
    private final Calendars calendars;
    private final Articles articles;
    private final PieceDesk desk;
    private final EntityManager entities;
    private final JsonMapper json;
    private final Clock clock;

    BoardReads(
            PlanShelf shelf,
            PlanSettings settings,
            Planning planning,
            Calendars calendars,
            Articles articles,
            PieceDesk desk,
            EntityManager entities,
            JsonMapper json,
            Clock clock) {
        this.shelf = shelf;
        this.settings = settings;
        this.planning = planning;
        this.calendars = calendars;
        this.articles = articles;
        this.desk = desk;
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
        Days board = new Days(plan, shown);
        return new WorkBoardView(
                rules.planning,
                settings.publishes(rules),
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

    /** Of a line, what a batch says of it. */
    private record LineFacts(String pattern, BoardOrderView order) {}

    private record PieceFacts(PieceStage stage, @Nullable Long batch) {}

    /** One reading of a plan's days. */
    private final class Days {
        private final List<LocalDate> shown;
        private final Map<Long, List<PlanParcelRow>> byMaker = new LinkedHashMap<>();
        private final Map<Long, List<Integer>> seconds;
        private final LocalDate planDay;
        private final Map<Long, LineFacts> lines;
        private final Map<Long, PieceFacts> pieces;
        private final Map<Long, PlanOrderRow> orders;
        private final Map<Long, Article> cords;

        Days(Optional<WorkPlanRow> plan, List<LocalDate> shown) {
            this.shown = shown;
            List<PlanParcelRow> rows = plan.map(p -> shelf.parcels(p.id())).orElse(List.of());
            rows.forEach(r ->
                    byMaker.computeIfAbsent(r.person(), p -> new ArrayList<>()).add(r));
            seconds = plan.map(p -> shelf.minutes(p.id())).orElse(Map.of());
            planDay = plan.map(WorkPlanRow::fromDay).orElse(shown.get(0));
            List<PlanParcelRow> seen = rows.stream().filter(this::isShown).toList();
            lines = lines(seen.stream().map(PlanParcelRow::line).collect(Collectors.toSet()));
            pieces = pieces(seen.stream().flatMap(r -> r.pieces().stream()).toList());
            orders = plan.map(p -> shelf.orders(p.id())).orElse(List.of()).stream()
                    .collect(Collectors.toMap(PlanOrderRow::order, Function.identity()));
            cords = articles.some(seen.stream().flatMap(r -> r.cords().stream()).collect(Collectors.toSet())).stream()
                    .collect(Collectors.toMap(Article::id, Function.identity()));
        }

        private boolean isShown(PlanParcelRow row) {
            return !row.fromDay().isAfter(last()) && !row.untilDay().isBefore(shown.get(0));
        }

        private LocalDate last() {
            return shown.get(shown.size() - 1);
        }

        List<BoardMakerView> makers(@Nullable Long person) {
            Set<Long> names = new LinkedHashSet<>();
            List<Maker> makers = new ArrayList<>();
            calendars.all().stream()
                    .filter(p -> !p.week().isEmpty() || byMaker.containsKey(p.person()))
                    .forEach(p -> {
                        names.add(p.person());
                        makers.add(new Maker(p.person(), p.name()));
                    });
            byMaker.keySet().stream().filter(names::add).forEach(gone -> makers.add(new Maker(gone, "")));
            return makers.stream()
                    .filter(m -> person == null || m.person() == person)
                    .map(m -> new BoardMakerView(m.person(), m.name(), days(m.person())))
                    .toList();
        }

        private List<BoardDayView> days(long person) {
            List<PlanParcelRow> line = byMaker.getOrDefault(person, List.of());
            Map<LocalDate, List<BoardBlockView>> blocks = new HashMap<>();
            Map<LocalDate, Integer> used = new HashMap<>();
            // Day by day and state by state, so that what is pinned is a batch of its own.
            for (State state : State.values()) {
                List<PlanParcelRow> rows = line.stream()
                        .filter(r -> r.state() == state && isShown(r))
                        .toList();
                List<Tied> tied = rows.stream()
                        .map(r -> new Tied(
                                group(r),
                                r.pieces().size(),
                                (int) (r.fromDay().toEpochDay() - shown.get(0).toEpochDay()),
                                r.seconds(),
                                r.setUpSeconds(),
                                r.apart()))
                        .toList();
                for (Block block : Blocks.of(tied)) {
                    LocalDate day = shown.get(0).plusDays(block.day());
                    BoardBlockView view = block(rows.subList(block.first(), block.last() + 1), block, state);
                    if (!view.orders().isEmpty()) {
                        used.merge(day, view.seconds(), Integer::sum);
                        blocks.computeIfAbsent(day, d -> new ArrayList<>()).add(view);
                    }
                }
            }
            List<Integer> open = seconds.getOrDefault(person, List.of());
            return shown.stream()
                    .map(day -> {
                        int at = (int) (day.toEpochDay() - planDay.toEpochDay());
                        return new BoardDayView(
                                day,
                                at >= 0 && at < open.size() ? open.get(at) : 0,
                                used.getOrDefault(day, 0),
                                blocks.getOrDefault(day, List.of()));
                    })
                    .toList();
        }

        private String group(PlanParcelRow row) {
            return row.bench().family() + "|" + row.bench().jig();
        }

        private BoardBlockView block(List<PlanParcelRow> rows, Block block, State state) {
            LocalDate day = shown.get(0).plusDays(block.day());
            Set<String> patterns = new LinkedHashSet<>();
            Map<Long, BoardOrderView> of = new LinkedHashMap<>();
            Set<Long> strands = new LinkedHashSet<>();
            List<Long> ready = new ArrayList<>();
            int waiting = 0;
            int toCut = 0;
            Long batch = null;
            boolean late = false;
            double chance = 0;
            for (PlanParcelRow row : rows) {
                int left = 0;
                for (Long id : row.pieces()) {
                    PieceFacts piece = pieces.get(id);
                    if (piece != null && piece.stage().compareTo(PieceStage.MADE) < 0) {
                        left++;
                        // What runs over a night is taken in hand on its first day.
                        if (piece.stage() == PieceStage.CUT && !row.fromDay().isBefore(day)) {
                            ready.add(id);
                        }
                        toCut += piece.stage().compareTo(PieceStage.CUT) < 0
                                        && !row.fromDay().isBefore(day)
                                ? 1
                                : 0;
                        batch = piece.stage().compareTo(PieceStage.CUT) < 0 && piece.batch() != null
                                ? piece.batch()
                                : batch;
                    }
                }
                LineFacts facts = lines.get(row.line());
                PlanOrderRow order = orders.get(row.order());
                if (left > 0 && facts != null) {
                    waiting += left;
                    patterns.add(facts.pattern());
                    of.put(row.order(), facts.order());
                    strands.addAll(row.cords());
                    late |= order != null && order.lateDays() > 0;
                    chance = Math.max(chance, order == null ? 0 : order.lateChance());
                }
            }
            return new BoardBlockView(
                    rows.stream().map(PlanParcelRow::id).toList(),
                    group(rows.get(0)),
                    state,
                    List.copyOf(patterns),
                    strands.stream()
                            .map(cords::get)
                            .filter(Objects::nonNull)
                            .map(a -> new BoardCordView(a.code(), a.name(), a.colour()))
                            .toList(),
                    List.copyOf(of.values()),
                    Math.min(waiting, block.pieces()),
                    block.seconds(),
                    block.setUp(),
                    toCut,
                    batch,
                    ready,
                    of.values().stream()
                            .map(BoardOrderView::due)
                            .filter(Objects::nonNull)
                            .min(LocalDate::compareTo)
                            .orElse(null),
                    late,
                    chance);
        }

        @Nullable
        LocalDate lastDay() {
            return byMaker.values().stream()
                    .flatMap(List::stream)
                    .map(PlanParcelRow::untilDay)
                    .max(LocalDate::compareTo)
                    .orElse(null);
        }

        int hidden(@Nullable Long person) {
            return byMaker.entrySet().stream()
                    .filter(e -> person == null || e.getKey().equals(person))
                    .flatMap(e -> e.getValue().stream())
                    .filter(r -> r.fromDay().isAfter(last()))
                    .mapToInt(r -> r.pieces().size())
                    .sum();
        }

        private Map<Long, LineFacts> lines(Collection<Long> ids) {
            if (ids.isEmpty()) {
                return Map.of();
            }
            PieceDesk.Sitting sitting = desk.sit();
            return entities.createQuery("""
                            select l.id as line, l.pattern as pattern, o.id as order, o.reference as reference,
                                   o.customer as customer, o.due as due
                            from OrderLine l join l.order o where l.id in :lines
                            """, Tuple.class)
                    .setParameter("lines", ids)
                    .getResultStream()
                    .collect(Collectors.toMap(
                            t -> t.get("line", Long.class),
                            t -> new LineFacts(
                                    sitting.patternName(t.get("pattern", String.class)),
                                    new BoardOrderView(
                                            t.get("order", Long.class),
                                            t.get("reference", String.class),
                                            t.get("customer", String.class),
                                            t.get("due", LocalDate.class)))));
        }

        private Map<Long, PieceFacts> pieces(List<Long> ids) {
            if (ids.isEmpty()) {
                return Map.of();
            }
            return entities.createQuery(
                            "select p.id as id, p.stage as stage, p.batchId as batch from Piece p where p.id in :pieces",
                            Tuple.class)
                    .setParameter("pieces", ids)
                    .getResultStream()
                    .collect(Collectors.toMap(
                            t -> t.get("id", Long.class),
                            t -> new PieceFacts(t.get("stage", PieceStage.class), t.get("batch", Long.class))));
        }
    }
}
