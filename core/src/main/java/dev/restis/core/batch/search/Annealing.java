package dev.restis.core.batch.search;

import java.util.SplittableRandom;

/**
 * Moves blocks of parcels beside their like, along their line or anywhere, and exchanges them with runs of other makers; worse is taken
 * too, the less the cooler it gets (Kirkpatrick, Gelatt and Vecchi 1983).
 */
final class Annealing {

    private static final double EXCHANGES = 0.15;
    private static final int ALONG = 20;
    private static final int LONGEST_BLOCK = 6;
    private static final int DRAWN = 3;
    private static final int LONGEST_RUN = 60;

    private final Model model;
    private final Sequences now;
    private final SplittableRandom random;
    private final int[] block;
    private final int[] other;
    private final int[][] ofBench;
    private final int[][] ofGroup;
    private final int[][] ofFamily;

    /** Where a block lies. */
    private int maker;

    private int from;
    private int count;

    Annealing(Sequences now, SplittableRandom random) {
        this.model = now.model;
        this.now = now;
        this.random = random;
        block = new int[Math.max(LONGEST_RUN, model.parcels)];
        other = new int[block.length];
        ofBench = alike(model.bench);
        ofGroup = alike(
                java.util.Arrays.stream(model.bench).map(b -> model.group[b]).toArray());
        ofFamily = alike(
                java.util.Arrays.stream(model.bench).map(b -> model.family[b]).toArray());
    }

    private int[][] alike(int[] key) {
        int most = java.util.Arrays.stream(key).max().orElse(0);
        int[] counts = new int[most + 1];
        for (int k : key) {
            counts[k]++;
        }
        int[][] of = new int[most + 1][];
        for (int k = 0; k <= most; k++) {
            of[k] = new int[counts[k]];
        }
        for (int p = 0; p < key.length; p++) {
            of[key[p]][--counts[key[p]]] = p;
        }
        return of;
    }

    /** Tries one move at a temperature in seconds; says whether it was kept. */
    boolean step(double temperature) {
        if (!choose()) {
            return false;
        }
        long worst = (long) (-temperature * StrictMath.log(1 - random.nextDouble()));
        boolean put = model.makers > 1 && random.nextDouble() < EXCHANGES ? exchange() : move();
        if (!put || now.tryOut() > worst) {
            return false;
        }
        now.keep();
        return true;
    }

    /** A parcel and what goes with it: itself, its run of what is alike, or a few. */
    private boolean choose() {
        int parcel = random.nextInt(model.parcels);
        maker = now.makerOf[parcel];
        if (maker < 0) {
            return false;
        }
        from = now.placeOf[parcel];
        count = 1;
        switch (random.nextInt(5)) {
            case 0 -> run(parcel, Level.BENCH);
            case 1 -> run(parcel, Level.GROUP);
            case 2 -> run(parcel, Level.FAMILY);
            case 3 -> count = 1 + random.nextInt(Math.min(LONGEST_BLOCK, now.length[maker] - from));
            default -> {}
        }
        System.arraycopy(now.line[maker], from, block, 0, count);
        return true;
    }

    private enum Level {
        BENCH,
        GROUP,
        FAMILY
    }

    private int key(int parcel, Level level) {
        int bench = model.bench[parcel];
        return switch (level) {
            case BENCH -> bench;
            case GROUP -> model.group[bench];
            case FAMILY -> model.family[bench];
        };
    }

    private void run(int parcel, Level level) {
        int key = key(parcel, level);
        int first = from;
        int last = from;
        while (first > 0 && last - first < LONGEST_RUN - 1 && key(now.line[maker][first - 1], level) == key) {
            first--;
        }
        while (last < now.length[maker] - 1
                && last - first < LONGEST_RUN - 1
                && key(now.line[maker][last + 1], level) == key) {
            last++;
        }
        from = first;
        count = last - first + 1;
    }

    private boolean move() {
        int to = maker;
        int at;
        double way = random.nextDouble();
        if (way < 0.5) {
            int beside = beside();
            if (beside < 0) {
                return false;
            }
            to = now.makerOf[beside];
            at = now.placeOf[beside] + random.nextInt(2);
        } else if (way < 0.8) {
            at = from + random.nextInt(2 * ALONG + 1) - ALONG;
            at = Math.max(0, Math.min(now.length[maker], at));
        } else {
            to = random.nextInt(model.makers);
            at = random.nextInt(now.length[to] + 1);
        }
        if (to == maker && at >= from && at <= from + count) {
            return false;
        }
        if (to != maker && !tiesAll(to, block, count)) {
            return false;
        }
        now.begin();
        now.without(maker, from, count);
        now.with(to, to == maker && at > from ? at - count : at, block, count);
        return true;
    }

    /** One that is alike, outside of the block: the nearest in days of a few. */
    private int beside() {
        int parcel = block[random.nextInt(count)];
        int bench = model.bench[parcel];
        int[] alike = switch (random.nextInt(4)) {
            case 0, 1 -> ofBench[bench];
            case 2 -> ofGroup[model.group[bench]];
            default -> ofFamily[model.family[bench]];
        };
        int nearest = -1;
        for (int i = 0; i < DRAWN; i++) {
            int drawn = alike[random.nextInt(alike.length)];
            if (now.makerOf[drawn] < 0
                    || now.makerOf[drawn] == maker && now.placeOf[drawn] >= from && now.placeOf[drawn] < from + count) {
                continue;
            }
            if (nearest < 0
                    || Math.abs(now.made[drawn] - now.made[parcel]) < Math.abs(now.made[nearest] - now.made[parcel])) {
                nearest = drawn;
            }
        }
        return nearest;
    }

    private boolean tiesAll(int who, int[] some, int many) {
        for (int i = 0; i < many; i++) {
            if (!model.ties(who, some[i])) {
                return false;
            }
        }
        return true;
    }

    /** The block goes where another maker's run of something alike is, and that comes here. */
    private boolean exchange() {
        int to = random.nextInt(model.makers);
        if (to == maker || now.length[to] == 0) {
            return false;
        }
        int mine = maker;
        int mineFrom = from;
        int mineCount = count;
        int parcel = now.line[to][random.nextInt(now.length[to])];
        maker = to;
        from = now.placeOf[parcel];
        run(parcel, Level.values()[random.nextInt(Level.values().length)]);
        int theirFrom = from;
        int theirCount = count;
        maker = mine;
        from = mineFrom;
        count = mineCount;
        System.arraycopy(now.line[to], theirFrom, other, 0, theirCount);
        if (!tiesAll(to, block, count) || !tiesAll(maker, other, theirCount)) {
            return false;
        }
        now.begin();
        now.without(maker, from, count);
        now.with(maker, from, other, theirCount);
        now.without(to, theirFrom, theirCount);
        now.with(to, theirFrom, block, count);
        return true;
    }
}
