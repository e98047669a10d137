package dev.restis.core.make;

import dev.restis.core.cord.Hardware;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Course;
import dev.restis.core.pattern.Section;
import dev.restis.core.pattern.Section.Body;
import dev.restis.core.pattern.Section.Extent;
import dev.restis.core.pattern.Section.Hitch;
import dev.restis.core.piece.Caution;
import dev.restis.core.piece.MakingTime;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.stitch.Stitches;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/**
 * Makes the card of a worked-out piece: from its sections in the order they are made, its strands' materials and marks, and its
 * closure. Nothing is written for a pattern, so one that is composed has a full card at once. Pure; cost is linear in steps times
 * strands.
 */
public final class CardMaker implements Section.Visitor<Boolean> {

    private static final double MOUNT = 20;
    private static final double EYE = 40;

    private final CardDraft card;
    private final Trimming trimming;
    private final Closing closing;
    /** Whether an eye is formed and not yet locked. */
    private boolean eyeOpen;

    private int body;
    private int sides;
    private boolean closed;

    private CardMaker(WorkedPiece piece) {
        this.card = new CardDraft(piece);
        this.trimming = new Trimming(card);
        this.closing = new Closing(card);
    }

    public static WorkCard of(WorkedPiece piece) {
        return new CardMaker(piece).make();
    }

    private WorkCard make() {
        new Preparing(card).steps();
        if (!card.piece.request().house().kit()) {
            begin();
            for (Section section : card.pattern.sections()) {
                card.section++;
                lockedBefore(section);
                if (!closed && closes(section)) {
                    closed = true;
                    sidesEqual();
                    trimming.beforeClosing();
                }
                Length along = card.reach.plus(card.figures.along(card.section));
                section.accept(this);
                card.reach = card.reach.max(along);
            }
            end();
        }
        card.step(Doing.INSPECT).weighs(MakingTime.INSPECT).add();
        return new WorkCard(
                WorkCard.VERSION,
                card.strands.stream().map(CardDraft.Cut::strand).toList(),
                bodies(),
                timed(),
                Inspection.of(card.piece),
                MakingTime.spread(card.piece));
    }

    /** What is tied or laid before the first section: a noose's eye, and legs that run to the far end and turn. */
    private void begin() {
        card.pattern.first(Section.Noose.class).ifPresent(noose -> {
            card.step(Doing.TIE_NOOSE)
                    .strands(card.endingIn(noose.tails()))
                    .count(Section.Noose.WRAPS)
                    .weighs(EYE)
                    .mends(Repair.BARREL_OFF_BEAD)
                    .add();
        });
        List<Integer> ears = card.which((cut, leg) -> turns(leg.courses(), Course.Turn.Ear.class));
        if (!ears.isEmpty()) {
            Length inside = eyeInside();
            card.reach = card.figures.ears();
            card.step(Doing.FOLD_EARS).strands(ears).size(inside).weighs(EYE).add();
            card.gate(Gate.EYE_AT_SIZE)
                    .strands(ears)
                    .size(inside)
                    .mends(Repair.EYE_TOO_SMALL)
                    .add();
        }
    }

    private static boolean turns(List<Course> courses, Class<? extends Course.Turn> kind) {
        return courses.stream().anyMatch(c -> kind.isInstance(c.turn()));
    }

    private Length eyeInside() {
        return card.piece.fit().eye().map(e -> e.inside()).orElse(Length.ZERO);
    }

    private void end() {
        card.countParts();
        if (!closed) {
            sidesEqual();
        }
        if (card.steps().stream()
                .noneMatch(s -> s.gate().filter(g -> g == Gate.TRIED_ON).isPresent())) {
            card.gate(Gate.TRIED_ON).size(card.piece.fit().reached()).add();
        }
        trimming.atLast();
    }

    private static boolean closes(Section section) {
        return section instanceof Section.Slider
                || section instanceof Section.SlideBead
                || section instanceof Section.SlidingKnots
                || section instanceof Section.Noose;
    }

    private void sidesEqual() {
        if (sides > 1) {
            card.gate(Gate.SIDES_EQUAL)
                    .strands(card.all())
                    .measured(new CardStep.Measure(
                            card.piece.fit().bodies().get(body - 1).length(),
                            card.piece.fit().bodies().get(body - 1).length(),
                            card.piece.fit().bodies().get(body - 1).pitch()))
                    .mends(Repair.SIDE_LONGER)
                    .add();
        }
    }

