package dev.restis.app.finished;

import dev.restis.app.customers.Customers;
import dev.restis.app.customers.Customers.Contact;
import dev.restis.app.orders.OrderFacts;
import dev.restis.app.orders.OrderFacts.Facts;
import dev.restis.app.orders.OrderFacts.LineFacts;
import dev.restis.app.orders.SheetWords;
import dev.restis.app.orders.SheetWords.Sheet;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceDesk.Worked;
import dev.restis.app.patterns.PieceView;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.stock.Article;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What lies in a parcel, or would, for the papers that go with it. */
@Service
class Contents {

    /**
     * A piece.
     *
     * @param number within its line
     * @param batch empty for one that never was in any
     */
    record PieceFacts(long id, long line, int number, PieceStage stage, String batch) {}

    /**
     * What of a line lies in it.
     *
     * @param pieces those that do
     * @param toCome how many are not made, or lie here still
     * @param picture of one, as SVG
     */
    record ContentLine(
            LineFacts line, Worked worked, List<PieceFacts> pieces, int toCome, List<String> colours, String picture) {

        String patternName() {
            return worked.piece().request().pattern().name();
        }
    }

    /**
     * A parcel and all that papers say of it.
     *
     * @param parcel nothing where it has not left yet
     * @param lines those of which something lies in it, or is to come
     */
    record Content(
            Facts order,
            Contact contact,
            Workshop.Settings house,
            Sheet words,
            Optional<Parcel> parcel,
            List<ContentLine> lines) {

        /** Those of which something lies in it. */
        List<ContentLine> filled() {
            return lines.stream().filter(l -> !l.pieces().isEmpty()).toList();
        }
    }

    private final EntityManager entities;
    private final OrderFacts orders;
    private final Customers customers;
    private final Workshop workshop;
    private final SheetWords words;
    private final PieceDesk desk;

    Contents(
            EntityManager entities,
            OrderFacts orders,
            Customers customers,
            Workshop workshop,
            SheetWords words,
            PieceDesk desk) {
        this.entities = entities;
        this.orders = orders;
        this.customers = customers;
        this.workshop = workshop;
        this.words = words;
        this.desk = desk;
    }

    /**
     * What lies in a parcel; without one, what is made and has not gone out, or everything that has where nothing lies here.
     *
     * @throws Conflict when nothing of the order is made
     */
    @Transactional(readOnly = true)
    public Content of(long order, @Nullable Long parcel) {
        Facts facts = orders.of(order);
        Optional<Parcel> sent = Optional.ofNullable(parcel)
                .map(id -> Optional.ofNullable(entities.find(Parcel.class, id))
                        .filter(p -> p.order() == order)
                        .orElseThrow(() -> new NotFound("notFound")));
        List<PieceFacts> all = pieces(order);
        Predicate<PieceFacts> within =
                sent.map(p -> within(Set.copyOf(p.pieces()))).orElseGet(() -> here(all));
        if (all.stream().noneMatch(within)) {
            throw new Conflict("finished.nothing");
        }
        Workshop.Settings house = workshop.settings();
        Contact contact = customers.contact(facts.customerId());
        PieceDesk.Sitting sitting = desk.sit();
        List<ContentLine> lines = new ArrayList<>();
        for (LineFacts line : facts.lines()) {
            List<PieceFacts> own =
                    all.stream().filter(p -> p.line() == line.id()).toList();
            Worked worked = sitting.workOut(line.spec());
            lines.add(new ContentLine(
                    line,
                    worked,
                    own.stream().filter(within).toList(),
                    (int) own.stream()
                            .filter(within.negate().and(p -> p.stage() != PieceStage.SENT))
                            .count(),
                    worked.cords().stream().map(Article::name).distinct().toList(),
                    PieceView.card(sitting, worked)));
        }
        return new Content(
                facts, contact, house, words.in(contact.language(), house.currency()), sent, List.copyOf(lines));
    }

    private static Predicate<PieceFacts> within(Set<Long> parcel) {
        return p -> parcel.contains(p.id());
    }

    private static Predicate<PieceFacts> here(List<PieceFacts> all) {
        boolean some = all.stream().anyMatch(Contents::isHere);
        return some ? Contents::isHere : p -> p.stage() == PieceStage.SENT;
    }

    private static boolean isHere(PieceFacts piece) {
        return piece.stage().made() && piece.stage() != PieceStage.SENT;
    }

    private List<PieceFacts> pieces(long order) {
        return entities.createQuery("""
                        select p.id as id, p.line.id as line, p.number as number, p.stage as stage, coalesce(b.name, '') as batch
                        from Piece p left join Batch b on b.id = p.batchId
                        where p.line.order.id = :order and p.stage <> :gone and not p.shelved order by p.line.number, p.number
                        """, Tuple.class)
                .setParameter("order", order)
                .setParameter("gone", PieceStage.GIVEN_UP)
                .getResultStream()
                .map(t -> new PieceFacts(
                        t.get("id", Long.class),
                        t.get("line", Long.class),
                        t.get("number", Integer.class),
                        t.get("stage", PieceStage.class),
                        t.get("batch", String.class)))
                .toList();
    }
}
