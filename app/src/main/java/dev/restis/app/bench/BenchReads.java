package dev.restis.app.bench;

import dev.restis.app.bench.CardsController.BenchStanding;
import dev.restis.app.bench.WorkCardView.AlikeView;
import dev.restis.app.bench.WorkCardView.BenchPieceView;
import dev.restis.app.bench.WorkCardView.CardMarkView;
import dev.restis.app.bench.WorkCardView.CardPartView;
import dev.restis.app.bench.WorkCardView.CardStepView;
import dev.restis.app.bench.WorkCardView.CardStrandView;
import dev.restis.app.bench.WorkCardView.InspectionView;
import dev.restis.app.bench.WorkCardView.LastBenchAct;
import dev.restis.app.bench.WorkCardView.PassedOverView;
import dev.restis.app.orders.OrderPieces;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.patterns.PieceView;
import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.stock.Article;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.make.CardStrand;
import dev.restis.core.make.WorkCard;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What waits at the bench, what is in whose hands, and the card of a piece. */
@Service
class BenchReads {

    private static final int PAGE = 40;
    private static final int ALIKE = 60;
    private static final String NUMBER = "\\d{1,18}";
    private static final String DAY = "\\d{4}-\\d{2}-\\d{2}";
    private static final String ANY = ".*";
    private static final LocalDate NO_DAY = LocalDate.of(9999, 12, 31);

    /**
     * Alike pieces that are cut and wait to be made.
     *
     * @param pieces the first of them, by number
     * @param seconds what one should take
     */
    record WaitingRow(
            long line,
            long order,
            String reference,
            String customer,
            String pattern,
            String patternName,
            boolean kit,
            @Nullable LocalDate due,
            int count,
            List<Long> pieces,
            int seconds) {}

    /** A piece that is begun and not made. */
    record InWorkRow(
            long piece,
            int number,
            long line,
            long order,
            String reference,
            String customer,
            String pattern,
            String patternName,
            @Nullable LocalDate due,
            String inHandOf,
            int next,
            int steps,
            boolean heldUp) {}

    private final EntityManager entities;
    private final BenchActStore acts;
    private final Cards cards;
    private final SetUps setUps;
    private final OrderPieces orders;
    private final PieceDesk desk;
    private final Workshop workshop;
    private final Clock clock;

    BenchReads(
            EntityManager entities,
            BenchActStore acts,
            Cards cards,
            SetUps setUps,
            OrderPieces orders,
            PieceDesk desk,
            Workshop workshop,
            Clock clock) {
        this.entities = entities;
        this.acts = acts;
        this.cards = cards;
        this.setUps = setUps;
        this.orders = orders;
        this.desk = desk;
        this.workshop = workshop;
        this.clock = clock;
    }

    /** What is cut and not begun, by the day it is wanted, then by what lies on the bench. */
    @Transactional(readOnly = true)
    public Keyset<WaitingRow> waiting(@Nullable String after) {
        List<String> place = Keyset.read(after, DAY, ANY, NUMBER).orElse(List.of("0001-01-01", "", "0"));
        List<Tuple> found = entities.createQuery("""
                        select l.id as line, o.id as order, o.reference as reference, o.customer as customer, l.pattern as pattern,
                               l.kit as kit, coalesce(o.due, :never) as due, l.setUp as setUp, count(p.id) as count,
                               l.makingSeconds as seconds
                        from Piece p join p.line l join l.order o
                        where p.stage = :cut and (coalesce(o.due, :never) > :day or coalesce(o.due, :never) = :day
                            and (l.setUp > :setUp or l.setUp = :setUp and l.id > :line))
                        group by l.id, o.id, o.reference, o.customer, l.pattern, l.kit, o.due, l.setUp, l.makingSeconds
                        order by coalesce(o.due, :never), l.setUp, l.id
                        """, Tuple.class)
                .setParameter("cut", PieceStage.CUT)
                .setParameter("never", NO_DAY)
                .setParameter("day", LocalDate.parse(place.get(0)))
                .setParameter("setUp", place.get(1))
                .setParameter("line", Long.valueOf(place.get(2)))
                .setMaxResults(PAGE + 1)
                .getResultList();
        Keyset<Tuple> page = Keyset.of(
                found, PAGE, t -> List.of(t.get("due", LocalDate.class), t.get("setUp", String.class), t.get("line")));
        Map<Long, List<Long>> pieces = new HashMap<>();
        if (!page.rows().isEmpty()) {
            entities.createQuery(
                            "select p.line.id, p.id from Piece p where p.stage = :cut and p.line.id in :lines "
                                    + "order by p.line.id, p.number",
                            Object[].class)
                    .setParameter("cut", PieceStage.CUT)
                    .setParameter(
                            "lines",
                            page.rows().stream()
                                    .map(t -> t.get("line", Long.class))
                                    .toList())
                    .getResultList()
                    .forEach(row -> pieces.computeIfAbsent((Long) row[0], l -> new ArrayList<>())
                            .add((Long) row[1]));
        }
        PieceDesk.Sitting sitting = desk.sit();
        return new Keyset<>(
                page.rows().stream()
                        .map(t -> new WaitingRow(
                                t.get("line", Long.class),
                                t.get("order", Long.class),
                                t.get("reference", String.class),
                                t.get("customer", String.class),
                                t.get("pattern", String.class),
                                sitting.patternName(t.get("pattern", String.class)),
                                t.get("kit", Boolean.class),
                                day(t.get("due", LocalDate.class)),
                                t.get("count", Long.class).intValue(),
                                first(pieces.getOrDefault(t.get("line", Long.class), List.of())),
                                t.get("seconds", Integer.class)))
                        .toList(),
                page.next());
    }

