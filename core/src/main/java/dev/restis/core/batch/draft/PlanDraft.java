package dev.restis.core.batch.draft;

import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.Parcel;
import dev.restis.core.batch.Parcelling;
import dev.restis.core.batch.Pin;
import dev.restis.core.batch.PlanMaker;
import dev.restis.core.batch.PlanWork;
import dev.restis.core.batch.PlanWork.Seen;
import dev.restis.core.batch.draft.DoesNotFit.Why;
import dev.restis.core.batch.draft.Pins.Pinned;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A plan in hand: every piece that waits stands in a part, every part in one maker's line, pinned to a day, or nowhere yet. Hands move,
 * pin, split and merge parts; a planner gets it as {@link PlanWork} and answers sequences.
 */
public final class PlanDraft {

    private final Inputs inputs;
    private final List<List<Part>> lines = new ArrayList<>();
    private final List<Part> nowhere = new ArrayList<>();
    private final List<Part> wasPinned = new ArrayList<>();
    private final BegunDays begun;
    private final Pins pins;

    private PlanDraft(Inputs inputs) {
        this.inputs = inputs;
        this.begun = new BegunDays(inputs);
        this.pins = new Pins(inputs, begun);
        inputs.makers().forEach(m -> lines.add(new ArrayList<>()));
    }

    /**
     * What stood before, as far as it still waits; what is new stands nowhere yet. A pin that its day does not hold any more is let go,
     * and so is one of a maker who is gone.
     *
     * @param anew whether only pins stay, and all else is cut up and placed anew
     */
    public static PlanDraft of(Inputs inputs, List<Stood> stood, boolean anew) {
        PlanDraft draft = new PlanDraft(inputs);
        Map<Long, Lot> lots = new HashMap<>();
        inputs.lots().forEach(lot -> lot.pieces().forEach(piece -> lots.put(piece, lot)));
        for (Stood one : stood) {
            if (anew && one.pinnedOn().isEmpty()) {
                continue;
            }
            Map<Lot, List<Long>> left = new LinkedHashMap<>();
            for (Long piece : one.pieces()) {
                Lot lot = lots.remove(piece);
                if (lot != null) {
                    left.computeIfAbsent(lot, l -> new ArrayList<>()).add(piece);
                }
            }
            boolean apart = one.apart();
            for (Map.Entry<Lot, List<Long>> part : left.entrySet()) {
                draft.carry(one, new Part(part.getKey(), part.getValue(), apart));
                apart = false;
            }
        }
        for (Lot lot : inputs.lots()) {
            draft.cutUp(lot, lot.pieces().stream().filter(lots::containsKey).toList());
        }
        return draft;
    }

    private void carry(Stood stood, Part part) {
        if (stood.pinnedOn().isPresent()) {
            if (stood.maker() >= 0
                    && pins.fault(List.of(part), stood.maker(), stood.pinnedOn().getAsInt())
                            .isEmpty()) {
                pins.put(part, new Pinned(stood.maker(), stood.pinnedOn().getAsInt()));
                return;
            }
            wasPinned.add(part);
        }
        if (stood.maker() >= 0) {
            lines.get(stood.maker()).add(part);
        } else {
            nowhere.add(part);
        }
    }

    private void cutUp(Lot lot, List<Long> pieces) {
        int from = 0;
        for (int size : sizes(lot, pieces.size())) {
            nowhere.add(new Part(lot, pieces.subList(from, from + size), false));
            from += size;
        }
    }

    private static List<Integer> sizes(Lot lot, int pieces) {
        if (pieces == 0) {
            return List.of();
        }
        return lot.together() ? List.of(pieces) : Parcelling.sizes(pieces, lot.seconds());
    }

    /** The part in which a piece stands. */
    public Optional<Part> of(long piece) {
        return all().filter(part -> part.pieces().contains(piece)).findFirst();
    }

    private Stream<Part> all() {
        return Stream.of(lines.stream().flatMap(List::stream), pins.parts().stream(), nowhere.stream())
                .flatMap(parts -> parts);
    }

    /** What was pinned and had to be let go. */
    public List<Part> wasPinned() {
        return List.copyOf(wasPinned);
    }

    Pins pins() {
        return pins;
    }

    BegunDays begun() {
        return begun;
    }

    Inputs inputs() {
        return inputs;
    }

    /** Parts come to stand before another in a maker's line, in their order, and are pinned no more. */
    public void move(List<Part> parts, int maker, Optional<Part> before) {
        for (Part part : parts) {
            mustTie(part, maker);
        }
        takeOut(parts);
        List<Part> line = lines.get(maker);
        int at = before.map(line::indexOf).filter(i -> i >= 0).orElse(line.size());
        line.addAll(at, parts);
    }

    /**
     * Parts are pinned to a maker's day.
     *
     * @throws DoesNotFit when it does not hold them
     */
    public void pin(List<Part> parts, int maker, int day) {
        pins.without(parts).fault(parts, maker, day).ifPresent(fault -> {
            throw fault;
        });
        takeOut(parts);
        parts.forEach(part -> pins.put(part, new Pinned(maker, day)));
    }

    /** Parts go back to the beginning of their makers' lines, from where a planner may move them. */
    public void release(List<Part> parts) {
        for (Part part : parts) {
            pins.remove(part).ifPresent(pin -> lines.get(pin.maker()).add(0, part));
        }
    }

