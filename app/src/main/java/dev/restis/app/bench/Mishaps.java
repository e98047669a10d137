package dev.restis.app.bench;

import dev.restis.app.bench.BenchActRow.Act;
import dev.restis.app.bench.BenchActRow.By;
import dev.restis.app.bench.BenchActRow.Noted;
import dev.restis.app.bench.BenchParts.PartBack;
import dev.restis.app.bench.BenchParts.PartOn;
import dev.restis.app.orders.Delays;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.pieces.PieceActuals;
import dev.restis.app.pieces.PieceNeeds;
import dev.restis.app.pieces.PieceNeeds.StrandNeed;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.stock.Article;
import dev.restis.app.stock.Stock;
import dev.restis.app.stock.StrandCord;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cutting.Holding;
import dev.restis.core.make.BenchAct;
import dev.restis.core.make.CardStrand;
import dev.restis.core.make.Mishap;
import dev.restis.core.make.Mishap.Choice;
import dev.restis.core.make.Mishap.Way;
import dev.restis.core.make.WorkCard;
import dev.restis.core.measure.Fault;
import dev.restis.core.work.PieceAct;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What went wrong with a piece and what can be done. Each way out says first what it costs and which holding its cord would come
 * from; choosing one lays that down if the shelf is as it was, else the ways are to be looked at again.
 */
@Service
class Mishaps {

    private static final int LONGEST_REASON = 400;

    /**
     * A way out.
     *
     * @param backTo step that is tied again first
     * @param strand place of the strand that is cut anew
     * @param holding label of what its cord would be cut from; nothing where none on the shelf suffices, or none is needed
     * @param sameLot whether that is of the lot the strand was cut from
     * @param cost of cord or part, in the house's money
     * @param possible whether what it needs is on the shelf
     * @param scrapUm what of the old cord is of no more use
     * @param parts what can go back on the shelf, where the piece is given up
     * @param readyNow when its order is ready as things stand; nothing for never
     * @param readyThen when it is ready this way
     */
    record ChoiceView(
            Way way,
            int backTo,
            @Nullable Integer strand,
            long cordUm,
            @Nullable String part,
            long seconds,
            @Nullable Long holdingId,
            @Nullable String holding,
            long balanceUm,
            boolean sameLot,
            BigDecimal cost,
            boolean possible,
            long scrapUm,
            List<PartOn> parts,
            @Nullable LocalDate readyNow,
            @Nullable LocalDate readyThen) {}

    /**
     * The way that is chosen, with what was looked at.
     *
     * @param reason why, in one's own words; a piece that is given up needs one
     * @param part slot of the part that is replaced
     * @param parts what goes back on the shelf of a piece that is given up
     */
    record WayRequest(
            Mishap mishap,
            Way way,
            @Nullable Integer strand,
            @Nullable Long holdingId,
            long balanceUm,
            @Nullable String reason,
            @Nullable String part,
            @Nullable List<PartBack> parts) {}

    private record Shelf(Optional<Holding> holding, long balance, boolean sameLot, double pricePerMetre) {}

    private final EntityManager entities;
    private final Bench bench;
    private final BenchActStore acts;
    private final Cards cards;
    private final OrderPieces orders;
    private final Pieces pieces;
    private final PieceNeeds needs;
    private final PieceActuals actuals;
    private final Stock stock;
    private final StrandCord strandCord;
    private final BenchParts parts;
    private final Delays delays;
    private final Workshop workshop;
    private final Clock clock;

    Mishaps(
            EntityManager entities,
            Bench bench,
            BenchActStore acts,
            Cards cards,
            OrderPieces orders,
            Pieces pieces,
            PieceNeeds needs,
            PieceActuals actuals,
            Stock stock,
            StrandCord strandCord,
            BenchParts parts,
            Delays delays,
            Workshop workshop,
            Clock clock) {
        this.entities = entities;
        this.bench = bench;
        this.acts = acts;
        this.cards = cards;
        this.orders = orders;
        this.pieces = pieces;
        this.needs = needs;
        this.actuals = actuals;
        this.stock = stock;
        this.strandCord = strandCord;
        this.parts = parts;
        this.delays = delays;
        this.workshop = workshop;
        this.clock = clock;
    }

    /** The ways out; nothing is kept by looking. */
    @Transactional(readOnly = true)
    public List<ChoiceView> choices(long piece, Mishap mishap, @Nullable Integer strand) {
        BenchPiece at = get(piece);
        WorkCard card = cards.card(at.card());
        List<Choice> choices = mishap.choices(card, at.next(), valid(card, strand));
        List<@Nullable LocalDate> days =
                delays.with(piece, choices.stream().map(Choice::minutes).toList());
        return IntStream.range(0, choices.size())
                .mapToObj(i -> view(piece, card, choices.get(i), days.get(0), days.get(i + 1)))
                .toList();
    }

    private static Optional<Integer> valid(WorkCard card, @Nullable Integer strand) {
        return Optional.ofNullable(strand)
                .filter(s -> s >= 0 && s < card.strands().size());
    }

