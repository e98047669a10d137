package dev.restis.app.orders;

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

/** Something that was paid for an order, or given back. */
@Entity
@SuppressWarnings("NullAway.Init")
class Payment {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "payment_number", allocationSize = 1)
    private long id;

    private long orderId;
    private LocalDate paidOn;

    /** Less than nothing where it was given back. */
    private BigDecimal amount;

    @Enumerated(EnumType.STRING)
    private How how;

    private String note;
    private Instant at;
    private String who;
    private @Nullable Instant withdrawnAt;
    private @Nullable String withdrawnBy;

    protected Payment() {}

    Payment(long order, LocalDate paidOn, BigDecimal amount, How how, String note, Instant at, String who) {
        this.orderId = order;
        this.paidOn = paidOn;
        this.amount = amount;
        this.how = how;
        this.note = note;
        this.at = at;
        this.who = who;
    }

    long order() {
        return orderId;
    }

    String who() {
        return who;
    }

    boolean withdrawn() {
        return withdrawnAt != null;
    }

    void withdraw(Instant now, String by) {
        withdrawnAt = now;
        withdrawnBy = by;
    }

    BigDecimal amount() {
        return amount;
    }

    Payments.PaymentView view() {
        return new Payments.PaymentView(id, paidOn, amount, how, note, at, who, withdrawnAt, withdrawnBy);
    }
}