    /**
     * Parts a batch in two, the first of which has so many pieces.
     *
     * @throws DoesNotFit when it has not more than that
     */
    public void split(List<Part> batch, int count) {
        int all = batch.stream().mapToInt(part -> part.pieces().size()).sum();
        if (count < 1 || count >= all) {
            throw new DoesNotFit(Why.NOT_SO_MANY, count, all);
        }
        int seen = 0;
        for (Part part : batch) {
            int size = part.pieces().size();
            if (seen == count) {
                replace(part, List.of(new Part(part.lot(), part.pieces(), true)));
                return;
            }
            if (seen + size > count) {
                replace(
                        part,
                        List.of(
                                new Part(part.lot(), part.pieces().subList(0, count - seen), part.apart()),
                                new Part(part.lot(), part.pieces().subList(count - seen, size), true)));
                return;
            }
            seen += size;
        }
    }

    /**
     * Another batch goes on where a batch ends.
     *
     * @throws DoesNotFit when something other than spools would have to be changed between them
     */
    public void merge(List<Part> batch, List<Part> other) {
        Part last = batch.get(batch.size() - 1);
        for (Part part : other) {
            if (!part.lot().bench().grouped(last.lot().bench())) {
                throw new DoesNotFit(Why.NOT_ALIKE, 0, 0);
            }
        }
        List<Part> joined = new ArrayList<>();
        for (Part part : other) {
            joined.add(new Part(part.lot(), part.pieces(), false));
        }
        for (int i = 0; i < other.size(); i++) {
            replace(other.get(i), List.of(joined.get(i)));
        }
        Optional<Pinned> pin = pins.get(last);
        if (pin.isPresent()) {
            pin(joined, pin.get().maker(), pin.get().day());
            return;
        }
        takeOut(joined);
        for (List<Part> line : lines) {
            int at = line.indexOf(last);
            if (at >= 0) {
                line.addAll(at + 1, joined);
            }
        }
    }

    /** Parts come to stand before all others of their makers' lines, in their order there. */
    public void goFirst(Collection<Part> parts) {
        for (List<Part> line : lines) {
            List<Part> first = line.stream().filter(parts::contains).toList();
            line.removeAll(first);
            line.addAll(0, first);
        }
    }

    private void replace(Part part, List<Part> by) {
        for (List<Part> line : lines) {
            int at = line.indexOf(part);
            if (at >= 0) {
                line.remove(at);
                line.addAll(at, by);
            }
        }
        int at = nowhere.indexOf(part);
        if (at >= 0) {
            nowhere.remove(at);
            nowhere.addAll(at, by);
        }
        pins.replace(part, by);
    }

    private void takeOut(List<Part> parts) {
        lines.forEach(line -> line.removeAll(parts));
        nowhere.removeAll(parts);
        parts.forEach(pins::remove);
    }

    private void mustTie(Part part, int maker) {
        if (pins.seconds(part, maker).isEmpty()) {
            throw new DoesNotFit(Why.NOT_TIED, 0, 0);
        }
    }

    /**
     * As a planner gets it.
     *
     * @param parts the part of each parcel
     * @param lines parcels by maker as they stand; what stands nowhere is in none
     */
    public record Planned(PlanWork work, List<Part> parts, List<List<Integer>> lines) {}

    /**
     * Makes it.
     *
     * @param seen where pieces stand in the plan that people have seen
     */
    public Planned work(Map<Long, Seen> seen) {
        List<Part> parts = new ArrayList<>();
        List<List<Integer>> sequences = new ArrayList<>();
        for (List<Part> line : lines) {
            List<Integer> sequence = new ArrayList<>();
            for (Part part : line) {
                sequence.add(parts.size());
                parts.add(part);
            }
            sequences.add(sequence);
        }
        parts.addAll(nowhere);
        List<Parcel> parcels = new ArrayList<>();
        List<Seen> before = new ArrayList<>();
        for (int p = 0; p < parts.size(); p++) {
            parcels.add(parts.get(p).parcel(p));
            before.add(seen.getOrDefault(parts.get(p).pieces().get(0), Seen.NOWHERE));
        }
        List<Pin> fixed = new ArrayList<>(begun.pins());
        fixed.addAll(pins.all());
        PlanWork work = new PlanWork(
                kept(),
                orders(),
                parcels,
                fixed,
                inputs.setUps(),
                inputs.wholePieces(),
                seen.isEmpty() ? List.of() : before);
        return new Planned(work, parts, sequences);
    }

    /** What is planned on of each day. */
    private List<PlanMaker> kept() {
        List<PlanMaker> kept = new ArrayList<>();
        for (PlanMaker maker : inputs.makers()) {
            kept.add(new PlanMaker(
                    maker.id(),
                    maker.seconds().stream()
                            .map(seconds -> (int) Math.floor(seconds * (1 - inputs.keepFree())))
                            .toList(),
                    maker.pace(),
                    maker.bench()));
        }
        return kept;
    }

    private List<DueOrder> orders() {
        Map<Integer, Integer> fixed = new HashMap<>(begun.made());
        pins.inOrder()
                .forEach(pin ->
                        fixed.merge(pin.getKey().lot().order(), pin.getValue().day(), Math::max));
        List<DueOrder> orders = new ArrayList<>();
        for (int o = 0; o < inputs.orders().size(); o++) {
            DueOrder order = inputs.orders().get(o);
            orders.add(new DueOrder(order.id(), order.due(), order.weight(), order.delay(), fixed.getOrDefault(o, -1)));
        }
        return orders;
    }

    /** What a planner answered. */
    public void sequences(Planned planned, List<List<Integer>> sequences) {
        Map<Part, Boolean> placed = new IdentityHashMap<>();
        for (int m = 0; m < lines.size(); m++) {
            List<Part> line = lines.get(m);
            line.clear();
            for (int parcel : sequences.get(m)) {
                line.add(planned.parts().get(parcel));
                placed.put(planned.parts().get(parcel), true);
            }
        }
        nowhere.removeIf(placed::containsKey);
    }
}
