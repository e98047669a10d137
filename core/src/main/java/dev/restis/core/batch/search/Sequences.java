package dev.restis.core.batch.search;

import dev.restis.core.batch.Aims;
import dev.restis.core.batch.DueOrder;
import dev.restis.core.batch.WorkPlan;
import dev.restis.core.batch.WorkPlan.Placed;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Parcels by maker, one after the other, and what that is worth. A change of one or two makers' sequences is tried without writing:
 * from the first place that differs until the maker stands again as before, and only the orders are priced anew whose parcels moved;
 * then it is kept, or was nothing.
 */
final class Sequences {

    /** What a second of the walk is worth: days late and orders late against effort. */
    static final long LATE_DAY = 7_200;

    static final long LATE_ORDER = 1_800;

    final Model model;
    final int[][] line;
    final int[] length;
    final int[] makerOf;
    final int[] placeOf;
    final int[] made;
    private final Stations stations;
    private final long[][] effortBefore;
    private final int[] orderMade;
    private final long[] orderWaits;
    private long lateDays;
    private int lateOrders;
    private long waits;
    private long disturbed;

    private final Place place;
    private final int[][] trial;
    private final int[] trialLength;
    private final int[] trialFrom;
    private final boolean[] tried;
    private final int[] newMade;
    private final int[] newMaker;
    private final int[] stamp;
    private final int[] orderStamp;
    private final int[] touchedParcels;
    private final int[] touchedOrders;
    private final int[] newOrderMade;
    private final long[] newOrderWaits;
    private int touchedParcelCount;
    private int touchedOrderCount;
    private int epoch;
    private long trialLateDays;
    private int trialLateOrders;
    private long trialWaits;
    private long trialDisturbed;
    /** The only order that may get later in a trial; below 0 when any may. */
    private int mayBeLater = -1;

    private boolean somebodyLater;

    Sequences(Model model) {
        this.model = model;
        int parcels = model.parcels;
        int orders = model.work.orders().size();
        line = new int[model.makers][parcels + 1];
        length = new int[model.makers];
        makerOf = new int[parcels];
        placeOf = new int[parcels];
        made = new int[parcels];
        Arrays.fill(makerOf, -1);
        stations = new Stations(model);
        effortBefore = new long[model.makers][parcels + 2];
        orderMade = new int[orders];
        orderWaits = new long[orders];
        place = new Place(model);
        trial = new int[model.makers][parcels + 1];
        trialLength = new int[model.makers];
        trialFrom = new int[model.makers];
        tried = new boolean[model.makers];
        newMade = new int[parcels];
        newMaker = new int[parcels];
        stamp = new int[parcels];
        orderStamp = new int[orders];
        touchedParcels = new int[parcels];
        touchedOrders = new int[orders];
        newOrderMade = new int[orders];
        newOrderWaits = new long[orders];
    }

    /** Begins with these sequences; parcels that stand nowhere cost nothing yet. */
    void set(List<List<Integer>> makers) {
        Arrays.fill(makerOf, -1);
        for (int m = 0; m < model.makers; m++) {
            length[m] = 0;
            for (int parcel : makers.get(m)) {
                line[m][length[m]++] = parcel;
            }
        }
        decodeAll();
    }

    private void decodeAll() {
        // What was tried and not kept says nothing of what stands.
        begin();
        for (int m = 0; m < model.makers; m++) {
            decode(m, 0);
        }
        lateDays = 0;
        lateOrders = 0;
        waits = 0;
        disturbed = 0;
        for (int o = 0; o < orderMade.length; o++) {
            price(o);
            orderMade[o] = newOrderMade[o];
            orderWaits[o] = newOrderWaits[o];
            int late = late(o, orderMade[o]);
            lateDays += (long) late * order(o).weight();
            lateOrders += late > 0 ? 1 : 0;
            waits += orderWaits[o];
        }
        for (int p = 0; p < model.parcels; p++) {
            disturbed += makerOf[p] < 0 ? 0 : disturbance(p, makerOf[p], made[p]);
        }
    }

    private DueOrder order(int o) {
        return model.work.orders().get(o);
    }

    private int late(int o, int lastMade) {
        return order(o).late(lastMade);
    }

    private long disturbance(int parcel, int maker, int day) {
        return model.work.before().isEmpty()
                ? 0
                : Aims.disturbance(model.work.before().get(parcel), maker, day, model.pieces[parcel]);
    }