    private static List<Long> first(List<Long> pieces) {
        return List.copyOf(pieces.subList(0, Math.min(ALIKE, pieces.size())));
    }

    private static @Nullable LocalDate day(LocalDate due) {
        return due.equals(NO_DAY) ? null : due;
    }

    /** Pieces in work: those in one's own hands first, then by when they are wanted. */
    @Transactional(readOnly = true)
    public Keyset<InWorkRow> inWork(@Nullable String after) {
        List<String> place = Keyset.read(after, "[01]", DAY, NUMBER).orElse(List.of("0", "0001-01-01", "0"));
        List<Tuple> found = entities.createQuery("""
                        select p.id as piece, p.number as number, l.id as line, o.id as order, o.reference as reference,
                               o.customer as customer, l.pattern as pattern, coalesce(o.due, :never) as due,
                               coalesce(b.inHandOf, '') as inHandOf, coalesce(b.nextStep, 0) as next, b.cardId as card,
                               coalesce(b.heldUp, false) as heldUp,
                               case when b.inHandOf = :me then 0 else 1 end as mine
                        from Piece p join p.line l join l.order o left join BenchPiece b on b.pieceId = p.id
                        where p.stage = :making
                            and (case when b.inHandOf = :me then 0 else 1 end > :mine
                                or case when b.inHandOf = :me then 0 else 1 end = :mine
                                    and (coalesce(o.due, :never) > :day or coalesce(o.due, :never) = :day and p.id > :piece))
                        order by case when b.inHandOf = :me then 0 else 1 end, coalesce(o.due, :never), p.id
                        """, Tuple.class)
                .setParameter("making", PieceStage.MAKING)
                .setParameter("me", Workshop.whoever())
                .setParameter("never", NO_DAY)
                .setParameter("mine", Integer.valueOf(place.get(0)))
                .setParameter("day", LocalDate.parse(place.get(1)))
                .setParameter("piece", Long.valueOf(place.get(2)))
                .setMaxResults(PAGE + 1)
                .getResultList();
        Keyset<Tuple> page =
                Keyset.of(found, PAGE, t -> List.of(t.get("mine"), t.get("due", LocalDate.class), t.get("piece")));
        PieceDesk.Sitting sitting = desk.sit();
        return new Keyset<>(
                page.rows().stream()
                        .map(t -> new InWorkRow(
                                t.get("piece", Long.class),
                                t.get("number", Integer.class),
                                t.get("line", Long.class),
                                t.get("order", Long.class),
                                t.get("reference", String.class),
                                t.get("customer", String.class),
                                t.get("pattern", String.class),
                                sitting.patternName(t.get("pattern", String.class)),
                                day(t.get("due", LocalDate.class)),
                                t.get("inHandOf", String.class),
                                t.get("next", Integer.class),
                                Optional.ofNullable(t.get("card", Long.class))
                                        .map(c -> cards.card(c).steps().size())
                                        .orElse(0),
                                t.get("heldUp", Boolean.class)))
                        .toList(),
                page.next());
    }

