package dev.restis.app.bench;

import dev.restis.app.bench.LeftOverRow.Fate;
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
import dev.restis.app.stock.ArticleCards;
import dev.restis.app.stock.Articles;
import dev.restis.app.stock.Stock;
import dev.restis.app.stock.StrandCord;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.learning.Forecast;
import dev.restis.core.make.CardStrand;
import dev.restis.core.make.LeftOver;
import dev.restis.core.make.LeftOver.How;
import dev.restis.core.make.WorkCard;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.measure.WeightReader;
import dev.restis.core.stock.Weighing;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What was left over of strands when their pieces were done. At least the keep length goes back on the shelf as a remnant with its
 * share of what the strand cost, the rest is thrown away; each figure says how it was got.
 */
@Service
public class LeftOvers {

    static final int MOST_WEIGHED = 200;

    /**
     * What was left of one strand.
     *
     * @param strand its place on the card
     * @param left as typed
     * @param believed that it is so though it looks like a slip
     */
    public record LeftRequest(
            int strand,
            @Nullable String left,
            How how,
            @Nullable Fate fate,
            boolean believed,
            UnitSystem units) {}

    /** All trimmings of one article of these pieces in one weighing. */
    record WeighedRequest(
            List<Long> pieces, String article, @Nullable String weight, UnitSystem units) {}

    public record LoggedView(long id, long leftUm, How how, Fate fate, boolean ranShort, String who) {}

    /**
     * @param expectedUm what should be left of it
     * @param together pieces of its batch that are made and of which nothing of its article is kept yet, this one with them:
     *     their trimmings can be weighed together
     */
    public record LeftOverView(
            int strand,
            String letter,
            String role,
            String articleCode,
            String articleName,
            String colour,
            long cutUm,
            long expectedUm,
            long keepUm,
            boolean weighable,
            List<Long> together,
            @Nullable SliderView slider,
            @Nullable LoggedView logged) {}

    /**
     * A strand that is not cut because a tail serves it.
     *
     * @param list the cut list that counts on it
     * @param piece whose strand it is
     * @param needUm how long the tail must be
     */
    public record SliderView(long list, long piece, String role, long needUm) {}

    private final EntityManager entities;
    private final LeftOverRows rows;
    private final Cards cards;
    private final OrderPieces orders;
    private final Pieces pieces;
    private final PieceNeeds needs;
    private final PieceActuals actuals;
    private final Articles articles;
    private final ArticleCards articleCards;
    private final Stock stock;
    private final StrandCord strandCord;
    private final Workshop workshop;
    private final Measured measured;
    private final Clock clock;

    LeftOvers(
            EntityManager entities,
            LeftOverRows rows,
            Cards cards,
            OrderPieces orders,
            Pieces pieces,
            PieceNeeds needs,
            PieceActuals actuals,
            Articles articles,
            ArticleCards articleCards,
            Stock stock,
            StrandCord strandCord,
            Workshop workshop,
            Measured measured,
            Clock clock) {
        this.measured = measured;
        this.entities = entities;
        this.rows = rows;
        this.cards = cards;
        this.orders = orders;
        this.pieces = pieces;
        this.needs = needs;
        this.actuals = actuals;
        this.articles = articles;
        this.articleCards = articleCards;
        this.stock = stock;
        this.strandCord = strandCord;
        this.workshop = workshop;
        this.clock = clock;
    }

    /** A strand of a piece as its card, its need and its article have it. */
    private record Strand(long piece, int place, CardStrand card, StrandNeed need, Article article) {
        Length expected() {
            return card.cut().minus(card.used());
        }
    }

    @Transactional(readOnly = true)
    public List<LeftOverView> of(long piece) {
        Map<Integer, LeftOverRow> logged = rows.standing(piece);
        Map<Long, List<Long>> together = rows.together(piece);
        return strands(piece).stream()
                .map(s -> new LeftOverView(
                        s.place(),
                        s.card().letter(),
                        s.card().role(),
                        s.article().code(),
                        s.article().name(),
                        s.article().colour(),
                        s.card().cut().micrometres(),
                        s.expected().micrometres(),
                        keepUm(s.article()),
                        articleCards.density(s.article().id()).isPresent(),
                        together.getOrDefault(s.article().id(), List.of()),
                        rows.slider(s.need().id()).orElse(null),
                        Optional.ofNullable(logged.get(s.place()))
                                .map(l -> new LoggedView(l.id(), l.leftUm(), l.how(), l.fate(), l.ranShort(), l.who()))
                                .orElse(null)))
                .toList();
    }

