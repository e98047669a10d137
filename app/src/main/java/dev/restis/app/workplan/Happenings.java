package dev.restis.app.workplan;

import dev.restis.app.workplan.Happening.What;
import dev.restis.app.workplan.PlanOrderRow.LeftOut;
import dev.restis.app.workplan.PlanOrderRow.Wanted;
import dev.restis.app.workplan.Snapshot.Maker;
import dev.restis.app.workplan.Snapshot.PlannedOrder;
import dev.restis.core.batch.draft.Begun;
import dev.restis.core.batch.draft.Lot;
import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
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

/** What happened since a plan was made that it must be mended for. */
@Service
class Happenings {

    /** A maker is behind when so many seconds of today's work do not fit any more. */
    private static final int BEHIND = 900;
    /** Calendars are kept with a plan for so many days. */
    private static final int DAYS = 60;

    private final PlanShelf shelf;
    private final EntityManager entities;

    Happenings(PlanShelf shelf, EntityManager entities) {
        this.shelf = shelf;
        this.entities = entities;
    }

    /** Empty when it stands as it was made, whatever of it is made meanwhile. */
    @Transactional(readOnly = true)
    public List<Happening> since(WorkPlanRow plan, Snapshot now) {
        List<Happening> all = new ArrayList<>();
        if (plan.fromDay().isBefore(now.today())) {
            all.add(new Happening(What.DAY, "", 0));
        }
        List<PlanParcelRow> rows = shelf.parcels(plan.id());
        makers(plan, rows, now, all);
        orders(plan, rows, now, all);
        return all;
    }

    private void makers(WorkPlanRow plan, List<PlanParcelRow> rows, Snapshot now, List<Happening> all) {
        Map<Long, List<Integer>> before = shelf.seconds(plan.id());
        int passed = now.day(plan.fromDay());
        Set<Long> waiting = waiting(now).values().stream().flatMap(Set::stream).collect(Collectors.toSet());
        for (int m = 0; m < now.makers().size(); m++) {
            Maker maker = now.makers().get(m);
            List<Integer> were = before.getOrDefault(maker.person(), List.of());
            boolean moved = were.isEmpty();
            // Of today, what is left goes down by itself.
            for (int day = 1; day < DAYS && day - passed < were.size(); day++) {
                moved |= !were.get(day - passed)
                        .equals(now.inputs().makers().get(m).on(day));
            }
            if (moved) {
                all.add(new Happening(What.CALENDAR, maker.name(), 0));
            }
            long todo = 0;
            for (PlanParcelRow row : rows) {
                boolean waits = row.pieces().stream().anyMatch(waiting::contains);
                if (row.person() == maker.person() && waits && row.fromDay().equals(now.today())) {
                    todo += row.seconds().get(0);
                }
            }
            if (todo > now.inputs().makers().get(m).on(0) + BEHIND) {
                all.add(new Happening(What.BEHIND, maker.name(), (int) (todo / 60)));
            }
        }
        Set<Long> present = now.makers().stream().map(Maker::person).collect(Collectors.toSet());
        if (!present.containsAll(before.keySet())) {
            all.add(new Happening(What.CALENDAR, "", 0));
        }
    }

    private static Map<Long, Set<Long>> waiting(Snapshot now) {
        Map<Long, Set<Long>> pieces = new HashMap<>();
        for (Lot lot : now.inputs().lots()) {
            pieces.computeIfAbsent(now.orders().get(lot.order()).id(), o -> new HashSet<>())
                    .addAll(lot.pieces());
        }
        for (Begun begun : now.inputs().begun()) {
            pieces.computeIfAbsent(now.orders().get(begun.order()).id(), o -> new HashSet<>())
                    .add(begun.piece());
        }
        return pieces;
    }