    /** Writes down where a maker is before each parcel, from a place on. */
    private void decode(int m, int from) {
        if (from == 0) {
            place.start(m);
        } else {
            stations.read(m, from, place);
        }
        for (int i = from; i < length[m]; i++) {
            stations.write(m, i, place);
            int parcel = line[m][i];
            place.tie(parcel);
            makerOf[parcel] = m;
            placeOf[parcel] = i;
            made[parcel] = place.day;
            effortBefore[m][i + 1] = effortBefore[m][i] + place.effort;
        }
        stations.write(m, length[m], place);
    }

    /** Begins a trial; then the sequences that it changes are said. */
    void begin() {
        mayBeLater = -1;
        somebodyLater = false;
        epoch++;
        touchedParcelCount = 0;
        touchedOrderCount = 0;
        Arrays.fill(tried, false);
    }

    /** The trial ends as soon as it makes an order later than it is, but for this one. */
    void nobodyLaterBut(int order) {
        mayBeLater = order;
    }

    /** A maker's sequence without a block, on trial. */
    void without(int m, int from, int count) {
        copy(m, from);
        System.arraycopy(trial[m], from + count, trial[m], from, trialLength[m] - from - count);
        trialLength[m] -= count;
        trialFrom[m] = Math.min(trialFrom[m], from);
    }

    /** A maker's sequence with a block, on trial. */
    void with(int m, int at, int[] block, int count) {
        copy(m, at);
        System.arraycopy(trial[m], at, trial[m], at + count, trialLength[m] - at);
        System.arraycopy(block, 0, trial[m], at, count);
        trialLength[m] += count;
        trialFrom[m] = Math.min(trialFrom[m], at);
    }

    private void copy(int m, int from) {
        if (!tried[m]) {
            tried[m] = true;
            System.arraycopy(line[m], 0, trial[m], 0, length[m]);
            trialLength[m] = length[m];
            trialFrom[m] = from;
        }
    }

    /** What the trial is worth, as seconds of the walk, more than what there is; below 0 when it is better. */
    long tryOut() {
        long effort = 0;
        trialDisturbed = 0;
        for (int m = 0; m < model.makers; m++) {
            if (tried[m] && !somebodyLater) {
                effort += tryMaker(m);
            }
        }
        if (somebodyLater) {
            return Long.MAX_VALUE;
        }
        trialLateDays = 0;
        trialLateOrders = 0;
        trialWaits = 0;
        for (int i = 0; i < touchedOrderCount; i++) {
            int o = touchedOrders[i];
            price(o);
            int before = late(o, orderMade[o]);
            int after = late(o, newOrderMade[o]);
            trialLateDays += (long) (after - before) * order(o).weight();
            trialLateOrders += (after > 0 ? 1 : 0) - (before > 0 ? 1 : 0);
            trialWaits += newOrderWaits[o] - orderWaits[o];
        }
        return LATE_DAY * trialLateDays + LATE_ORDER * trialLateOrders + effort + trialWaits + trialDisturbed;
    }

    /** @return how much more effort its set-ups and batches are */
    private long tryMaker(int m) {
        int from = trialFrom[m];
        int shift = trialLength[m] - length[m];
        // The longest end that is as before: there the state may be met again.
        int same = 0;
        while (same < length[m] - from
                && same < trialLength[m] - from
                && trial[m][trialLength[m] - 1 - same] == line[m][length[m] - 1 - same]) {
            same++;
        }
        int alike = trialLength[m] - same;
        stations.read(m, from, place);
        long effort = effortBefore[m][from];
        for (int i = from; i < trialLength[m]; i++) {
            if (i >= alike && stations.stands(m, i - shift, place)) {
                return effort - effortBefore[m][i - shift];
            }
            int parcel = trial[m][i];
            place.tie(parcel);
            effort += place.effort;
            if (place.day != made[parcel] || makerOf[parcel] != m) {
                touch(parcel, m, place.day);
                if (somebodyLater) {
                    return 0;
                }
            }
        }
        return effort - effortBefore[m][length[m]];
    }

    private void touch(int parcel, int maker, int day) {
        if (stamp[parcel] != epoch) {
            stamp[parcel] = epoch;
            touchedParcels[touchedParcelCount++] = parcel;
        }
        newMade[parcel] = day;
        newMaker[parcel] = maker;
        trialDisturbed += disturbance(parcel, maker, day)
                - (makerOf[parcel] < 0 ? 0 : disturbance(parcel, makerOf[parcel], made[parcel]));
        int o = model.order[parcel];
        somebodyLater |= mayBeLater >= 0 && o != mayBeLater && late(o, day) > late(o, orderMade[o]);
        if (orderStamp[o] != epoch) {
            orderStamp[o] = epoch;
            touchedOrders[touchedOrderCount++] = o;
        }
    }

