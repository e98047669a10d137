package dev.restis.core.batch;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/** Work to plan, made up by rules: at random, and such that the best plan is known. */
final class PlanCases {

    private static final int DAY = 6 * 3600;
    private static final int DAYS = 120;

    private PlanCases() {}

    static Bench bench(int family, int jig, int cord) {
        return new Bench("family " + family, "jig " + jig, Set.of((long) cord, 100L + cord % 3));
    }

    static PlanMaker maker(int id, int day, Optional<Bench> bench) {
        return new PlanMaker(id, Collections.nCopies(DAYS, day), Map.of(), bench);
    }

    /** Anything: short days, days off, cord that comes late, orders of several lines, pins, families that not all tie. */
    static PlanWork random(long seed, int parcels, int makers, boolean wholePieces) {
        Random random = new Random(seed);
        List<PlanMaker> who = new ArrayList<>();
        for (int m = 0; m < makers; m++) {
            List<Integer> seconds = new ArrayList<>();
            for (int d = 0; d < DAYS; d++) {
                seconds.add(random.nextInt(5) == 0 ? 0 : 1800 + random.nextInt(DAY));
            }
            Map<String, Double> pace =
                    random.nextBoolean() || m == 0 ? Map.of() : Map.of("family 0", 0.8, "family 1", 1.2);
            who.add(new PlanMaker(
                    m, seconds, pace, random.nextBoolean() ? Optional.of(anyBench(random)) : Optional.empty()));
        }
        List<DueOrder> orders = new ArrayList<>();
        List<Parcel> all = new ArrayList<>();
        while (all.size() < parcels) {
            int lines = Math.min(parcels - all.size(), 1 + random.nextInt(3));
            for (int l = 0; l < lines; l++) {
                all.add(new Parcel(
                        all.size(),
                        orders.size(),
                        anyBench(random),
                        1 + random.nextInt(6),
                        300 + random.nextInt(2400),
                        random.nextInt(4) == 0 ? random.nextInt(8) : 0));
            }
            int fixed = orders.size() % 5 == 4 ? 3 : -1;
            orders.add(new DueOrder(
                    orders.size(), random.nextInt(14) - 2, 1 + random.nextInt(3), random.nextInt(2), fixed));
        }
        List<Pin> pins = new ArrayList<>();
        for (int m = 0; m < makers; m++) {
            if (random.nextBoolean()) {
                pins.add(new Pin(m, random.nextInt(6), anyBench(random), 1200));
            }
        }
        return new PlanWork(who, orders, all, pins, SetUpTimes.USUAL, wholePieces, List.of());
    }

    private static Bench anyBench(Random random) {
        return bench(random.nextInt(3), random.nextInt(3), random.nextInt(5));
    }

    /**
     * Of which the best plan is known: families are divided among the makers, every set-up is made once, no minute is idle, and each
     * order is due on the day on which that plan has it ready, or a little later.
     *
     * @param slack days in hand, at most
     * @return the work, with the seconds of set-up that the best plan needs
     */
    static Planted planted(long seed, int makers, int groupsEach, int parcelsEach, int slack) {
        Random random = new Random(seed);
        List<DueOrder> orders = new ArrayList<>();
        List<Parcel> parcels = new ArrayList<>();
        long setUps = 0;
        int cord = 0;
        for (int m = 0; m < makers; m++) {
            long at = 0;
            Optional<Bench> lies = Optional.empty();
            for (int g = 0; g < groupsEach; g++) {
                Bench bench = new Bench("family " + m, "jig " + m + "." + g, Set.of((long) cord++));
                int setUp = SetUpTimes.USUAL.seconds(lies, bench);
                setUps += setUp;
                at += setUp;
                lies = Optional.of(bench);
                for (int p = 0; p < parcelsEach; p++) {
                    int pieces = 1 + random.nextInt(4);
                    int seconds = 300 + random.nextInt(1200);
                    at += (long) pieces * seconds;
                    int day = (int) ((at - 1) / DAY);
                    parcels.add(new Parcel(parcels.size(), orders.size(), bench, pieces, seconds, 0));
                    orders.add(new DueOrder(orders.size(), day + random.nextInt(2 * slack + 1), 1, 0));
                }
            }
        }
        List<Integer> places = new ArrayList<>();
        for (int p = 0; p < parcels.size(); p++) {
            places.add(p);
        }
        Collections.shuffle(places, random);
        List<PlanMaker> who = new ArrayList<>();
        for (int m = 0; m < makers; m++) {
            who.add(maker(m, DAY, Optional.empty()));
        }
        List<Parcel> mixed = places.stream().map(parcels::get).toList();
        return new Planted(new PlanWork(who, orders, mixed, List.of(), SetUpTimes.USUAL, false, List.of()), setUps);
    }

    record Planted(PlanWork work, long setUps) {}
}
