package dev.restis.app.stock;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.stock.HoldingRow.Kind;
import dev.restis.app.stock.LedgerRow.Cause;
import dev.restis.app.stock.Receipts.NewNote;
import dev.restis.app.stock.Receipts.NewReceipt;
import dev.restis.app.stock.Receipts.Receipt;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cost.Shares;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.stock.Balance;
import dev.restis.core.stock.Movement;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Deliveries from suppliers: a note with its lines, put on the shelves together or not at all. */
@Service
public class GoodsIn {

    private static final int MOST_LINES = 60;
    private static final int LONGEST_NUMBER = 40;
    private static final int MOST_SHOWN = 100;

    /** What a note became. */
    public record Received(long receipt, List<Long> holdings) {}

    /** A delivery note that was taken in. */
    record NoteView(
            long id,
            String number,
            @Nullable String supplier,
            LocalDate receivedOn,
            BigDecimal freight,
            BigDecimal total,
            String who,
            List<NoteLine> lines) {}

    record NoteLine(
            String code, String name, String lot, int putUps, long quantity, BigDecimal price, BigDecimal freight) {}

    private final Articles articles;
    private final Stock stock;
    private final Ledger ledger;
    private final Purchases purchases;
    private final EntityManager entities;
    private final Clock clock;

    GoodsIn(Articles articles, Stock stock, Ledger ledger, Purchases purchases, EntityManager entities, Clock clock) {
        this.articles = articles;
        this.stock = stock;
        this.ledger = ledger;
        this.purchases = purchases;
        this.entities = entities;
        this.clock = clock;
    }

    /** Puts a delivery on the shelves: one holding a put-up, price and freight shared out among them exactly. */
    @Transactional
    public Received take(NewNote note) {
        LocalDate today = LocalDate.now(clock);
        List<Fault> faults = new ArrayList<>();
        String number = Texts.given(note.number()).orElse("");
        if (number.length() > LONGEST_NUMBER) {
            faults.add(Fault.of("number", "tooLong", LONGEST_NUMBER));
        }
        LocalDate receivedOn = note.receivedOn() == null ? today : note.receivedOn();
        if (receivedOn.isAfter(today) || receivedOn.isBefore(today.minusYears(20))) {
            faults.add(Fault.of("receivedOn", "received.day", receivedOn, today));
        }
        SupplierRow supplier = note.supplier() == null ? null : entities.find(SupplierRow.class, note.supplier());
        if (note.supplier() != null && supplier == null) {
            faults.add(Fault.of("supplier", "supplier.unknown"));
        }
        BigDecimal freight = Texts.given(note.freight())
                .map(typed -> Texts.money(typed, "freight", faults))
                .orElse(BigDecimal.ZERO);
        if (note.lines().isEmpty() || note.lines().size() > MOST_LINES) {
            faults.add(Fault.of("lines", "lines.range", note.lines().size(), MOST_LINES));
        }
        List<Receipt> lines = new ArrayList<>();
        for (int i = 0; i < note.lines().size(); i++) {
            NewReceipt typed = note.lines().get(i);
            String prefix = "lines[" + i + "].";
            Optional<Article> article =
                    articles.some(List.of(typed.article())).stream().findFirst();
            if (article.isEmpty()) {
                faults.add(Fault.of(prefix + "article", "article.missing"));
            } else {
                lines.add(Receipts.read(typed, article.get(), prefix, faults));
                purchases.check(typed.purchaseLine(), article.get(), prefix + "purchaseLine", faults);
            }
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        ReceiptRow receipt = new ReceiptRow(number, supplier, receivedOn, freight, clock.instant(), Workshop.whoever());
        List<BigDecimal> freights = Shares.of(
                freight,
                lines.stream()
                        .map(l -> l.price().movePointRight(Balance.SCALE).longValueExact())
                        .toList());
        lines.stream()
                .sorted(Comparator.comparing((Receipt l) -> l.article().id()).thenComparing(Receipt::lot))
                .forEach(line -> known(line, receivedOn));
        ledger.holdLots(lines.stream().map(this::lot).toList());
        List<Long> holdings = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            holdings.addAll(shelve(lines.get(i), freights.get(i)));
            Long bought = note.lines().get(i).purchaseLine();
            receipt.add(lot(lines.get(i)), lines.get(i), freights.get(i), bought);
            if (bought != null) {
                purchases.delivered(bought, lines.get(i).putUps());
            }
        }
        entities.persist(receipt);
        return new Received(receipt.id(), holdings);
    }