    /** An eye can be set until a second knot locks it: after one knot it is laid over the stopper. */
    private void lockedBefore(Section section) {
        boolean lock = section instanceof Section.Knot
                || section instanceof Body b && b.extent() instanceof Extent.Repeats r && r.count() == 1;
        if (eyeOpen && !lock) {
            eyeOpen = false;
            card.gate(Gate.EYE_AT_SIZE)
                    .size(eyeInside())
                    .mends(Repair.EYE_TOO_SMALL)
                    .share(0)
                    .add();
        }
    }

    private List<WorkCard.BodyPlaces> bodies() {
        List<WorkCard.BodyPlaces> bodies = new ArrayList<>();
        for (int s = 0; s < card.pattern.sections().size(); s++) {
            if (card.pattern.sections().get(s) instanceof Body stitched
                    && !stitched.stitch().code().equals(Stitches.PLAIN.code())) {
                bodies.add(new WorkCard.BodyPlaces(s, Places.of(card, stitched)));
            }
        }
        return bodies;
    }

    /** The making time of the piece, parted among its steps so that it adds up to the second. */
    private List<CardStep> timed() {
        MakingTime time = MakingTime.of(card.piece);
        List<CardStep> steps = new ArrayList<>(card.steps());
        List<List<Integer>> groups = List.of(
                of(steps, StepKind.PREPARE, StepKind.THREAD, StepKind.SET_UP),
                of(steps, StepKind.TIE),
                of(steps, StepKind.CLOSE),
                of(steps, StepKind.FINISH, StepKind.INSPECT));
        List<Duration> shares = List.of(time.prepare(), time.body(), time.closure(), time.finish());
        Duration left = Duration.ZERO;
        for (int g = 0; g < groups.size(); g++) {
            Duration share = shares.get(g);
            if (groups.get(g).isEmpty()) {
                left = left.plus(share);
            } else {
                part(steps, groups.get(g), g == groups.size() - 1 ? share.plus(left) : share);
            }
        }
        return steps;
    }

