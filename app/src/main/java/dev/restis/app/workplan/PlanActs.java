package dev.restis.app.workplan;

import dev.restis.app.plan.Batches;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workplan.Happening.What;
import dev.restis.app.workplan.PlanShelf.Laid;
import dev.restis.app.workplan.WorkPlanRow.PlanAct;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.WorkPlan.Placed;
import dev.restis.core.batch.draft.Board.State;
import dev.restis.core.batch.draft.DoesNotFit;
import dev.restis.core.batch.draft.Part;
import dev.restis.core.batch.draft.PlanDraft;
import dev.restis.core.batch.draft.PlanDraft.Planned;
import dev.restis.core.batch.search.Mending;
import dev.restis.core.measure.Fault;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What hands do with the plan. Each act rests on the plan that whoever acts has seen, and makes the next one. */
@Service
class PlanActs {

    private static final int MOST_PARCELS = 2_000;

    private final PlanInputs inputs;
    private final PlanShelf shelf;
    private final Planning planning;
    private final Batches batches;
    private final EntityManager entities;

    PlanActs(PlanInputs inputs, PlanShelf shelf, Planning planning, Batches batches, EntityManager entities) {
        this.inputs = inputs;
        this.shelf = shelf;
        this.planning = planning;
        this.batches = batches;
        this.entities = entities;
    }

    /** The plan as hands find it. */
    final class InHand {
        final Snapshot snapshot;
        final PlanDraft draft;
        private final Map<Long, PlanParcelRow> rows;

        InHand(long plan) {
            snapshot = inputs.read();
            rows = shelf.parcels(plan).stream()
                    .collect(Collectors.toMap(PlanParcelRow::id, Function.identity(), (a, b) -> a, LinkedHashMap::new));
            draft = PlanDraft.of(snapshot.inputs(), shelf.stood(plan, snapshot), false);
        }

        /** The same once more, for another try. */
        PlanDraft fresh(long plan) {
            return PlanDraft.of(snapshot.inputs(), shelf.stood(plan, snapshot), false);
        }

        /**
         * What still waits of parcels, in their order.
         *
         * @throws Rejected when nothing does, or none of them is of this plan
         */
        List<Part> parts(PlanDraft of, Collection<Long> parcels) {
            if (parcels.size() > MOST_PARCELS) {
                throw new Rejected(Fault.of("parcels", "picks.range", parcels.size(), MOST_PARCELS));
            }
            Set<Part> parts = new LinkedHashSet<>();
            for (Long id : parcels) {
                PlanParcelRow row = rows.get(id);
                if (row != null && row.state() != State.BEGUN) {
                    row.pieces().forEach(piece -> of.of(piece).ifPresent(parts::add));
                }
            }
            if (parts.isEmpty()) {
                throw new Rejected(Fault.of("parcels", "plan.nothingWaits"));
            }
            return List.copyOf(parts);
        }

        /** The parcel that a part was taken up from; nothing for one that is new. */
        @Nullable
        Long parcelOf(Part part) {
            return rows.values().stream()
                    .filter(row -> row.pieces().contains(part.pieces().get(0)))
                    .map(PlanParcelRow::id)
                    .findFirst()
                    .orElse(null);
        }

        int maker(long person) {
            Integer maker = snapshot.places().get(person);
            if (maker == null) {
                throw new Rejected(Fault.of("person", "plan.notAtTheBench"));
            }
            return maker;
        }

        Planned planned() {
            return draft.work(snapshot.seen());
        }

        WorkPlan placed(Planned planned) {
            return Mending.placed(planned.work(), planned.lines());
        }

        private List<PlanParcelRow> rows() {
            return List.copyOf(rows.values());
        }
    }

    /**
     * Takes up the plan that is worked on.
     *
     * @throws Conflict when somebody is planning, or did something with it since it was seen
     */
    InHand take(long seen) {
        planning.mustNotGo();
        WorkPlanRow head = shelf.head().orElseThrow(() -> new NotFound("notFound"));
        if (head.id() != seen) {
            throw new Conflict("plan.changed", head.madeBy());
        }
        return new InHand(seen);
    }

    private long lay(InHand hand, PlanDraft draft, long seen, PlanAct act, List<Happening> about) {
        Planned planned = draft.work(hand.snapshot.seen());
        WorkPlan plan = hand.placed(planned);
        draft.sequences(planned, plan.sequences());
        return shelf.lay(
                new Laid(
                        Evaluated.of(hand.snapshot, draft, planned, plan, Evaluated.FEW),
                        act,
                        about,
                        Workshop.whoever()),
                seen,
                false);
    }

    private static List<Happening> about(Collection<Part> parts, String name) {
        return List.of(new Happening(
                What.PIECES,
                name,
                parts.stream().mapToInt(p -> p.pieces().size()).sum()));
    }

