package dev.restis.core.batch.search;

import dev.restis.core.batch.Aims;
import dev.restis.core.batch.PlanWork;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Where a maker is in days, bench and batch; moves on parcel by parcel. One object is moved along a sequence, so that trying thousands
 * makes no garbage.
 */
final class Place {

    private final Model model;
    int day;
    long left;
    int bench;
    int batchDay;
    int batchGroup;
    int batchPieces;
    long batchSeconds;
    /** Of the parcel that was tied last: the day it began, its set-up, and what it cost in set-ups and batches. */
    int from;

    int setUp;
    int effort;

    private int maker;
    /** Seconds of the parcel that was tied last on each day from the one on which it began, where somebody wants to know. */
    private final @Nullable List<Integer> spent;

    Place(Model model, @Nullable List<Integer> spent) {
        this.model = model;
        this.spent = spent;
    }

    Place(Model model) {
        this(model, null);
    }

    void start(int of) {
        maker = of;
        day = 0;
        left = model.capacity(of, 0);
        bench = model.first[of];
        batchDay = -1;
        batchGroup = 0;
        batchPieces = 0;
        batchSeconds = 0;
    }

    Place copy() {
        Place other = new Place(model);
        other.maker = maker;
        other.day = day;
        other.left = left;
        other.bench = bench;
        other.batchDay = batchDay;
        other.batchGroup = batchGroup;
        other.batchPieces = batchPieces;
        other.batchSeconds = batchSeconds;
        return other;
    }

    private void evening() {
        bench = model.after(maker, day, bench);
        day++;
        left = model.capacity(maker, day);
    }

    private void anyTime() {
        while (left == 0) {
            evening();
        }
    }

    private void batch(int group, int pieces, long seconds) {
        if (day != batchDay
                || group != batchGroup
                || batchPieces + pieces > PlanWork.BATCH_PIECES
                || batchSeconds + seconds > PlanWork.BATCH_SECONDS) {
            effort += Aims.BATCH;
            batchPieces = 0;
            batchSeconds = 0;
        }
        batchDay = day;
        batchGroup = group;
        batchPieces += pieces;
        batchSeconds += seconds;
    }

    private int set(int to) {
        int seconds = model.setUp[bench][to];
        bench = to;
        setUp += seconds;
        effort += seconds;
        return seconds;
    }

    /** Ties a parcel; afterwards {@link #day} is the day on which it is made. */
    void tie(int parcel) {
        tie(parcel, model.each[maker][parcel]);
    }

    /** @param each seconds of one piece */
    void tie(int parcel, int each) {
        setUp = 0;
        effort = 0;
        if (spent != null) {
            spent.clear();
        }
        int to = model.bench[parcel];
        int group = model.group[to];
        while (day < model.release[parcel]) {
            evening();
        }
        anyTime();
        if (model.work.wholePieces()) {
            while (left < (long) model.setUp[bench][to] + each && left < model.capacity(maker, day)) {
                evening();
                anyTime();
            }
        }
        from = day;
        batch(group, model.pieces[parcel], model.standard[parcel]);
        if (model.work.wholePieces()) {
            whole(parcel, each, to, group);
        } else {
            run(set(to) + (long) model.pieces[parcel] * each, to, group);
        }
    }

    private void spend(long seconds) {
        if (spent != null) {
            while (spent.size() <= day - from) {
                spent.add(0);
            }
            spent.set(day - from, spent.get(day - from) + (int) seconds);
        }
    }

    private void run(long seconds, int to, int group) {
        long todo = seconds;
        while (todo > left) {
            spend(left);
            todo -= left;
            evening();
            anyTime();
            batch(group, 0, 0);
            todo += set(to);
        }
        spend(todo);
        left -= todo;
    }

    private void whole(int parcel, int each, int to, int group) {
        long todo = set(to);
        for (int piece = 0; piece < model.pieces[parcel]; piece++) {
            if (piece > 0 && left < each && left < model.capacity(maker, day)) {
                evening();
                anyTime();
                batch(group, 0, 0);
                todo += set(to);
            }
            run(todo + each, to, group);
            todo = 0;
        }
    }
}