    /** When an order is made, and how long its pieces wait for the last. */
    private void price(int o) {
        int last = -1;
        int pieces = 0;
        long days = 0;
        for (int parcel : model.parcelsOf[o]) {
            boolean moved = stamp[parcel] == epoch && epoch > 0;
            if (!moved && makerOf[parcel] < 0) {
                continue;
            }
            int day = moved ? newMade[parcel] : made[parcel];
            last = Math.max(last, day);
            pieces += model.pieces[parcel];
            days += (long) model.pieces[parcel] * day;
        }
        newOrderMade[o] = last;
        newOrderWaits[o] = Aims.WAITING * ((long) pieces * last - days);
    }

    /** What it would be worth as it was tried; {@code more} is what {@link #tryOut} answered. */
    Aims triedAims(long more) {
        Aims now = aims();
        long effort = more - LATE_DAY * trialLateDays - LATE_ORDER * trialLateOrders;
        return new Aims(now.lateDays() + trialLateDays, now.lateOrders() + trialLateOrders, now.effort() + effort);
    }

    /** The day on which a parcel is made in the trial. */
    int triedDay(int parcel) {
        return stamp[parcel] == epoch ? newMade[parcel] : made[parcel];
    }

    /** Keeps what was tried. */
    void keep() {
        for (int i = 0; i < touchedOrderCount; i++) {
            int o = touchedOrders[i];
            orderMade[o] = newOrderMade[o];
            orderWaits[o] = newOrderWaits[o];
        }
        lateDays += trialLateDays;
        lateOrders += trialLateOrders;
        waits += trialWaits;
        disturbed += trialDisturbed;
        for (int m = 0; m < model.makers; m++) {
            if (tried[m]) {
                int[] was = line[m];
                line[m] = trial[m];
                trial[m] = was;
                length[m] = trialLength[m];
                decode(m, trialFrom[m]);
            }
        }
    }

    /** Takes parcels out of all sequences; they cost nothing until they come back. */
    void takeOut(boolean[] out) {
        for (int m = 0; m < model.makers; m++) {
            int kept = 0;
            for (int i = 0; i < length[m]; i++) {
                int parcel = line[m][i];
                if (out[parcel]) {
                    makerOf[parcel] = -1;
                } else {
                    line[m][kept++] = parcel;
                }
            }
            length[m] = kept;
        }
        decodeAll();
    }

    boolean late(int parcel) {
        int o = model.order[parcel];
        return late(o, orderMade[o]) > 0;
    }

    /** Days in hand until the order of a parcel is late; below 0 when it is. */
    int slack(int parcel) {
        int o = model.order[parcel];
        return order(o).due() - order(o).delay() - order(o).made(orderMade[o]);
    }

    Aims aims() {
        long effort = waits + disturbed;
        for (int m = 0; m < model.makers; m++) {
            effort += effortBefore[m][length[m]];
        }
        return new Aims(lateDays, lateOrders, effort);
    }

    /** The walk's value of aims. */
    static long value(Aims aims) {
        return LATE_DAY * aims.lateDays() + LATE_ORDER * aims.lateOrders() + aims.effort();
    }

    /** The sequences as they are now. */
    int[][] lines() {
        int[][] all = new int[model.makers][];
        for (int m = 0; m < all.length; m++) {
            all[m] = Arrays.copyOf(line[m], length[m]);
        }
        return all;
    }

    /** Goes back to sequences as they were. */
    void set(int[][] lines) {
        Arrays.fill(makerOf, -1);
        for (int m = 0; m < lines.length; m++) {
            System.arraycopy(lines[m], 0, line[m], 0, lines[m].length);
            length[m] = lines[m].length;
        }
        decodeAll();
    }

    /** What it is now, as a plan. */
    WorkPlan plan() {
        List<List<Placed>> all = new ArrayList<>();
        List<Integer> spent = new ArrayList<>();
        Place at = new Place(model, spent);
        for (int m = 0; m < model.makers; m++) {
            List<Placed> placed = new ArrayList<>();
            at.start(m);
            for (int i = 0; i < length[m]; i++) {
                at.tie(line[m][i]);
                placed.add(new Placed(line[m][i], at.from, at.day, at.setUp, spent));
            }
            all.add(placed);
        }
        return new WorkPlan(all, aims());
    }
}
