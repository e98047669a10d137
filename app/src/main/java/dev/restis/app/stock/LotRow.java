package dev.restis.app.stock;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** What was received of an article under one number; what there is of it the database sums up from the ledger. */
@Entity
@Table(name = "lot")
@SuppressWarnings("NullAway.Init")
class LotRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    private int version;
    private long articleId;
    private String code;
    private LocalDate receivedOn;

    @Nullable
    private Long measuredUm;

    @Column(insertable = false, updatable = false)
    private long quantity;

    @Column(name = "value", insertable = false, updatable = false)
    private BigDecimal worth;

    @Column(insertable = false, updatable = false)
    private long received;

    @Column(insertable = false, updatable = false)
    private BigDecimal paid;

    protected LotRow() {}
}
