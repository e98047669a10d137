package dev.restis.app.finished;

import dev.restis.app.orders.Payments.How;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** A piece was sold from the shelf. */
@Entity
@SuppressWarnings("NullAway.Init")
class Sale {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "sale_number", allocationSize = 1)
    private long id;

    private long pieceId;
    private LocalDate soldOn;
    private BigDecimal price;

    @Enumerated(EnumType.STRING)
    private How how;

    private String note;
    private Instant at;
    private String who;
    private @Nullable Instant withdrawnAt;
    private @Nullable String withdrawnBy;

    protected Sale() {}

    Sale(long piece, LocalDate soldOn, BigDecimal price, How how, String note, Instant at, String who) {
        this.pieceId = piece;
        this.soldOn = soldOn;
        this.price = price;
        this.how = how;
        this.note = note;
        this.at = at;
        this.who = who;
    }

    long id() {
        return id;
    }

    String who() {
        return who;
    }

    void withdraw(Instant now, String by) {
        withdrawnAt = now;
        withdrawnBy = by;
    }

    Shelf.SaleView view() {
        return new Shelf.SaleView(id, soldOn, price, how, note, who);
    }
}
