package dev.restis.core.batch.search;

import dev.restis.core.batch.Bench;
import dev.restis.core.batch.Parcel;
import dev.restis.core.batch.Pin;
import dev.restis.core.batch.PlanMaker;
import dev.restis.core.batch.PlanWork;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The work as arrays, by the places of parcels, makers and orders in their lists. */
final class Model {

    static final int NOTHING = 0;

    final PlanWork work;
    final int parcels;
    final int makers;
    /** Seconds of one piece by maker and parcel; below 0 when the maker does not tie it. */
    final int[][] each;

    final int[] pieces;
    final long[] standard;
    final int[] release;
    final int[] order;
    /** What must lie on the bench, numbered from 1. */
    final int[] bench;
    /** By bench: benches between which only spools are changed; and of one family. */
    final int[] group;

    final int[] family;
    /** Seconds from what lies on the bench to what must; from {@link #NOTHING} on an empty one. */
    final int[][] setUp;

    final long[][] capacity;
    /** What a pin leaves on the bench, by maker and day; below 0 when there is none. */
    final int[][] pinned;

    final int[] first;
    final int[][] parcelsOf;

    Model(PlanWork work) {
        this.work = work;
        this.parcels = work.parcels().size();
        this.makers = work.makers().size();
        each = new int[makers][parcels];
        pieces = new int[parcels];
        standard = new long[parcels];
        release = new int[parcels];
        order = new int[parcels];
        bench = new int[parcels];
        List<Bench> benches = new ArrayList<>();
        Map<String, Integer> known = new HashMap<>();
        for (int p = 0; p < parcels; p++) {
            Parcel parcel = work.parcels().get(p);
            pieces[p] = parcel.pieces();
            standard[p] = parcel.work();
            release[p] = parcel.release();
            order[p] = parcel.order();
            bench[p] = number(parcel.bench(), benches, known);
            boolean tied = false;
            for (int m = 0; m < makers; m++) {
                each[m][p] = work.makers().get(m).seconds(parcel).orElse(-1);
                tied |= each[m][p] > 0;
            }
            if (!tied) {
                throw new IllegalArgumentException("nobody ties parcel " + p);
            }
        }
        first = new int[makers];
        for (int m = 0; m < makers; m++) {
            first[m] = work.makers()
                    .get(m)
                    .bench()
                    .map(b -> number(b, benches, known))
                    .orElse(NOTHING);
        }
        work.pins().forEach(pin -> number(pin.bench(), benches, known));
        int days =
                work.makers().stream().mapToInt(m -> m.seconds().size()).max().orElse(0);
        capacity = new long[makers][days];
        pinned = new int[makers][days];
        for (int m = 0; m < makers; m++) {
            java.util.Arrays.fill(pinned[m], -1);
            PlanMaker maker = work.makers().get(m);
            for (int d = 0; d < days; d++) {
                capacity[m][d] = maker.on(d);
            }
        }
        for (Pin pin : work.pins()) {
            if (pin.day() >= days) {
                throw new IllegalArgumentException("a pin lies on day " + pin.day() + " of " + days);
            }
            capacity[pin.maker()][pin.day()] = Math.max(0, capacity[pin.maker()][pin.day()] - pin.seconds());
            pinned[pin.maker()][pin.day()] = number(pin.bench(), benches, known);
        }
        group = new int[benches.size() + 1];
        family = new int[benches.size() + 1];
        setUp = new int[benches.size() + 1][benches.size() + 1];
        Map<String, Integer> groups = new HashMap<>();
        Map<String, Integer> families = new HashMap<>();
        for (int b = 1; b <= benches.size(); b++) {
            Bench to = benches.get(b - 1);
            group[b] = groups.computeIfAbsent(to.family() + "|" + to.jig(), k -> groups.size() + 1);
            family[b] = families.computeIfAbsent(to.family(), k -> families.size() + 1);
            setUp[NOTHING][b] = work.setUps().seconds(Optional.empty(), to);
            for (int a = 1; a <= benches.size(); a++) {
                setUp[a][b] = work.setUps().seconds(Optional.of(benches.get(a - 1)), to);
            }
        }
        parcelsOf = parcelsOf();
    }

    private static int number(Bench bench, List<Bench> benches, Map<String, Integer> known) {
        return known.computeIfAbsent(bench.key(), k -> {
            benches.add(bench);
            return benches.size();
        });
    }

    private int[][] parcelsOf() {
        int[] counts = new int[work.orders().size()];
        for (int p = 0; p < parcels; p++) {
            counts[order[p]]++;
        }
        int[][] of = new int[counts.length][];
        for (int o = 0; o < counts.length; o++) {
            of[o] = new int[counts[o]];
        }
        for (int p = parcels - 1; p >= 0; p--) {
            of[order[p]][--counts[order[p]]] = p;
        }
        return of;
    }

    boolean ties(int maker, int parcel) {
        return each[maker][parcel] > 0;
    }

    long capacity(int maker, int day) {
        return day < capacity[maker].length
                ? capacity[maker][day]
                : work.makers().get(maker).on(day);
    }

    /** What lies on the bench in the morning after a day. */
    int after(int maker, int day, int lies) {
        return day < pinned[maker].length && pinned[maker][day] >= 0 ? pinned[maker][day] : lies;
    }
}
