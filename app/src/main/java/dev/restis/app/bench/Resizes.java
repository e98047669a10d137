package dev.restis.app.bench;

import dev.restis.app.bench.BenchActRow.Act;
import dev.restis.app.bench.BenchActRow.Noted;
import dev.restis.app.bench.WorkCardView.CardStepView;
import dev.restis.app.orders.Delays;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.orders.ResizedPieces;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.pieces.PieceNeeds;
import dev.restis.app.pieces.PieceNeeds.StrandNeed;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.make.CardStrand;
import dev.restis.core.make.Resize;
import dev.restis.core.make.WorkCard;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.work.PieceAct;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * A finished piece in another size: what that takes, told by what the piece really took of its cord and how long it turned out; and
 * doing it, after which it is a piece in work again.
 */
@Service
class Resizes {

    /**
     * A size as typed.
     *
     * @param size of what is worn at a wrist: a house size's name, or the wrist's girth; of all else its finished length
     * @param units what a bare number means
     */
    record OtherSize(String size, UnitSystem units) {}

    /** @param reason why, in one's own words */
    record ResizeRequest(OtherSize to, @Nullable String reason) {}

    /**
     * What becomes of a strand.
     *
     * @param thereUm what of it is in the piece
     * @param needsUm what the other size takes of it
     */
    record ResizedStrandView(String letter, String role, int slot, Resize.Fate fate, long thereUm, long needsUm) {}

    /**
     * What another size takes.
     *
     * @param possible whether the piece can become it at all
     * @param step what is done first, once it is opened so far
     * @param wasUm how long it is
     * @param expectedUm how long it will be
     * @param readyNow when its order is ready as things stand; nothing for never
     * @param readyThen when it is ready with this
     */
    record ResizeView(
            boolean possible,
            CardStepView step,
            long wasUm,
            long expectedUm,
            long seconds,
            List<ResizedStrandView> strands,
            @Nullable LocalDate readyNow,
            @Nullable LocalDate readyThen) {}

    private record Worked(PieceSpec spec, Resize resize, Length was) {}

    private final EntityManager entities;
    private final Bench bench;
    private final BenchActStore acts;
    private final Cards cards;
    private final LeftOverRows leftOvers;
    private final OrderPieces orders;
    private final ResizedPieces lines;
    private final PieceNeeds needs;
    private final Pieces pieces;
    private final PieceDesk desk;
    private final Delays delays;

    Resizes(
            EntityManager entities,
            Bench bench,
            BenchActStore acts,
            Cards cards,
            LeftOverRows leftOvers,
            OrderPieces orders,
            ResizedPieces lines,
            PieceNeeds needs,
            Pieces pieces,
            PieceDesk desk,
            Delays delays) {
        this.entities = entities;
        this.bench = bench;
        this.acts = acts;
        this.cards = cards;
        this.leftOvers = leftOvers;
        this.orders = orders;
        this.lines = lines;
        this.needs = needs;
        this.pieces = pieces;
        this.desk = desk;
        this.delays = delays;
    }

    /**
     * What it would take; nothing is kept by looking.
     *
     * @throws Rejected when the size cannot be read or made, or is made as the piece is
     */
    @Transactional(readOnly = true)
    public ResizeView look(long piece, OtherSize to) {
        Worked worked = work(piece, to);
        Resize resize = worked.resize();
        List<@Nullable LocalDate> days = delays.with(piece, List.of(resize.minutes()));
        return new ResizeView(
                resize.possible(),
                CardStepView.of(resize.card(), resize.card().steps().get(resize.backTo())),
                worked.was().micrometres(),
                resize.expected().micrometres(),
                resize.minutes().toSeconds(),
                resize.strands().stream().map(s -> view(resize.card(), s)).toList(),
                days.get(0),
                days.get(1));
    }

    private static ResizedStrandView view(WorkCard card, Resize.OfStrand strand) {
        CardStrand of = card.strands().get(strand.strand());
        return new ResizedStrandView(
                of.letter(),
                of.role(),
                of.slot(),
                strand.fate(),
                strand.there().micrometres(),
                strand.needs().micrometres());
    }