    private static List<Integer> of(List<CardStep> steps, StepKind... kinds) {
        List<Integer> found = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            if (List.of(kinds).contains(steps.get(i).kind())) {
                found.add(i);
            }
        }
        return found;
    }

    private void part(List<CardStep> steps, List<Integer> which, Duration whole) {
        double weight = which.stream().mapToDouble(card.weights()::get).sum();
        double reached = 0;
        long given = 0;
        for (int i : which) {
            reached += card.weights().get(i);
            long until = Math.round(whole.toSeconds() * reached / weight);
            steps.set(i, steps.get(i).taking(Duration.ofSeconds(until - given)));
            given = until;
        }
    }

    @Override
    public Boolean mount(Section.Mount section) {
        List<Integer> strands = card.in(section.seats());
        Doing doing = switch (section.hitch()) {
            case LARKS_HEAD -> Doing.MOUNT_LARKS_HEAD;
            case FOLD -> Doing.MOUNT_FOLD;
            case NOOSE_KNOT -> Doing.MOUNT_NOOSE_KNOT;
        };
        card.reach = card.reach.plus(card.figures.along(card.section));
        CardDraft.Next step = card.step(doing)
                .strands(strands)
                .count(section.hitch() == Hitch.NOOSE_KNOT ? Hitch.WRAPS : 0)
                .weighs(MOUNT * strands.size());
        section.hardware().ifPresent(slot -> step.part(slot, 1));
        step.add();
        section.hardware().ifPresent(slot -> card.putOn(slot, 1));
        List<Integer> runs = card.which(
                (cut, leg) -> section.seats().contains(leg.first()) && turns(leg.courses(), Course.Turn.AtPart.class));
        if (!runs.isEmpty() && !card.has(Doing.LAY_RUNS)) {
            card.step(Doing.LAY_RUNS)
                    .strands(runs)
                    .size(card.piece.fit().bodyLength())
                    .weighs(MOUNT * runs.size())
                    .add();
        }
        return true;
    }

    @Override
    public Boolean eye(Section.Eye section) {
        card.reach = card.reach.plus(card.figures.along(card.section));
        card.step(Doing.FORM_EYE)
                .strands(card.in(section.seats()))
                .size(eyeInside())
                .weighs(EYE)
                .add();
        eyeOpen = true;
        return true;
    }

    @Override
    public Boolean body(Body section) {
        new BodySteps(card, section, body++).steps();
        boolean side = section.extent() instanceof Extent.Rest
                && !section.stitch().code().equals(Stitches.PLAIN.code());
        sides += side ? 1 : 0;
        return true;
    }

    @Override
    public Boolean knot(Section.Knot section) {
        List<Integer> strands = card.in(section.seats());
        List<Integer> tying = section.tiedBy().isEmpty() ? strands : card.in(section.tiedBy());
        card.countParts();
        card.reach = card.reach.plus(card.figures.along(card.section));
        card.step(Doing.KNOT)
                .knot(section.kind())
                .strands(tying)
                .count(section.wraps())
                .weighs(MakingTime.KNOT / 2)
                .add();
        if (Closing.movedHome(section.kind())) {
            card.gate(Gate.KNOT_HOME)
                    .strands(tying)
                    .knot(section.kind())
                    .mends(Repair.BARREL_OFF_BEAD)
                    .add();
            card.step(Doing.SET_KNOT)
                    .knot(section.kind())
                    .strands(tying)
                    .weighs(MakingTime.KNOT / 2)
                    .add();
        }
        return true;
    }

    @Override
    public Boolean threaded(Section.Threaded section) {
        int count = section.count() == Section.Threaded.ALL_AROUND
                ? card.piece.fit().around()
                : section.count() == Section.Threaded.CHOSEN
                        ? card.piece.request().chosen(section.hardware())
                        : section.count();
        if (count > 0) {
            card.gate(Gate.BEAD_PASSES)
                    .part(section.hardware(), count)
                    .mends(Repair.BEAD_WILL_NOT_PASS)
                    .share(0)
                    .add();
            card.reach = card.reach.plus(card.figures.along(card.section));
            card.step(Doing.THREAD)
                    .part(section.hardware(), count)
                    .strands(card.in(section.seats()))
                    .weighs(MakingTime.THREADED * count)
                    .mends(Repair.BEAD_WILL_NOT_PASS, Repair.ENDS_FRAYED)
                    .add();
            card.putOn(section.hardware(), count);
        }
        return true;
    }

    /** A joint or a hook is part of the piece as soon as it is on; what hangs from it comes last. */
    @Override
    public Boolean attached(Section.Attached section) {
        card.piece.request().part(section.hardware()).ifPresent(part -> {
            card.reach = card.reach.plus(card.figures.along(card.section));
            CardDraft.Next step = card.step(body == 0 ? Doing.ATTACH_FIRST : Doing.ATTACH_LAST)
                    .part(section.hardware(), 1)
                    .weighs(MOUNT);
            if (part.kind() == Hardware.Kind.BREAKAWAY) {
                step.mind(Caution.NECK);
            }
            if (part.kind() == Hardware.Kind.CHARM) {
                step.mind(Caution.METAL);
            }
            step.add();
            card.putOn(section.hardware(), 1);
        });
        return true;
    }

    @Override
    public Boolean slider(Section.Slider section) {
        closing.slider(section);
        return true;
    }

    @Override
    public Boolean slideBead(Section.SlideBead section) {
        closing.slideBead(section);
        return true;
    }

    @Override
    public Boolean slidingKnots(Section.SlidingKnots section) {
        closing.slidingKnots(section);
        return true;
    }

    @Override
    public Boolean noose(Section.Noose section) {
        closing.noose(section);
        return true;
    }

    @Override
    public Boolean stopper(Section.Stopper section) {
        closing.stopper(section);
        return true;
    }

    @Override
    public Boolean buttonhole(Section.Buttonhole section) {
        closing.buttonhole(section);
        return true;
    }

    @Override
    public Boolean tuckBack(Section.TuckBack section) {
        trimming.tuckBack(section);
        return true;
    }

    @Override
    public Boolean wrapped(Section.Wrapped section) {
        trimming.wrapped(section);
        return true;
    }

    @Override
    public Boolean fringe(Section.Fringe section) {
        trimming.fringe(section);
        return true;
    }

    @Override
    public Boolean endBeads(Section.EndBeads section) {
        closing.endBeads(section);
        return true;
    }
}
