package dev.restis.app.cut;

import jakarta.persistence.CascadeType;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import java.util.ArrayList;
import java.util.List;

/** A holding that a cut list cuts from; {@code lengthUm} is what the plan believed it to have. */
@Entity
@SuppressWarnings("NullAway.Init")
class CutSpool {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    private int number;
    private long holdingId;
    private long lengthUm;
    private long balanceUm;

    @OneToMany(cascade = CascadeType.ALL, orphanRemoval = true)
    @JoinColumn(name = "cut_spool_id", nullable = false)
    @OrderBy("number")
    private List<CutStep> steps = new ArrayList<>();

    protected CutSpool() {}

    /**
     * @param lengthUm what of it is free for the list
     * @param balanceUm all that it has
     */
    CutSpool(int number, long holdingId, long lengthUm, long balanceUm) {
        this.number = number;
        this.holdingId = holdingId;
        this.lengthUm = lengthUm;
        this.balanceUm = balanceUm;
    }

    long holdingId() {
        return holdingId;
    }

    long lengthUm() {
        return lengthUm;
    }

    long balanceUm() {
        return balanceUm;
    }

    List<CutStep> steps() {
        return steps;
    }
}