    /**
     * Makes it a piece in work again that goes on towards the other size, in the hands of whoever says so.
     *
     * @throws Conflict when it is not made, or cannot become that size
     */
    @Transactional
    public void take(long id, ResizeRequest request) {
        String reason = Texts.given(request.reason()).orElse("");
        if (reason.isEmpty() || reason.length() > Bench.LONGEST_REASON) {
            throw new Rejected(
                    reason.isEmpty()
                            ? Fault.of("reason", "missing")
                            : Fault.of("reason", "tooLong", Bench.LONGEST_REASON));
        }
        orders.hold(List.of(id));
        PieceStage stage = pieces.stage(id);
        if (!PieceStage.MADE.equals(stage) && !PieceStage.CHECKED.equals(stage) && !PieceStage.PACKED.equals(stage)) {
            throw new Conflict("bench.notMade", stage);
        }
        Worked worked = work(id, request.to());
        if (!worked.resize().possible()) {
            throw new Conflict("bench.noWay");
        }
        BenchPiece piece = bench.onBench(id);
        pieces.act(PieceAct.REDO, List.of(id), reason);
        lines.become(id, worked.spec());
        BenchActRow row = acts.saveAndFlush(new BenchActRow(
                bench.by(UUID.randomUUID(), null),
                id,
                Act.RESIZE,
                worked.resize().backTo(),
                Noted.of(null, reason),
                null));
        piece.goesOn(cards.keep(worked.resize().card()), worked.resize().backTo(), row.id());
        entities.flush();
        bench.take(List.of(id), true);
    }

    private Worked work(long piece, OtherSize to) {
        PieceSpec spec = Optional.ofNullable(
                        orders.specsOfPieces(List.of(piece)).get(piece))
                .orElseThrow(() -> new NotFound("notFound"));
        PieceDesk.Sitting sitting = desk.sit();
        PieceSpec wanted = sized(sitting, spec, to);
        WorkCard was = Cards.of(sitting.workOut(spec));
        WorkCard becomes = Cards.of(sitting.workOut(wanted));
        if (was.strands().size() != becomes.strands().size()) {
            throw new Rejected(Fault.of("size", "resize.otherPattern"));
        }
        Optional<Length> measured = bench.inspected(piece);
        Resize resize = Resize.of(was, becomes, there(piece, was), measured)
                .orElseThrow(() -> new Rejected(Fault.of("size", "resize.same")));
        return new Worked(wanted, resize, measured.orElse(was.length()));
    }

    private static PieceSpec sized(PieceDesk.Sitting sitting, PieceSpec spec, OtherSize to) {
        String typed = Texts.given(to.size()).orElseThrow(() -> new Rejected(Fault.of("size", "missing")));
        PieceChoices as = sitting.choices(spec);
        boolean worn = spec.wristUm() != null;
        boolean named = sitting.sizes().stream().anyMatch(typed::equalsIgnoreCase);
        PieceDesk.Understood understood = sitting.understand(new PieceChoices(
                as.pattern(),
                worn && named ? typed : null,
                worn && !named ? typed : null,
                null,
                as.ease(),
                worn ? null : typed,
                as.colours(),
                as.parts(),
                as.kit(),
                as.wearer(),
                as.tapered(),
                to.units()));
        return understood.spec().orElseThrow(() -> new Rejected(understood.faults()));
    }

    /**
     * What of each strand is in the piece: as it was cut, without what was logged as left over; as worked out where nobody logged or cut it,
     * or where it became another size before, of which the trimmings are not logged.
     */
    private List<Length> there(long piece, WorkCard was) {
        if (bench.resized(piece)) {
            return was.strands().stream().map(CardStrand::used).toList();
        }
        Map<String, StrandNeed> cut = needs.strandsOf(List.of(piece)).stream()
                .collect(Collectors.toMap(n -> n.role() + " " + n.number(), Function.identity()));
        Map<Long, Length> left = leftOvers.leftOf(piece);
        List<Length> there = new ArrayList<>();
        for (CardStrand strand : was.strands()) {
            Optional<StrandNeed> need = Optional.ofNullable(cut.get(strand.role() + " " + strand.number()));
            there.add(need.flatMap(n -> Optional.ofNullable(left.get(n.id())).map(new Length(n.cutUm())::minus))
                    .orElse(strand.used()));
        }
        return there;
    }
}
