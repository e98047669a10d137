package dev.restis.core.make;

import dev.restis.core.make.CardStep.Measure;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Course;
import dev.restis.core.pattern.Pattern.Closure;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.Extent;
import dev.restis.core.piece.MakingTime;
import dev.restis.core.piece.WorkedBody;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitches;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** Ties a body from mark to mark: at its first repeats, its middle, and its beads where there are few. */
final class BodySteps {

    /** Whether a stitch comes out as reckoned is seen after this many. */
    private static final int FIRST = 5;
    /** A shorter body is half through by then. */
    private static final int WORTH_CHECKING_FIRST = 12;
    /** A body of few long repeats is held against its half alone. */
    private static final int WORTH_CHECKING = 4;
    /** More beads than this are tied in by count. */
    private static final int BEADS_ONE_BY_ONE = 6;

    private static final double HOLD = 30;
    /** Strands of as many places as this can change places unnoticed. */
    private static final int EASILY_MIXED = 4;

    private final CardDraft card;
    private final Body body;
    private final WorkedBody worked;
    private final int number;
    private final List<Integer> tying;
    private final CordNeeds needs;

    /** @param number which of the piece's bodies */
    BodySteps(CardDraft card, Body body, int number) {
        this.card = card;
        this.body = body;
        this.number = number;
        this.worked = card.piece.fit().bodies().get(number);
        this.tying = card.in(seats());
        this.needs = new CordNeeds(card, card.section);
    }

    private List<Seat> seats() {
        Set<Seat> seats = new LinkedHashSet<>();
        for (Seat place : List.of(Seat.CORE, Seat.WORKING, Seat.FALL, Seat.EDGE)) {
            boolean taken = place == Seat.CORE
                    ? body.stitch().cores().most() > 0
                    : body.stitch().ties(place);
            if (taken) {
                seats.addAll(body.legsOf(place));
            }
        }
        return List.copyOf(seats);
    }

    private boolean stretches() {
        return body.extent() instanceof Extent.Rest;
    }

    void steps() {
        if (body.stitch().code().equals(Stitches.PLAIN.code())) {
            plain();
            return;
        }
        if (stretches()) {
            hold();
            before();
        }
        beadsOn();
        List<Integer> borders = borders();
        List<Integer> marks = marks(borders);
        boolean oneByOne = worked.beads() <= BEADS_ONE_BY_ONE;
        int from = 0;
        for (int to : marks) {
            int beads = oneByOne ? 0 : (int) beadsBetween(borders, from, to);
            tie(from, to, beads, borders);
            if (to < worked.repeats()) {
                check(to, borders);
                if (oneByOne && borders.contains(to)) {
                    card.reach = card.reach.plus(along(worked.beadLength()));
                    card.step(Doing.BEAD_UP)
                            .part(body.motif().orElseThrow().hardware(), 1)
                            .strands(card.in(body.motif().orElseThrow().seats()))
                            .share(share(to))
                            .weighs(MakingTime.BEAD)
                            .add();
                }
            }
            from = to;
        }
    }

    private void plain() {
        card.reach = card.reach.plus(along(worked.length()));
        card.step(Doing.RUN_PLAIN)
                .strands(tying)
                .size(worked.length())
                .weighs(MakingTime.perRepeat(body.stitch()) * worked.repeats())
                .add();
    }

    /** Length on the ruler; what hangs beside the measured length adds none. */
    private Length along(Length length) {
        return body.within() ? length : Length.ZERO;
    }

    /** What holds the work while it is tied. */
    private void hold() {
        boolean bars = card.pattern.turns(Course.Turn.AtPart.class)
                || card.pattern.all(Section.TuckBack.class).stream()
                        .anyMatch(t -> t.hardware().isPresent());
        boolean cores = body.stitch().cores().most() > 0 && body.stitch().pathsOf(Seat.CORE) == 0;
        boolean two = Places.of(card, body).size() <= 2;
        Doing doing = bars ? Doing.HOLD_ON_JIG : two ? Doing.HOLD_IN_HAND : Doing.HOLD_ON_BOARD;
        if (!card.has(doing)) {
            card.step(doing)
                    .strands(cores ? card.in(body.legsOf(Seat.CORE)) : tying)
                    .size(cores ? worked.length() : Length.ZERO)
                    .share(0)
                    .weighs(HOLD)
                    .add();
        }
        if (bars && body.within()) {
            card.gate(Gate.BAND_LENGTH)
                    .size(card.piece.fit().bodyLength())
                    .share(0)
                    .add();
        }
    }

