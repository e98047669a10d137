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

    @OneToMany(cascade = CascadeType.ALL, orphanRemoval = true)
    @JoinColumn(name = "cut_spool_id", nullable = false)
    @OrderBy("number")
    private List<CutStep> steps = new ArrayList<>();

    protected CutSpool() {}

    CutSpool(int number, long holdingId, long lengthUm) {
        this.number = number;
        this.holdingId = holdingId;
        this.lengthUm = lengthUm;
    }

    long holdingId() {
        return holdingId;
    }

    long lengthUm() {
        return lengthUm;
    }

    List<CutStep> steps() {
        return steps;
    }
}