    /** The card of a piece; one that is not begun has the card that it would be begun with. */
    @Transactional(readOnly = true)
    public WorkCardView card(long piece) {
        Tuple row = entities.createQuery("""
                        select p.number as number, p.stage as stage, p.dryUntil as dryUntil, l.id as lineId, l.number as line,
                               l.quantity as quantity, l.pattern as pattern, l.kit as kit, l.setUp as setUp, p.batchId as batch,
                               o.id as order, o.reference as reference, o.customer as customer, o.due as due
                        from Piece p join p.line l join l.order o where p.id = :piece
                        """, Tuple.class)
                .setParameter("piece", piece)
                .getResultStream()
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"));
        PieceSpec spec = orders.specOf(row.get("lineId", Long.class));
        PieceDesk.Sitting sitting = desk.sit();
        PieceDesk.Worked worked = sitting.workOut(spec);
        Optional<BenchPiece> bench = Optional.ofNullable(entities.find(BenchPiece.class, piece));
        WorkCard card = bench.map(b -> cards.card(b.card())).orElseGet(() -> Cards.of(worked));
        List<BenchActRow> rows =
                bench.map(b -> b.onCard(acts.of(List.of(b.piece())))).orElse(List.of());
        Instant now = clock.instant();
        Workshop.BenchRules rules = workshop.bench();
        return new WorkCardView(
                new BenchPieceView(
                        piece,
                        row.get("number", Integer.class),
                        row.get("quantity", Integer.class),
                        row.get("order", Long.class),
                        row.get("reference", String.class),
                        row.get("customer", String.class),
                        row.get("line", Integer.class),
                        spec.pattern(),
                        worked.piece().request().pattern().name(),
                        row.get("kit", Boolean.class),
                        row.get("due", LocalDate.class),
                        row.get("stage", PieceStage.class),
                        Optional.ofNullable(row.get("dryUntil", Instant.class))
                                .filter(now::isBefore)
                                .orElse(null)),
                bench.map(BenchPiece::next).orElse(0),
                bench.map(BenchPiece::heldUp).orElse(false),
                bench.isPresent(),
                bench.map(BenchPiece::inHandOf).orElse(""),
                rules.gatesRemind(),
                rules.timer(),
                card.strands().stream()
                        .map(s -> strand(s, worked.cords().get(s.slot())))
                        .toList(),
                parts(worked),
                WorkCardView.bodies(card),
                card.steps().stream().map(s -> CardStepView.of(card, s)).toList(),
                InspectionView.of(card.inspection()),
                card.time().toSeconds(),
                card.spread(),
                PieceView.full(sitting, worked),
                bench.map(b -> alike(b, row.get("lineId", Long.class))).orElse(List.of()),
                Optional.ofNullable(row.get("batch", Long.class))
                        .flatMap(batch -> setUps.of(batch, row.get("setUp", String.class)))
                        .orElse(null),
                bench.map(b -> passedOver(b, rows, card)).orElse(List.of()),
                Notes.standing(rows),
                bench.flatMap(b -> last(b, rows, card)).orElse(null));
    }

    /** The card alone. */
    @Transactional(readOnly = true)
    public WorkCard workCard(long piece) {
        BenchPiece bench = entities.find(BenchPiece.class, piece);
        if (bench != null) {
            return cards.card(bench.card());
        }
        PieceSpec spec = orders.specsOfPieces(List.of(piece)).values().stream()
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"));
        return Cards.of(desk.sit().workOut(spec));
    }

    /** Where a piece stands on its card. */
    @Transactional(readOnly = true)
    public BenchStanding standing(long piece) {
        BenchPiece bench = entities.find(BenchPiece.class, piece);
        if (bench == null) {
            throw new NotFound("notFound");
        }
        return new BenchStanding(piece, bench.next(), bench.heldUp(), bench.inHandOf());
    }

    private static CardStrandView strand(CardStrand strand, Article cord) {
        return new CardStrandView(
                strand.letter(),
                strand.role(),
                strand.number(),
                strand.slot(),
                cord.code(),
                cord.name(),
                cord.colour(),
                strand.cut().micrometres(),
                strand.ends(),
                strand.mark()
                        .map(m -> new CardMarkView(m.kind(), m.at().micrometres()))
                        .orElse(null));
    }

    private static List<CardPartView> parts(PieceDesk.Worked worked) {
        List<CardPartView> parts = new ArrayList<>();
        worked.piece().hardware().forEach((slot, count) -> {
            Article article = worked.parts().get(slot);
            parts.add(new CardPartView(
                    slot, article == null ? "" : article.code(), article == null ? "" : article.name(), count));
        });
        return parts;
    }

    /** Pieces of the same line that are in work on the same card. */
    private List<AlikeView> alike(BenchPiece bench, long line) {
        return entities.createQuery("""
                        select p.id as piece, p.number as number, b.nextStep as next, b.inHandOf as inHandOf
                        from Piece p join BenchPiece b on b.pieceId = p.id
                        where p.line.id = :line and b.cardId = :card and p.id <> :piece and p.stage = :making
                        order by p.number
                        """, Tuple.class)
                .setParameter("line", line)
                .setParameter("card", bench.card())
                .setParameter("piece", bench.piece())
                .setParameter("making", PieceStage.MAKING)
                .setMaxResults(ALIKE)
                .getResultStream()
                .map(t -> new AlikeView(
                        t.get("piece", Long.class),
                        t.get("number", Integer.class),
                        t.get("next", Integer.class),
                        t.get("inHandOf", String.class)))
                .toList();
    }

    /** The gates that somebody went on from all the same. */
    private static List<PassedOverView> passedOver(BenchPiece bench, List<BenchActRow> rows, WorkCard card) {
        Map<Long, BenchActRow> byNumber = rows.stream().collect(Collectors.toMap(BenchActRow::id, Function.identity()));
        return bench.walk(card, true, rows).passedOver().stream()
                .map(a -> Objects.requireNonNull(byNumber.get(a.number())))
                .map(r -> new PassedOverView(r.step(), r.reason(), r.who()))
                .toList();
    }

    private static Optional<LastBenchAct> last(BenchPiece bench, List<BenchActRow> rows, WorkCard card) {
        return bench.walk(card, true, rows)
                .newest()
                .flatMap(n -> rows.stream().filter(r -> r.id() == n.number()).findFirst())
                .map(r -> new LastBenchAct(r.act().name(), r.step(), r.doneAt(), r.who(), r.reason()));
    }
}
