package dev.restis.app.stock;

import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import org.jspecify.annotations.Nullable;

/** What of one lot came with a delivery note. */
@Entity
@Table(name = "receipt_line")
@SuppressWarnings("NullAway.Init")
class ReceiptLineRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @ManyToOne(fetch = FetchType.LAZY)
    private ReceiptRow receipt;

    private long lotId;
    private int putUps;
    private long quantity;
    private BigDecimal price;
    /** Its share of the note's. */
    private BigDecimal freight;

    @Nullable
    private Long purchaseLineId;

    protected ReceiptLineRow() {}

    ReceiptLineRow(
            ReceiptRow receipt, long lotId, Receipts.Receipt line, BigDecimal freight, @Nullable Long purchaseLineId) {
        this.receipt = receipt;
        this.lotId = lotId;
        this.putUps = line.putUps();
        this.quantity = line.quantity();
        this.price = line.price();
        this.freight = freight;
        this.purchaseLineId = purchaseLineId;
    }
}
