package dev.restis.app.stock;

import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** A unit in which a supplier sells an article: micrometres of cord, or pieces. */
@Entity
@Table(name = "put_up")
@SuppressWarnings("NullAway.Init")
class PutUpRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    private long articleId;

    @ManyToOne(fetch = FetchType.LAZY)
    private SupplierRow supplier;

    private long quantity;
    private BigDecimal price;
    private String code;
    boolean withdrawn;

    protected PutUpRow() {}

    PutUpRow(long articleId, SupplierRow supplier, long quantity, BigDecimal price, String code) {
        this.articleId = articleId;
        this.supplier = supplier;
        this.quantity = quantity;
        this.price = price;
        this.code = code;
    }

    long id() {
        return id;
    }

    long articleId() {
        return articleId;
    }

    long quantity() {
        return quantity;
    }

    BigDecimal price() {
        return price;
    }

    String code() {
        return code;
    }
}