    private void before() {
        if (body.stitch().ties(Seat.EDGE)) {
            card.gate(Gate.EDGES_TAUT)
                    .strands(card.in(body.legsOf(Seat.EDGE)))
                    .share(0)
                    .add();
        }
        List<WorkCard.Place> places = Places.of(card, body);
        if (places.size() >= EASILY_MIXED) {
            card.gate(Gate.STRANDS_IN_ORDER)
                    .strands(tying)
                    .count(places.size())
                    .share(0)
                    .add();
        }
    }

    private void beadsOn() {
        body.motif().filter(m -> worked.beads() > 0).ifPresent(motif -> {
            card.gate(Gate.BEAD_PASSES)
                    .part(motif.hardware(), worked.beads())
                    .mends(Repair.BEAD_WILL_NOT_PASS)
                    .share(0)
                    .add();
            card.step(Doing.THREAD)
                    .part(motif.hardware(), worked.beads())
                    .strands(card.in(motif.seats()))
                    .mends(Repair.BEAD_WILL_NOT_PASS, Repair.ENDS_FRAYED)
                    .share(0)
                    .weighs(MakingTime.THREADED * worked.beads())
                    .add();
            card.putOn(motif.hardware(), worked.beads());
        });
    }

    /** After which repeats a bead comes. */
    private List<Integer> borders() {
        List<Integer> borders = new ArrayList<>();
        int at = 0;
        for (int group = 0; group + 1 < worked.groups().size() && worked.beads() > 0; group++) {
            at += worked.groups().get(group);
            borders.add(at);
        }
        return borders;
    }

    private List<Integer> marks(List<Integer> borders) {
        TreeSet<Integer> marks = new TreeSet<>();
        marks.add(worked.repeats());
        if (stretches() && worked.repeats() >= WORTH_CHECKING) {
            marks.add(half());
        }
        if (stretches() && worked.repeats() >= WORTH_CHECKING_FIRST) {
            marks.add(FIRST);
        }
        if (worked.beads() <= BEADS_ONE_BY_ONE) {
            marks.addAll(borders);
        }
        marks.remove(0);
        return List.copyOf(marks);
    }

    private int half() {
        return worked.repeats() / 2;
    }

    private static long beadsBetween(List<Integer> borders, int from, int to) {
        return borders.stream().filter(b -> b > from && b <= to).count();
    }

    private double share(int repeats) {
        return (double) repeats / worked.repeats();
    }

    private void tie(int from, int to, int beads, List<Integer> borders) {
        Length tied = worked.pitch()
                .times((long) (to - from))
                .plus(worked.beadLength().times((long) beads));
        card.reach = card.reach.plus(along(tied));
        CardDraft.Next step = card.step(Doing.TIE)
                .strands(tying)
                .stitch(body.stitch().code())
                .repeats(from + 1, to, worked.repeats())
                .share(share(to))
                .weighs((to - from) * MakingTime.perRepeat(body.stitch()) + beads * MakingTime.BEAD)
                .mends(Repair.BAND_WAVY);
        if (beads > 0) {
            step.part(body.motif().orElseThrow().hardware(), beads)
                    .count(body.motif().orElseThrow().every());
        }
        if (Places.of(card, body).size() >= EASILY_MIXED) {
            step.mends(Repair.ORDER_LOST);
        }
        if (to == worked.repeats() && card.pattern.closure() == Closure.BUCKLE) {
            step.mends(Repair.ROWS_LEFT_OVER);
        }
        if (card.pattern.turns(Course.Turn.AtPart.class)) {
            step.mends(Repair.BAND_FAT);
        }
        if (from == 0 && card.has(Doing.FORM_EYE)) {
            step.mends(Repair.LOOP_CLOSING);
        }
        step.left(needs.after(number, share(to))).add();
    }

    private void check(int to, List<Integer> borders) {
        boolean half = stretches() && worked.repeats() >= WORTH_CHECKING && to == half();
        boolean first = stretches() && worked.repeats() >= WORTH_CHECKING_FIRST && to == FIRST;
        if (!half && !first) {
            return;
        }
        Gate gate = half ? Gate.HALF_WAY : Gate.FIRST_REPEATS;
        long beads = beadsBetween(borders, 0, to - 1);
        Length soFar = worked.pitch().times((long) to).plus(worked.beadLength().times(beads));
        card.gate(gate)
                .strands(tying)
                .stitch(body.stitch().code())
                .repeats(1, to, worked.repeats())
                .size(soFar)
                .measured(new Measure(soFar, worked.length(), worked.pitch()))
                .left(needs.after(number, share(to)))
                .share(share(to))
                .add();
    }
}
