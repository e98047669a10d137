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
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What was bought of one supplier at once. */
@Entity
@Table(name = "purchase")
@SuppressWarnings("NullAway.Init")
class PurchaseRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @ManyToOne(fetch = FetchType.LAZY)
    private SupplierRow supplier;

    private Instant at;
    private String who;
    private LocalDate expectedOn;

    @Nullable
    private Instant closedAt;

    @Nullable
    private String closedBy;

    @OneToMany(mappedBy = "purchase", cascade = CascadeType.PERSIST)
    private List<PurchaseLineRow> lines = new ArrayList<>();

    protected PurchaseRow() {}

    PurchaseRow(SupplierRow supplier, Instant at, String who, LocalDate expectedOn) {
        this.supplier = supplier;
        this.at = at;
        this.who = who;
        this.expectedOn = expectedOn;
    }

    void add(PutUpRow what, int count) {
        lines.add(new PurchaseLineRow(this, what, count));
    }

    long id() {
        return id;
    }

    SupplierRow supplier() {
        return supplier;
    }

    Instant at() {
        return at;
    }

    String who() {
        return who;
    }

    LocalDate expectedOn() {
        return expectedOn;
    }

    boolean open() {
        return closedAt == null;
    }
}