    /** Keeps what was left of a strand; what was said of it before is taken back. */
    @Transactional
    public void keep(long piece, LeftRequest request) {
        orders.hold(List.of(piece));
        Strand strand = strands(piece).stream()
                .filter(s -> s.place() == request.strand())
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"));
        String typed = Texts.given(request.left()).orElse("");
        Length left = LengthReader.read(typed, request.units())
                .orElseThrow(() -> new Rejected(Fault.of("left", "length.unread", typed)));
        LeftOver leftOver = new LeftOver(request.how(), left);
        Optional<Forecast> forecast = measured.forecast(piece, strand.card());
        leftOver.doubt(strand.card(), forecast)
                .filter(doubt -> !believes(doubt, request))
                .ifPresent(doubt -> {
                    throw doubted(leftOver, strand.card(), doubt, forecast);
                });
        strandCord.hold(List.of(strand.need().id()));
        measured.left(List.of(keep(strand, leftOver, Optional.ofNullable(request.fate()))));
        actuals.workedOut(List.of(piece));
    }

    /** More than was cut cannot be; what is only unlikely is believed when it is said again. */
    private static boolean believes(LeftOver.Doubt doubt, LeftRequest request) {
        return request.believed() && doubt != LeftOver.Doubt.MORE_THAN_CUT;
    }

    private static Rejected doubted(
            LeftOver left, CardStrand strand, LeftOver.Doubt doubt, Optional<Forecast> forecast) {
        Fault fault = Fault.of("left", "leftOver." + doubt, left.left(), strand.cut(), expected(strand, forecast));
        return new Rejected(left.meant(strand, forecast).map(fault::meant).orElse(fault));
    }

    private static Length expected(CardStrand strand, Optional<Forecast> forecast) {
        return forecast.map(f -> strand.cut().minus(new Length(Math.round(1000 * f.at(0, 0)))))
                .orElse(strand.cut().minus(strand.used()));
    }

    /** Shares a weighing among the strands of its article, by what should be left of each. */
    @Transactional
    public void weighed(WeighedRequest request) {
        if (request.pieces().isEmpty() || request.pieces().size() > MOST_WEIGHED) {
            throw new Rejected(
                    Fault.of("pieces", "named.range", request.pieces().size(), MOST_WEIGHED));
        }
        orders.hold(request.pieces());
        List<Strand> all = new TreeSet<>(request.pieces())
                .stream()
                        .flatMap(p -> strands(p).stream())
                        .filter(s -> s.article().code().equals(request.article()))
                        .toList();
        if (all.isEmpty()) {
            throw new NotFound("notFound");
        }
        long density = articleCards
                .density(all.get(0).article().id())
                .orElseThrow(() -> new Rejected(Fault.of("weight", "weight.noDensity")));
        String typed = Texts.given(request.weight()).orElse("");
        long milligrams = WeightReader.read(typed, request.units())
                .orElseThrow(() -> new Rejected(Fault.of("weight", "weight.unread", typed)));
        Length total = Weighing.length(milligrams, 0, density);
        Length cut = all.stream().map(s -> s.card().cut()).reduce(Length.ZERO, Length::plus);
        if (cut.isLessThan(total)) {
            throw new Rejected(Fault.of("weight", "leftOver.MORE_THAN_CUT", total, cut, Length.ZERO));
        }
        strandCord.hold(all.stream().map(s -> s.need().id()).toList());
        share(all, total);
        actuals.workedOut(new TreeSet<>(request.pieces()));
    }

    /** In proportion to what should be left of each, so that the shares add up to the micrometre. */
    private void share(List<Strand> all, Length total) {
        double expected = all.stream().mapToDouble(LeftOvers::weight).sum();
        double reached = 0;
        long given = 0;
        List<Measured.Left> kept = new ArrayList<>();
        for (Strand strand : all) {
            reached += weight(strand);
            long until = Math.round(total.micrometres() * (reached / expected));
            long most = strand.card().cut().micrometres();
            kept.add(keep(
                    strand, new LeftOver(How.WEIGHED, new Length(Math.min(most, until - given))), Optional.empty()));
            given = until;
        }
        measured.left(kept);
    }

