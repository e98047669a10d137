package dev.restis.core.batch.draft;

import dev.restis.core.batch.Bench;
import dev.restis.core.batch.Pin;
import dev.restis.core.batch.draft.DoesNotFit.Why;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Parts that stand on days of their own: each at the end of one, in the order in which they were pinned. */
final class Pins {

    /**
     * Where a part is pinned.
     *
     * @param maker place in the list of makers
     * @param day counted from the first of the plan
     */
    record Pinned(int maker, int day) {}

    private final Inputs inputs;
    private final BegunDays begun;
    private final Map<Part, Pinned> pins = new LinkedHashMap<>();

    Pins(Inputs inputs, BegunDays begun) {
        this.inputs = inputs;
        this.begun = begun;
    }

    /** As if these were pinned no more. */
    Pins without(Collection<Part> parts) {
        Pins others = new Pins(inputs, begun);
        others.pins.putAll(pins);
        parts.forEach(others.pins::remove);
        return others;
    }

    Optional<Pinned> get(Part part) {
        return Optional.ofNullable(pins.get(part));
    }

    void put(Part part, Pinned where) {
        pins.put(part, where);
    }

    Optional<Pinned> remove(Part part) {
        return Optional.ofNullable(pins.remove(part));
    }

    /** Others come in the place of a part, in their order; nothing where it is not pinned. */
    void replace(Part part, List<Part> by) {
        Map<Part, Pinned> before = new LinkedHashMap<>(pins);
        pins.clear();
        before.forEach((one, where) -> (one == part ? by : List.of(one)).forEach(each -> pins.put(each, where)));
    }

    Collection<Part> parts() {
        return pins.keySet();
    }

    List<Map.Entry<Part, Pinned>> inOrder() {
        return List.copyOf(pins.entrySet());
    }

    /** What a part takes a maker; nothing when they do not tie it. */
    Optional<Integer> seconds(Part part, int maker) {
        return inputs.makers()
                .get(maker)
                .seconds(part.parcel(0))
                .map(each -> each * part.pieces().size());
    }

    /** Why a maker's day does not hold these parts besides what is pinned to it. */
    Optional<DoesNotFit> fault(List<Part> parts, int maker, int day) {
        if (day < 0) {
            return Optional.of(new DoesNotFit(Why.DAY_FULL, 0, 0));
        }
        List<Pin> there = of(maker, day);
        Optional<Bench> lies = there.isEmpty()
                ? Optional.empty()
                : Optional.of(there.get(there.size() - 1).bench());
        long needed = 0;
        for (Part part : parts) {
            Optional<Integer> seconds = seconds(part, maker);
            if (seconds.isEmpty()) {
                return Optional.of(new DoesNotFit(Why.NOT_TIED, 0, 0));
            }
            if (part.lot().release() > day) {
                return Optional.of(new DoesNotFit(Why.NO_CORD_YET, part.lot().release(), day));
            }
            needed += seconds.get() + inputs.setUps().seconds(lies, part.lot().bench());
            lies = Optional.of(part.lot().bench());
        }
        long left = inputs.makers().get(maker).on(day)
                - begun.on(maker, day)
                - there.stream().mapToLong(Pin::seconds).sum();
        return needed > left ? Optional.of(new DoesNotFit(Why.DAY_FULL, needed, left)) : Optional.empty();
    }

    /** As a planner works around them. */
    List<Pin> all() {
        return pins.values().stream()
                .distinct()
                .flatMap(where -> of(where.maker(), where.day()).stream())
                .toList();
    }

    /** Of a maker's day, each with the dearest set-up that can come before it. */
    private List<Pin> of(int maker, int day) {
        List<Pin> all = new ArrayList<>();
        pins.forEach((part, where) -> {
            if (where.equals(new Pinned(maker, day))) {
                int seconds = seconds(part, maker).orElse(0) + setUp(part);
                all.add(new Pin(maker, day, part.lot().bench(), seconds));
            }
        });
        return all;
    }

    /** Seconds of setting up for a pinned part, as its day keeps them free: after what is pinned before it, or from nothing. */
    int setUp(Part part) {
        Optional<Bench> lies = Optional.empty();
        Pinned where = pins.get(part);
        for (Map.Entry<Part, Pinned> pin : pins.entrySet()) {
            if (pin.getKey() == part) {
                return inputs.setUps().seconds(lies, part.lot().bench());
            }
            if (pin.getValue().equals(where)) {
                lies = Optional.of(pin.getKey().lot().bench());
            }
        }
        return 0;
    }
}
