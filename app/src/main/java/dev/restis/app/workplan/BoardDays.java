package dev.restis.app.workplan;

import dev.restis.app.workplan.BoardFacts.Board;
import dev.restis.app.workplan.BoardFacts.LineFacts;
import dev.restis.app.workplan.BoardFacts.PieceFacts;
import dev.restis.app.workplan.BoardReads.BoardBlockView;
import dev.restis.app.workplan.BoardReads.BoardCordView;
import dev.restis.app.workplan.BoardReads.BoardDayView;
import dev.restis.app.workplan.BoardReads.BoardMakerView;
import dev.restis.app.workplan.BoardReads.BoardOrderView;
import dev.restis.core.batch.Blocks;
import dev.restis.core.batch.Blocks.Block;
import dev.restis.core.batch.Blocks.Tied;
import dev.restis.core.batch.draft.Board.State;
import dev.restis.core.work.PieceStage;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** A plan's rows as days across and makers down. */
final class BoardDays {

    private final Board board;
    private final List<LocalDate> shown;
    private final Map<Long, List<PlanParcelRow>> byMaker = new LinkedHashMap<>();

    BoardDays(Board board, List<LocalDate> shown) {
        this.board = board;
        this.shown = shown;
        board.rows()
                .forEach(r -> byMaker.computeIfAbsent(r.person(), p -> new ArrayList<>())
                        .add(r));
    }

    private boolean isShown(PlanParcelRow row) {
        return row.touches(shown.get(0), last());
    }

    private LocalDate last() {
        return shown.get(shown.size() - 1);
    }

    /** Who is at the bench, and who is not any more but stands in the plan. */
    List<BoardMakerView> makers(@Nullable Long person) {
        Map<Long, String> names = new LinkedHashMap<>(board.present());
        byMaker.keySet().forEach(gone -> names.putIfAbsent(gone, ""));
        return names.entrySet().stream()
                .filter(maker -> person == null || maker.getKey().equals(person))
                .map(maker -> new BoardMakerView(maker.getKey(), maker.getValue(), days(maker.getKey())))
                .toList();
    }

    private List<BoardDayView> days(long person) {
        List<PlanParcelRow> line = byMaker.getOrDefault(person, List.of());
        Map<LocalDate, List<BoardBlockView>> blocks = new HashMap<>();
        Map<LocalDate, Integer> used = new HashMap<>();
        // Day by day and state by state, so that what is pinned is a batch of its own.
        for (State state : State.values()) {
            List<PlanParcelRow> rows =
                    line.stream().filter(r -> r.state() == state && isShown(r)).toList();
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
        List<Integer> open = board.seconds().getOrDefault(person, List.of());
        return shown.stream()
                .map(day -> {
                    int at = (int) (day.toEpochDay() - board.planDay().toEpochDay());
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
                PieceFacts piece = board.pieces().get(id);
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
            LineFacts facts = board.lines().get(row.line());
            PlanOrderRow order = board.orders().get(row.order());
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
                        .map(board.cords()::get)
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
}
