package dev.restis.app.stock;

import dev.restis.core.stock.Unit;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** So many of a put-up, at the price it had when it was bought. */
@Entity
@Table(name = "purchase_line")
@SuppressWarnings("NullAway.Init")
class PurchaseLineRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @ManyToOne(fetch = FetchType.LAZY)
    private PurchaseRow purchase;

    private long articleId;
    /** Of one put-up. */
    private long quantity;

    private BigDecimal price;
    private String code;

    @Column(name = "count")
    private int putUps;

    private int received;

    protected PurchaseLineRow() {}

    PurchaseLineRow(PurchaseRow purchase, PutUpRow what, int putUps) {
        this.purchase = purchase;
        this.articleId = what.articleId();
        this.quantity = what.quantity();
        this.price = what.price();
        this.code = what.code();
        this.putUps = putUps;
    }

    long purchase() {
        return purchase.id();
    }

    /** How many have not come; more may come than were bought. */
    private int open() {
        return Math.max(0, putUps - received);
    }

    Purchases.PurchaseLine view(String articleCode, String name, Unit unit) {
        return new Purchases.PurchaseLine(
                id,
                articleId,
                articleCode,
                name,
                unit,
                quantity,
                price,
                code,
                putUps,
                received,
                open(),
                price.multiply(BigDecimal.valueOf(open())),
                price.multiply(BigDecimal.valueOf(putUps)));
    }
}
