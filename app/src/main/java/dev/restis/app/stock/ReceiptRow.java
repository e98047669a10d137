package dev.restis.app.stock;

import jakarta.persistence.CascadeType;
import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.OneToMany;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A delivery note that was taken in. */
@Entity
@Table(name = "receipt")
@SuppressWarnings("NullAway.Init")
class ReceiptRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    private String number;

    @Nullable
    @ManyToOne(fetch = FetchType.LAZY)
    private SupplierRow supplier;

    private LocalDate receivedOn;
    private BigDecimal freight;
    private Instant at;
    private String who;

    @OneToMany(mappedBy = "receipt", cascade = CascadeType.PERSIST)
    private List<ReceiptLineRow> lines = new ArrayList<>();

    protected ReceiptRow() {}

    ReceiptRow(
            String number,
            @Nullable SupplierRow supplier,
            LocalDate receivedOn,
            BigDecimal freight,
            Instant at,
            String who) {
        this.number = number;
        this.supplier = supplier;
        this.receivedOn = receivedOn;
        this.freight = freight;
        this.at = at;
        this.who = who;
    }

    void add(long lot, Receipts.Receipt line, BigDecimal share, @Nullable Long purchaseLine) {
        lines.add(new ReceiptLineRow(this, lot, line, share, purchaseLine));
    }

    long id() {
        return id;
    }
}
