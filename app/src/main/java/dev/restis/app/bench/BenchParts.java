package dev.restis.app.bench;

import dev.restis.app.orders.OrderPieces;
import dev.restis.app.pieces.PieceActuals;
import dev.restis.app.pieces.PieceMoved;
import dev.restis.app.pieces.PieceNeeds;
import dev.restis.app.pieces.PieceNeeds.PartNeed;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.Article;
import dev.restis.app.stock.Articles;
import dev.restis.app.stock.PartPicks;
import dev.restis.app.stock.PartPicks.PartTaken;
import dev.restis.app.stock.PartPicks.Picking;
import dev.restis.app.stock.Stock;
import dev.restis.core.measure.Fault;
import dev.restis.core.work.PieceAct;
import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** The parts on a piece at the bench: replaced when one breaks, put back when the piece is given up. */
@Component
class BenchParts {

    /** Parts of an article that go back on the shelf. */
    record PartBack(long article, int count) {}

    /** @param most how many of it are in the piece */
    record PartOn(long article, String articleCode, String articleName, long most) {}

    private final OrderPieces orders;
    private final PieceNeeds needs;
    private final Articles articles;
    private final PartPicks picks;
    private final Stock stock;
    private final PieceActuals actuals;

    BenchParts(
            OrderPieces orders,
            PieceNeeds needs,
            Articles articles,
            PartPicks picks,
            Stock stock,
            PieceActuals actuals) {
        this.orders = orders;
        this.needs = needs;
        this.articles = articles;
        this.picks = picks;
        this.stock = stock;
        this.actuals = actuals;
    }

    /** What goes in a slot of a piece. */
    Article inSlot(long piece, String slot) {
        return orders.specsOfPieces(List.of(piece)).values().stream()
                .flatMap(s -> s.parts().stream())
                .filter(p -> p.slot().equals(slot))
                .findFirst()
                .map(p -> articles.byId(p.article()))
                .orElseThrow(() -> new Conflict("bench.noWay"));
    }

    /** What is in the piece that can be used again. */
    List<PartOn> on(long piece) {
        return parts(piece).stream()
                .map(p -> {
                    Article article = articles.byId(p.article());
                    return new PartOn(article.id(), article.code(), article.name(), p.quantity());
                })
                .toList();
    }

    private List<PartNeed> parts(long piece) {
        return needs.partsOf(List.of(piece)).stream()
                .filter(p -> articles.byId(p.article()).kind().part())
                .toList();
    }

    /** Takes another one for a slot off the shelf. */
    void replace(long piece, String slot) {
        long article = inSlot(piece, slot).id();
        PartNeed need = parts(piece).stream()
                .filter(p -> p.article() == article)
                .findFirst()
                .orElseThrow(() -> new Conflict("bench.noWay"));
        PartTaken one = new PartTaken(piece, need.batch(), article, 1);
        Picking picking = picks.hold(List.of(), List.of(one));
        if (!picking.enough(List.of(one))) {
            throw new Conflict("bench.shelfChanged");
        }
        picking.take(List.of(one));
    }

    /** Puts parts of a piece that is given up back on the shelf. */
    void putBack(long piece, List<PartBack> parts) {
        for (PartBack back : parts) {
            PartOn on = on(piece).stream()
                    .filter(p -> p.article() == back.article())
                    .findFirst()
                    .orElseThrow(() -> new Rejected(Fault.of("parts", "missing")));
            if (back.count() < 0 || back.count() > on.most()) {
                throw new Rejected(Fault.of("parts", "count.range", back.count(), 0, on.most()));
            }
            if (back.count() > 0) {
                picks.putBack(piece, back.article(), back.count());
            }
        }
    }

    /** What went into a piece that is given up is scrap; one that is not given up after all has its parts again. */
    @EventListener
    @Transactional(propagation = Propagation.MANDATORY)
    public void moved(PieceMoved moved) {
        if (moved.tookBack().filter(a -> a == PieceAct.GIVE_UP).isPresent()) {
            moved.pieces().stream().sorted().forEach(stock::takeAgainPutBack);
            actuals.workedOut(moved.pieces());
        } else if (moved.act() == PieceAct.GIVE_UP) {
            actuals.workedOut(moved.pieces());
        }
    }
}
