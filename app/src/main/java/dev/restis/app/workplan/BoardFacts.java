package dev.restis.app.workplan;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.stock.Article;
import dev.restis.app.stock.Articles;
import dev.restis.app.workplan.BoardReads.BoardOrderView;
import dev.restis.app.workshop.Calendars;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.LocalDate;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What a board shows beside the plan's own rows, read once for all of them. */
@Service
class BoardFacts {

    /** Of a line, what a batch says of it. */
    record LineFacts(String pattern, BoardOrderView order) {}

    record PieceFacts(PieceStage stage, @Nullable Long batch) {}

    /**
     * A plan with all that is shown of it on some days.
     *
     * @param present names of those who are at the bench, by their numbers
     * @param rows of all days
     * @param seconds that makers were at the bench, from the first day of the plan on
     */
    record Board(
            Map<Long, String> present,
            List<PlanParcelRow> rows,
            LocalDate planDay,
            Map<Long, List<Integer>> seconds,
            Map<Long, PlanOrderRow> orders,
            Map<Long, LineFacts> lines,
            Map<Long, PieceFacts> pieces,
            Map<Long, Article> cords) {}

    private final PlanShelf shelf;
    private final Calendars calendars;
    private final Articles articles;
    private final PieceDesk desk;
    private final EntityManager entities;

    BoardFacts(PlanShelf shelf, Calendars calendars, Articles articles, PieceDesk desk, EntityManager entities) {
        this.shelf = shelf;
        this.calendars = calendars;
        this.articles = articles;
        this.desk = desk;
        this.entities = entities;
    }

    /** @param shown the days that are looked at */
    Board of(Optional<WorkPlanRow> plan, List<LocalDate> shown) {
        LocalDate first = shown.get(0);
        Map<Long, String> present = new LinkedHashMap<>();
        calendars.all().stream().filter(p -> p.comes(first)).forEach(p -> present.put(p.person(), p.name()));
        List<PlanParcelRow> rows = plan.map(p -> shelf.parcels(p.id())).orElse(List.of());
        List<PlanParcelRow> seen = rows.stream()
                .filter(row -> row.touches(first, shown.get(shown.size() - 1)))
                .toList();
        return new Board(
                present,
                rows,
                plan.map(WorkPlanRow::fromDay).orElse(first),
                plan.map(p -> shelf.seconds(p.id())).orElse(Map.of()),
                plan.map(p -> shelf.orders(p.id())).orElse(List.of()).stream()
                        .collect(Collectors.toMap(PlanOrderRow::order, Function.identity())),
                lines(seen.stream().map(PlanParcelRow::line).collect(Collectors.toSet())),
                pieces(seen.stream().flatMap(r -> r.pieces().stream()).toList()),
                articles.some(seen.stream().flatMap(r -> r.cords().stream()).collect(Collectors.toSet())).stream()
                        .collect(Collectors.toMap(Article::id, Function.identity())));
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
