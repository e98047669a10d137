package dev.restis.core.batch.search;

import java.util.Arrays;
import java.util.SplittableRandom;

/**
 * Takes related parcels out and puts each back where it costs least (Shaw 1998; Schrimpf and others 2000): beside its like, or at a
 * border between groups.
 */
final class Recreate {

    private static final int FEWEST = 3;
    private static final int MOST = 20;

    private final Model model;
    private final Sequences now;
    private final SplittableRandom random;
    private final boolean[] out;
    private final int[] one = new int[1];

    Recreate(Sequences now, SplittableRandom random) {
        this.model = now.model;
        this.now = now;
        this.random = random;
        this.out = new boolean[model.parcels];
    }

    /** One ruin and its repair; answers how many places were tried. */
    int step() {
        int many = Math.min(model.parcels, FEWEST + random.nextInt(MOST - FEWEST + 1));
        int[] chosen = choose(many);
        return putAnew(chosen, chosen.length);
    }

    /** Takes these out and puts them back one by one, the longest work first. */
    int putAnew(int[] parcels, int many) {
        Arrays.fill(out, false);
        Integer[] order = new Integer[many];
        for (int i = 0; i < many; i++) {
            out[parcels[i]] = true;
            order[i] = parcels[i];
        }
        now.takeOut(out);
        Arrays.sort(order, (a, b) -> {
            int byDue = Integer.compare(due(a), due(b));
            return byDue != 0 ? byDue : Integer.compare(a, b);
        });
        int tried = 0;
        for (int parcel : order) {
            tried += insert(parcel);
        }
        return tried;
    }

    private int due(int parcel) {
        return model.work.orders().get(model.order[parcel]).due();
    }

    private int[] choose(int many) {
        int seed = random.nextInt(model.parcels);
        if (random.nextInt(3) == 0) {
            for (int tries = 0; tries < 20 && !now.late(seed); tries++) {
                seed = random.nextInt(model.parcels);
            }
        }
        int kind = random.nextInt(3);
        int[] chosen = new int[many];
        double[] far = new double[model.parcels];
        Integer[] all = new Integer[model.parcels];
        for (int p = 0; p < model.parcels; p++) {
            all[p] = p;
            far[p] = random.nextDouble() * 3 + distance(seed, p, kind);
        }
        Arrays.sort(all, (a, b) -> Double.compare(far[a], far[b]));
        for (int i = 0; i < many; i++) {
            chosen[i] = all[i];
        }
        return chosen;
    }

    private double distance(int one, int other, int kind) {
        int a = model.bench[one];
        int b = model.bench[other];
        return switch (kind) {
            case 0 -> a == b ? 0 : model.group[a] == model.group[b] ? 2 : model.family[a] == model.family[b] ? 4 : 8;
            case 1 -> now.makerOf[one] == now.makerOf[other] ? Math.abs(now.placeOf[one] - now.placeOf[other]) : 30;
            default -> Math.abs(now.made[one] - now.made[other]);
        };
    }

    /** Where it costs least. */
    int insert(int parcel) {
        one[0] = parcel;
        int bestMaker = -1;
        int bestAt = 0;
        long best = Long.MAX_VALUE;
        int tried = 0;
        for (int m = 0; m < model.makers; m++) {
            if (!model.ties(m, parcel)) {
                continue;
            }
            for (int at = 0; at <= now.length[m]; at++) {
                if (at > 0 && at < now.length[m] && !worth(parcel, now.line[m][at - 1], now.line[m][at])) {
                    continue;
                }
                now.begin();
                now.with(m, at, one, 1);
                long cost = now.tryOut();
                tried++;
                if (cost < best) {
                    best = cost;
                    bestMaker = m;
                    bestAt = at;
                }
            }
        }
        now.begin();
        now.with(bestMaker, bestAt, one, 1);
        now.tryOut();
        now.keep();
        return tried;
    }

    /** Between two of one bench that is not its own there is nothing to gain. */
    private boolean worth(int parcel, int before, int after) {
        int a = model.bench[before];
        int b = model.bench[after];
        return a != b || a == model.bench[parcel];
    }
}