    private ChoiceView view(
            long piece, WorkCard card, Choice choice, @Nullable LocalDate now, @Nullable LocalDate then) {
        Shelf shelf = choice.strand()
                .map(s -> shelf(need(piece, card, s), choice.cord().micrometres()))
                .orElse(new Shelf(Optional.empty(), 0, false, 0));
        boolean cut = choice.cord().isPositive();
        Optional<Article> part = choice.part().map(slot -> parts.inSlot(piece, slot));
        BigDecimal cost = part.map(p -> p.price(1))
                .orElse(BigDecimal.valueOf(choice.cord().toMillimetres() / 1000 * shelf.pricePerMetre())
                        .setScale(4, RoundingMode.HALF_UP));
        return new ChoiceView(
                choice.way(),
                choice.backTo(),
                choice.strand().orElse(null),
                choice.cord().micrometres(),
                choice.part().orElse(null),
                choice.minutes().toSeconds(),
                shelf.holding().map(Holding::id).orElse(null),
                shelf.holding().map(h -> strandCord.label(h.id())).orElse(null),
                shelf.balance(),
                shelf.sameLot(),
                cost,
                (!cut || shelf.holding().isPresent())
                        && (choice.way() != Way.NEW_PART
                                || part.filter(p -> p.onHand() > 0).isPresent()),
                choice.scrap().micrometres(),
                choice.way() == Way.GIVE_UP ? parts.on(piece) : List.of(),
                now,
                then);
    }

    /** What on the shelf a new length comes from: of the strand's own lot if it can be, what was begun before what is sealed. */
    private Shelf shelf(StrandNeed need, long lengthUm) {
        Stock.Cuttable cuttable = stock.cuttable(List.of(need.article()), List.of());
        Optional<Long> lot = strandCord.lotOfStrand(need.id());
        List<Holding> enough = cuttable.free().stream()
                .filter(h -> h.length().micrometres() >= lengthUm
                        && h.flaws().stream().noneMatch(f -> f.micrometres() < lengthUm))
                .toList();
        Optional<Holding> own = enough.stream()
                .filter(h -> lot.filter(l -> l == h.lot()).isPresent())
                .findFirst();
        Optional<Holding> any = own.or(() -> enough.stream().findFirst());
        return new Shelf(
                any,
                any.map(h -> cuttable.balance(h.id())).orElse(0L),
                own.isPresent(),
                cuttable.prices().getOrDefault(need.article(), 0.0));
    }

    private StrandNeed need(long piece, WorkCard card, int strand) {
        CardStrand cut = card.strands().get(strand);
        return needs.strandsOf(List.of(piece)).stream()
                .filter(n -> n.role().equals(cut.role()) && n.number() == cut.number())
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"));
    }

    /**
     * Takes a way out.
     *
     * @throws Conflict when the shelf is not as it was looked at, or the piece is not in one's hands
     */
    @Transactional
    public void take(long piece, WayRequest request) {
        String reason = Texts.given(request.reason()).orElse("");
        if (reason.length() > LONGEST_REASON) {
            throw new Rejected(Fault.of("reason", "tooLong", LONGEST_REASON));
        }
        if (request.way() == Way.GIVE_UP && reason.isEmpty()) {
            throw new Rejected(Fault.of("reason", "missing"));
        }
        orders.hold(List.of(piece));
        BenchPiece at = get(piece);
        Bench.mustBeMine(at);
        WorkCard card = cards.card(at.card());
        Choice choice = request.mishap().choices(card, at.next(), valid(card, request.strand())).stream()
                .filter(c -> c.way() == request.way()
                        && (request.part() == null || c.part().equals(Optional.of(request.part()))))
                .findFirst()
                .orElseThrow(() -> new Conflict("bench.noWay"));
        switch (choice.way()) {
            case SPLICE, NEW_STRAND -> cutAnew(piece, card, choice, request, reason);
            case NEW_PART -> {
                parts.replace(piece, choice.part().orElseThrow());
                actuals.workedOut(List.of(piece));
            }
            case GIVE_UP -> {
                // Before it is given up, which works out once what it cost.
                parts.putBack(piece, Optional.ofNullable(request.parts()).orElse(List.of()));
                pieces.act(PieceAct.GIVE_UP, List.of(piece), reason);
            }
            case UNPICK -> {}
        }
        if (choice.way() != Way.UNPICK) {
            acts.save(new BenchActRow(
                            by(),
                            piece,
                            Act.valueOf(choice.way().name()),
                            at.next(),
                            new Noted(
                                    null,
                                    reason,
                                    null,
                                    choice.strand().orElse(null),
                                    null,
                                    choice.cord().isPositive() ? choice.cord().micrometres() : null),
                            null)
                    .after(request.mishap()));
        }
        if (choice.way() == Way.GIVE_UP) {
            at.laidDown();
        } else if (choice.backTo() < at.next()) {
            bench.act(new Bench.StepAct(
                    UUID.randomUUID(),
                    piece,
                    BenchAct.Kind.BACK_TO,
                    choice.backTo(),
                    null,
                    reason,
                    null,
                    null,
                    null,
                    null,
                    null));
        }
    }

    private void cutAnew(long piece, WorkCard card, Choice choice, WayRequest request, String reason) {
        StrandNeed need = need(piece, card, choice.strand().orElseThrow());
        long holding = Optional.ofNullable(request.holdingId()).orElseThrow(() -> new Conflict("bench.noWay"));
        boolean ofIt = shelf(need, choice.cord().micrometres())
                .holding()
                .filter(h -> h.id() == holding)
                .isPresent();
        if (!ofIt) {
            throw new Conflict("bench.shelfChanged");
        }
        strandCord.cutMore(
                holding,
                new Stock.Planned(choice.cord().micrometres(), request.balanceUm()),
                piece,
                need.id(),
                need.batch(),
                choice.way() == Way.NEW_STRAND,
                reason);
        actuals.workedOut(List.of(piece));
    }

    private By by() {
        Instant now = clock.instant();
        String who = Workshop.whoever();
        return new By(UUID.randomUUID(), now, now, workshop.personOf(who).orElse(null), who);
    }

    private BenchPiece get(long piece) {
        return Optional.ofNullable(entities.find(BenchPiece.class, piece)).orElseThrow(() -> new NotFound("notFound"));
    }
}