    /** Two notes may bring the same lots in the same moment; each sees to them in the same order. */
    private void known(Receipt line, LocalDate receivedOn) {
        entities.createQuery("""
                        insert into LotRow (articleId, code, receivedOn, version) values (:article, :code, :on, 0)
                        on conflict (articleId, code) do nothing
                        """)
                .setParameter("article", line.article().id())
                .setParameter("code", line.lot())
                .setParameter("on", receivedOn)
                .executeUpdate();
    }

    private List<Long> shelve(Receipt line, BigDecimal freight) {
        long lot = lot(line);
        line.measured().map(Length::micrometres).ifPresent(um -> stock.keepMeasured(lot, um));
        Kind wound = line.hank() ? Kind.HANK : Kind.SPOOL;
        Kind kind = line.article().kind() == Article.ArticleKind.CORD ? wound : Kind.BOX;
        List<Long> made = new ArrayList<>();
        for (BigDecimal price : Shares.of(line.price().add(freight), Collections.nCopies(line.putUps(), 1L))) {
            HoldingRow holding = stock.hold(lot, kind, line.shelf(), null);
            line.flawsFromFreeEnd().forEach(at -> holding.flawsBehind.put(line.quantity() - at, HoldingRow.Mark.FLAW));
            entities.flush();
            ledger.post(Movement.RECEIVE, holding.id(), line.quantity(), price, Cause.of("lot " + line.lot()));
            made.add(holding.id());
        }
        entities.flush();
        return made;
    }

    private long lot(Receipt line) {
        return entities.createQuery(
                        "select l.id from LotRow l where l.articleId = :article and l.code = :code", Long.class)
                .setParameter("article", line.article().id())
                .setParameter("code", line.lot())
                .getSingleResult();
    }

    /** The delivery notes that came last. */
    @Transactional(readOnly = true)
    List<NoteView> notes() {
        record Head(
                long id,
                String number,
                @Nullable String supplier,
                LocalDate receivedOn,
                BigDecimal freight,
                String who) {}
        List<Head> heads =
                entities.createQuery("""
                        select r.id, r.number, s.name, r.receivedOn, r.freight, r.who
                        from ReceiptRow r left join r.supplier s order by r.id desc
                        """, Head.class).setMaxResults(MOST_SHOWN).getResultList();
        Map<Long, List<NoteLine>> lines = lines(heads.stream().map(Head::id).toList());
        return heads.stream()
                .map(head -> {
                    List<NoteLine> its = lines.getOrDefault(head.id(), List.of());
                    return new NoteView(
                            head.id(),
                            head.number(),
                            head.supplier(),
                            head.receivedOn(),
                            head.freight(),
                            its.stream().map(NoteLine::price).reduce(head.freight(), BigDecimal::add),
                            head.who(),
                            its);
                })
                .toList();
    }

    private Map<Long, List<NoteLine>> lines(List<Long> receipts) {
        record Line(
                long receipt,
                String code,
                String name,
                String lot,
                int putUps,
                long quantity,
                BigDecimal price,
                BigDecimal freight) {}
        Map<Long, List<NoteLine>> lines = new HashMap<>();
        entities.createQuery("""
                        select l.receipt.id, a.code, a.name, o.code, l.putUps, l.quantity, l.price, l.freight
                        from ReceiptLineRow l join LotRow o on o.id = l.lotId join ArticleRow a on a.id = o.articleId
                        where l.receipt.id in :receipts order by l.id
                        """, Line.class)
                .setParameter("receipts", receipts)
                .getResultList()
                .forEach(l -> lines.computeIfAbsent(l.receipt(), r -> new ArrayList<>())
                        .add(new NoteLine(
                                l.code(), l.name(), l.lot(), l.putUps(), l.quantity(), l.price(), l.freight())));
        return lines;
    }
}
