package dev.restis.app.cut;

import dev.restis.app.cut.CutWeights.Weights;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;

/** The weights of cut plans, in their one row. */
@Entity
@Table(name = "cut_weights")
@SuppressWarnings("NullAway.Init")
class CutWeightsRow {

    /** The only one there can be. */
    static final boolean KEY = true;

    @Id
    private boolean id = KEY;

    private int leftoverPercent;
    private BigDecimal leftoverHandling;
    private BigDecimal youngerYear;
    private int planSeconds;

    protected CutWeightsRow() {}

    Weights weights() {
        return new Weights(leftoverPercent, leftoverHandling, youngerYear, planSeconds);
    }

    void keep(Weights weights) {
        leftoverPercent = weights.leftoverPercent();
        leftoverHandling = weights.handling();
        youngerYear = weights.ageing();
        planSeconds = weights.seconds();
    }
}
