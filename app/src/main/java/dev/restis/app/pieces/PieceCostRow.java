package dev.restis.app.pieces;

import dev.restis.core.cost.PieceCost;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;

/** By how much the cost of a piece, or what a cut list threw away for nobody, changed; never rewritten. */
@Entity
@Immutable
@Table(name = "piece_cost")
@SuppressWarnings("NullAway.Init")
class PieceCostRow {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "piece_cost_number", allocationSize = 50)
    private long id;

    private @Nullable Long pieceId;
    private @Nullable Long cutListId;
    private Instant at;
    private BigDecimal used;
    private BigDecimal tails;
    private BigDecimal waste;
    private BigDecimal hardware;
    private BigDecimal trimmed;
    private BigDecimal scrap;

    protected PieceCostRow() {}

    PieceCostRow(@Nullable Long piece, @Nullable Long cutList, Instant at, PieceCost change) {
        this.pieceId = piece;
        this.cutListId = cutList;
        this.at = at;
        this.used = change.used();
        this.tails = change.tails();
        this.waste = change.waste();
        this.hardware = change.hardware();
        this.trimmed = change.trimmed();
        this.scrap = change.scrap();
    }
}