    private static double weight(Strand strand) {
        return Math.max(1, strand.expected().toMillimetres());
    }

    private Measured.Left keep(Strand strand, LeftOver left, Optional<Fate> wanted) {
        long piece = strand.piece();
        Optional.ofNullable(rows.standing(piece).get(strand.place())).ifPresent(this::undo);
        boolean keeps = left.left().micrometres() >= keepUm(strand.article());
        boolean serves = rows.slider(strand.need().id())
                .filter(s -> s.needUm() <= left.left().micrometres())
                .isPresent();
        if (wanted.filter(f -> f == Fate.SLIDER).isPresent() && !serves) {
            throw new Rejected(Fault.of("fate", "leftOver.noSlider"));
        }
        Fate fate = wanted.orElse(serves ? Fate.SLIDER : keeps ? Fate.SHELF : Fate.BIN);
        if (fate == Fate.SHELF && left.left().isPositive()) {
            boolean there = strandCord
                    .leftOver(
                            strand.need().id(),
                            left.left().micrometres(),
                            strand.need().cutUm())
                    .isPresent();
            fate = there ? Fate.SHELF : Fate.BIN;
        } else if (fate == Fate.SHELF) {
            fate = Fate.BIN;
        }
        LeftOverRow row = save(new LeftOverRow(
                piece,
                strand.place(),
                strand.need().id(),
                strand.need().article(),
                left.how(),
                left.left().micrometres(),
                fate,
                left.shortOf(strand.card())));
        return new Measured.Left(row.id(), piece, strand.card(), left);
    }

    /** Takes back what was said to be left of a strand. */
    @Transactional
    public void takeBack(long id) {
        LeftOverRow row =
                Optional.ofNullable(entities.find(LeftOverRow.class, id)).orElseThrow(() -> new NotFound("notFound"));
        orders.hold(List.of(row.piece()));
        boolean stands = Optional.ofNullable(rows.standing(row.piece()).get(row.strand()))
                .filter(r -> r.id() == id)
                .isPresent();
        if (!stands) {
            throw new Conflict("bench.NOTHING_TO_TAKE_BACK", 0);
        }
        Workshop.mayTakeBack(row.who());
        undo(row);
        actuals.workedOut(List.of(row.piece()));
    }

    private void undo(LeftOverRow row) {
        if (row.fate() == Fate.SHELF) {
            stock.takeBackLeftOver(row.strandId());
        }
        save(row.takenBack());
        measured.takenBack(row);
    }

    private LeftOverRow save(LeftOverRow row) {
        String who = Workshop.whoever();
        entities.persist(row.by(clock.instant(), workshop.personOf(who).orElse(null), who));
        entities.flush();
        return row;
    }

    private static long keepUm(Article article) {
        return article.keepUm() == null ? Long.MAX_VALUE : article.keepUm();
    }

    private List<Strand> strands(long piece) {
        BenchPiece bench = entities.find(BenchPiece.class, piece);
        if (bench == null) {
            throw new NotFound("notFound");
        }
        PieceStage stage = pieces.stage(piece);
        if (!stage.begun()) {
            throw new Conflict("bench.movedOn", stage);
        }
        if (bench.resized()) {
            // What was trimmed belongs to the card of before; the little that is trimmed of it once more is nothing to
            // learn from.
            return List.of();
        }
        WorkCard card = cards.card(bench.card());
        Map<String, StrandNeed> byRole = new HashMap<>();
        needs.strandsOf(List.of(piece)).forEach(n -> byRole.put(n.role() + " " + n.number(), n));
        List<Strand> strands = new ArrayList<>();
        for (int place = 0; place < card.strands().size(); place++) {
            CardStrand strand = card.strands().get(place);
            StrandNeed need = byRole.get(strand.role() + " " + strand.number());
            if (need != null && strand.ends() > 0) {
                strands.add(new Strand(piece, place, strand, need, articles.byId(need.article())));
            }
        }
        return strands;
    }
}
