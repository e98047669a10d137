package dev.restis.app.bench;

import dev.restis.app.bench.BenchActRow.Act;
import dev.restis.app.bench.BenchActRow.Noted;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.make.BenchAct.Kind;
import dev.restis.core.measure.Fault;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Notes beside the steps of a piece: what an act would have said that came too late, and minutes that no timer counted. They move
 * nothing, so that they can be made in whoever's hands the piece is, and after it is made.
 */
@Service
class Notes {

    /**
     * @param key given once by whoever writes: sent twice it is one note
     * @param step the step it is about
     * @param insteadOf the act that was refused; nothing for a note of its own
     * @param seconds what was worked on the piece beside what was timed; nothing when it is about something else
     * @param at when it was so, by the device's clock; nothing for now
     */
    record BenchNoteRequest(
            UUID key,
            long piece,
            int step,
            @Nullable Kind insteadOf,
            @Nullable Integer seconds,
            @Nullable String words,
            @Nullable Instant at) {}

    /** @param insteadOf what it would have been, had it not come too late */
    record BenchNoteView(
            long id,
            int step,
            @Nullable Kind insteadOf,
            @Nullable Integer seconds,
            String words,
            String who,
            Instant at) {}

    private final BenchActStore acts;
    private final Bench bench;
    private final OrderPieces orders;

    Notes(BenchActStore acts, Bench bench, OrderPieces orders) {
        this.acts = acts;
        this.bench = bench;
        this.orders = orders;
    }

    @Transactional
    public void keep(BenchNoteRequest note) {
        List<Fault> faults = faults(note);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        orders.hold(List.of(note.piece()));
        if (note.step() >= bench.card(note.piece()).steps().size()) {
            throw new NotFound("notFound");
        }
        if (acts.findByKey(note.key()).isEmpty()) {
            BenchActRow row = new BenchActRow(
                    bench.by(note.key(), note.at()),
                    note.piece(),
                    Act.NOTE,
                    note.step(),
                    Noted.of(note.seconds(), Texts.given(note.words()).orElse("")),
                    null);
            acts.saveAndFlush(row.insteadOf(note.insteadOf()));
            if (note.seconds() != null) {
                bench.timedOtherwise(note.piece());
            }
        }
    }

    private static List<Fault> faults(BenchNoteRequest note) {
        List<Fault> faults = new ArrayList<>();
        if (Texts.given(note.words()).isEmpty() && note.seconds() == null && note.insteadOf() == null) {
            faults.add(Fault.of("words", "missing"));
        }
        if (note.words() != null && note.words().length() > Bench.LONGEST_REASON) {
            faults.add(Fault.of("words", "tooLong", Bench.LONGEST_REASON));
        }
        if (note.seconds() != null && (note.seconds() < 1 || note.seconds() > Bench.DAY_SECONDS)) {
            faults.add(Fault.of("seconds", "bench.seconds", note.seconds()));
        }
        if (note.step() < 0) {
            faults.add(Fault.of("step", "missing"));
        }
        return faults;
    }

    /** A note that is taken back stays, and counts no more. */
    @Transactional
    public void takeBack(long id) {
        BenchActRow note =
                acts.findById(id).filter(a -> a.act() == Act.NOTE).orElseThrow(() -> new NotFound("notFound"));
        orders.hold(List.of(note.piece()));
        if (standing(acts.of(List.of(note.piece()))).stream().noneMatch(n -> n.id() == id)) {
            throw new Conflict("bench.NOTHING_TO_TAKE_BACK", 0);
        }
        Workshop.mayTakeBack(note.who());
        acts.saveAndFlush(new BenchActRow(
                bench.by(UUID.randomUUID(), null), note.piece(), Act.NOTE_TAKEN_BACK, note.step(), Noted.NOTHING, id));
        if (note.seconds() != null) {
            bench.timedOtherwise(note.piece());
        }
    }

    /** Those of a piece's acts that are notes and stand, in the order in which they were heard of. */
    static List<BenchNoteView> standing(List<BenchActRow> acts) {
        Set<@Nullable Long> taken = acts.stream().map(BenchActRow::takesBack).collect(Collectors.toSet());
        return acts.stream()
                .filter(a -> a.act() == Act.NOTE && !taken.contains(a.id()))
                .map(a -> new BenchNoteView(
                        a.id(), a.step(), a.insteadOf(), a.seconds(), a.reason(), a.who(), a.doneAt()))
                .toList();
    }
}