    private static Rejected refused(DoesNotFit why, String field) {
        return new Rejected(
                switch (why.why()) {
                    case DAY_FULL -> Fault.of(field, "plan.dayFull", minutes(why.needed()), minutes(why.there()));
                    case NO_CORD_YET -> Fault.of(field, "plan.noCordYet", why.needed() - why.there());
                    case NOT_TIED -> Fault.of(field, "plan.notTied");
                    case NOT_SO_MANY -> Fault.of(field, "plan.notSoMany", why.there() - 1);
                    case NOT_ALIKE -> Fault.of(field, "plan.notAlike");
                });
    }

    private static long minutes(long seconds) {
        return (seconds + 59) / 60;
    }

    private String name(InHand hand, int maker) {
        return hand.snapshot.makers().get(maker).name();
    }

    /**
     * Moves parcels: before another, or to a day; when that day is not the one on which they then come to stand, they are pinned to it.
     *
     * @param before a parcel in that maker's line; nothing for the end of it, or where a day is given
     */
    @Transactional
    public long move(long seen, List<Long> parcels, long person, @Nullable Long before, @Nullable LocalDate day) {
        InHand hand = take(seen);
        int maker = hand.maker(person);
        List<Part> parts = hand.parts(hand.draft, parcels);
        try {
            Optional<Part> next = before == null
                    ? firstOn(hand, parcels, person, day)
                    : hand.parts(hand.draft, List.of(before)).stream().findFirst();
            hand.draft.move(parts, maker, next.filter(p -> !parts.contains(p)));
            PlanDraft draft = hand.draft;
            if (day != null && !begins(hand, parts.get(0), hand.snapshot.day(day))) {
                draft = hand.fresh(seen);
                draft.pin(hand.parts(draft, parcels), maker, hand.snapshot.day(day));
            }
            return lay(hand, draft, seen, PlanAct.MOVED, about(parts, name(hand, maker)));
        } catch (DoesNotFit e) {
            throw refused(e, day == null ? "parcels" : "day");
        }
    }

    /** What else begins on that day or later in the maker's line. */
    private static Optional<Part> firstOn(InHand hand, List<Long> without, long person, @Nullable LocalDate day) {
        return hand.rows().stream()
                .filter(r -> r.person() == person && r.state() == State.FREE && !without.contains(r.id()))
                .filter(r -> day != null && !r.fromDay().isBefore(day))
                .flatMap(r -> r.pieces().stream().flatMap(p -> hand.draft.of(p).stream()))
                .findFirst();
    }

    private static boolean begins(InHand hand, Part part, int day) {
        Planned planned = hand.planned();
        int parcel = planned.parts().indexOf(part);
        return hand.placed(planned).makers().stream()
                .flatMap(List::stream)
                .anyMatch(placed -> placed.parcel() == parcel && placed.from() == day);
    }

    /** Pins parcels to a maker's day, or where they stand. */
    @Transactional
    public long pin(long seen, List<Long> parcels, @Nullable Long person, @Nullable LocalDate day) {
        InHand hand = take(seen);
        return pin(hand, seen, parcels, person, day, PlanAct.PINNED);
    }

    private long pin(
            InHand hand, long seen, List<Long> parcels, @Nullable Long person, @Nullable LocalDate day, PlanAct act) {
        List<Part> parts = hand.parts(hand.draft, parcels);
        Map<Part, Where> stand = stand(hand);
        try {
            for (Part part : parts) {
                Where where = stand.getOrDefault(part, new Where(0, 0));
                hand.draft.pin(
                        List.of(part),
                        person == null ? where.maker() : hand.maker(person),
                        day == null ? where.day() : hand.snapshot.day(day));
            }
        } catch (DoesNotFit e) {
            throw refused(e, "day");
        }
        return lay(hand, hand.draft, seen, act, about(parts, ""));
    }

    private record Where(int maker, int day) {}

    /** Where parts stand as the plan places them; those that are pinned are not among them. */
    private static Map<Part, Where> stand(InHand hand) {
        Planned planned = hand.planned();
        WorkPlan plan = hand.placed(planned);
        Map<Part, Where> stand = new LinkedHashMap<>();
        for (int m = 0; m < plan.makers().size(); m++) {
            for (Placed placed : plan.makers().get(m)) {
                stand.put(planned.parts().get(placed.parcel()), new Where(m, placed.from()));
            }
        }
        return stand;
    }

    @Transactional
    public long release(long seen, List<Long> parcels) {
        InHand hand = take(seen);
        List<Part> parts = hand.parts(hand.draft, parcels);
        hand.draft.release(parts);
        return lay(hand, hand.draft, seen, PlanAct.RELEASED, about(parts, ""));
    }