    private void orders(WorkPlanRow plan, List<PlanParcelRow> rows, Snapshot now, List<Happening> all) {
        Map<Long, Set<Long>> before = new HashMap<>();
        rows.forEach(
                row -> before.computeIfAbsent(row.order(), o -> new HashSet<>()).addAll(row.pieces()));
        Map<Long, Set<Long>> waiting = waiting(now);
        Map<Long, PlannedOrder> orders =
                now.orders().stream().collect(Collectors.toMap(PlannedOrder::id, Function.identity()));
        Map<Long, LocalDate> releases = releases(now);
        Map<Long, PlanOrderRow> were =
                shelf.orders(plan.id()).stream().collect(Collectors.toMap(PlanOrderRow::order, Function.identity()));
        for (PlannedOrder order : now.orders()) {
            Set<Long> wait = waiting.getOrDefault(order.id(), Set.of());
            LeftOut out = now.leftOut().get(order.id());
            PlanOrderRow was = were.get(order.id());
            if (was == null) {
                if (!wait.isEmpty() || out != null) {
                    all.add(new Happening(What.NEW_ORDER, order.reference(), wait.size()));
                }
                continue;
            }
            Wanted wanted = was.wanted();
            boolean more = !before.getOrDefault(order.id(), Set.of()).containsAll(wait) && was.leftOut() == null;
            if (more || !wanted.equals(order.wanted())) {
                all.add(new Happening(What.CHANGED_ORDER, order.reference(), 0));
            }
            cord(order, was, releases.get(order.id()), out, now).ifPresent(all::add);
        }
        gone(before, waiting, orders, all);
    }

    /** The day from which the cord of each order is there, where that is not today. */
    private static Map<Long, LocalDate> releases(Snapshot now) {
        Map<Long, LocalDate> releases = new HashMap<>();
        now.inputs().lots().stream()
                .filter(lot -> lot.release() > 0)
                .forEach(lot -> releases.put(
                        now.orders().get(lot.order()).id(), now.today().plusDays(lot.release())));
        return releases;
    }

    private static Optional<Happening> cord(
            PlannedOrder order, PlanOrderRow was, @Nullable LocalDate release, @Nullable LeftOut out, Snapshot now) {
        LocalDate before = was.releaseDay() == null || !was.releaseDay().isAfter(now.today()) ? null : was.releaseDay();
        boolean lacked = was.leftOut() == LeftOut.NO_CORD;
        boolean lacks = out == LeftOut.NO_CORD;
        if (lacks == lacked && Objects.equals(before, release)) {
            return Optional.empty();
        }
        boolean sooner = lacked || !lacks && before != null && (release == null || release.isBefore(before));
        return Optional.of(new Happening(sooner ? What.CORD_SOONER : What.CORD_LATER, order.reference(), 0));
    }

    /** Pieces that wait no more and are not made either. */
    private void gone(
            Map<Long, Set<Long>> before,
            Map<Long, Set<Long>> waiting,
            Map<Long, PlannedOrder> orders,
            List<Happening> all) {
        Map<Long, Set<Long>> missing = new HashMap<>();
        before.forEach((order, pieces) -> {
            Set<Long> left = new HashSet<>(pieces);
            left.removeAll(waiting.getOrDefault(order, Set.of()));
            if (!left.isEmpty()) {
                missing.put(order, left);
            }
        });
        if (missing.isEmpty()) {
            return;
        }
        Set<Long> made = new HashSet<>(entities.createQuery("""
                        select p.id from Piece p join p.line l join l.order o
                        where p.id in :pieces and p.stage >= PieceStage.MADE and o.stage = OrderStage.ACCEPTED
                        """, Long.class)
                .setParameter(
                        "pieces", missing.values().stream().flatMap(Set::stream).toList())
                .getResultList());
        missing.forEach((order, pieces) -> {
            pieces.removeAll(made);
            PlannedOrder stays = orders.get(order);
            if (pieces.isEmpty()) {
                return;
            }
            if (stays == null) {
                all.add(new Happening(What.GONE_ORDER, reference(order), pieces.size()));
            } else if (all.stream().noneMatch(h -> h.name().equals(stays.reference()))) {
                all.add(new Happening(What.CHANGED_ORDER, stays.reference(), pieces.size()));
            }
        });
    }

    private String reference(long order) {
        return entities.createQuery("select o.reference from CustomerOrder o where o.id = :order", String.class)
                .setParameter("order", order)
                .getResultStream()
                .findFirst()
                .orElse("");
    }
}