    @Transactional
    public long split(long seen, List<Long> parcels, int count) {
        InHand hand = take(seen);
        List<Part> parts = hand.parts(hand.draft, parcels);
        try {
            hand.draft.split(parts, count);
        } catch (DoesNotFit e) {
            throw refused(e, "count");
        }
        return lay(hand, hand.draft, seen, PlanAct.SPLIT, about(parts, ""));
    }

    /** Others go on where these end. */
    @Transactional
    public long merge(long seen, List<Long> parcels, List<Long> others) {
        InHand hand = take(seen);
        List<Part> parts = hand.parts(hand.draft, parcels);
        List<Part> joined = new ArrayList<>(hand.parts(hand.draft, others));
        joined.removeAll(parts);
        try {
            hand.draft.merge(parts, joined);
        } catch (DoesNotFit e) {
            throw refused(e, "with");
        }
        return lay(hand, hand.draft, seen, PlanAct.MERGED, about(parts, ""));
    }

    /** Pins everything of a day to it, or lets it go. */
    @Transactional
    public long lockDay(long seen, @Nullable Long person, LocalDate day, boolean locked) {
        InHand hand = take(seen);
        List<Long> parcels = hand.rows().stream()
                .filter(r -> person == null || r.person() == person)
                .filter(r -> r.fromDay().equals(day) && r.state() == (locked ? State.FREE : State.PINNED))
                .map(PlanParcelRow::id)
                .toList();
        if (locked) {
            return pin(hand, seen, parcels, null, day, PlanAct.DAY_LOCKED);
        }
        List<Part> parts = hand.parts(hand.draft, parcels);
        hand.draft.release(parts);
        return lay(hand, hand.draft, seen, PlanAct.DAY_RELEASED, about(parts, ""));
    }

    /**
     * Makes a batch of what is open of parcels, so that it is cut together, and pins them where they stand as far as their days hold
     * that.
     *
     * @param seen the plan that is worked on, or the one that people have seen
     * @return the batch
     */
    @Transactional
    public long takeBatch(long seen, List<Long> parcels) {
        planning.mustNotGo();
        WorkPlanRow head = shelf.head().orElseThrow(() -> new NotFound("notFound"));
        boolean known = seen == head.id()
                || shelf.published().filter(p -> p.id() == seen).isPresent();
        if (!known) {
            throw new Conflict("plan.changed", head.madeBy());
        }
        Set<Long> wanted = Set.copyOf(parcels);
        List<Long> pieces = shelf.parcels(seen).stream()
                .filter(row -> wanted.contains(row.id()))
                .flatMap(row -> row.pieces().stream())
                .toList();
        List<Long> open = entities.createQuery(
                        "select p.id from Piece p where p.id in :pieces and p.stage = :open order by p.id", Long.class)
                .setParameter("pieces", pieces)
                .setParameter("open", PieceStage.OPEN)
                .getResultList();
        if (open.isEmpty()) {
            throw new Rejected(Fault.of("parcels", "plan.nothingOpen"));
        }
        long batch = batches.makeOf(open);
        InHand hand = new InHand(head.id());
        Map<Part, Where> stand = stand(hand);
        Set<Part> taken = new LinkedHashSet<>();
        open.forEach(piece -> hand.draft.of(piece).ifPresent(taken::add));
        for (Part part : taken) {
            Where where = stand.get(part);
            try {
                if (where != null) {
                    hand.draft.pin(List.of(part), where.maker(), where.day());
                }
            } catch (DoesNotFit e) {
                // It runs over its day, and stays where the plan has it.
                continue;
            }
        }
        lay(hand, hand.draft, head.id(), PlanAct.TAKEN, about(taken, ""));
        return batch;
    }

    /** An order goes before all others. */
    @Transactional
    public long goFirst(long seen, long order) {
        InHand hand = take(seen);
        List<Long> parcels = hand.rows().stream()
                .filter(r -> r.order() == order && r.state() == State.FREE)
                .map(PlanParcelRow::id)
                .toList();
        Set<Part> first = new LinkedHashSet<>(hand.parts(hand.draft, parcels));
        hand.draft.goFirst(first);
        return lay(hand, hand.draft, seen, PlanAct.GOES_FIRST, about(first, ""));
    }

    @Transactional
    public void publish(long seen) {
        planning.mustNotGo();
        shelf.publish(seen, Workshop.whoever());
    }

    /** Takes back what was done last; makers only what they did themselves. */
    @Transactional
    public long back(long seen) {
        planning.mustNotGo();
        shelf.head().ifPresent(head -> Workshop.mayTakeBack(head.madeBy()));
        return shelf.back(seen);
    }
}
