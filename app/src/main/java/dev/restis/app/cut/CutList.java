package dev.restis.app.cut;

import dev.restis.core.cutting.CutPlan.Quality;
import jakarta.persistence.CascadeType;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A proposed or confirmed cut list of a batch. */
@Entity
@SuppressWarnings("NullAway.Init")
class CutList {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Version
    private int version;

    private long batchId;
    private Instant createdAt;

    private @Nullable Instant confirmedAt;

    private @Nullable String confirmedBy;

    private @Nullable BigDecimal cost;

    private @Nullable BigDecimal bound;

    private @Nullable BigDecimal plain;

    private @Nullable Boolean complete;

    private int opened;
    private int waitingUnopened;

    @OneToMany(cascade = CascadeType.ALL, orphanRemoval = true)
    @JoinColumn(name = "cut_list_id", nullable = false)
    @OrderBy("number")
    private List<CutSpool> spools = new ArrayList<>();

    protected CutList() {}

    CutList(long batchId, Instant createdAt, Optional<Quality> quality) {
        this.batchId = batchId;
        this.createdAt = createdAt;
        quality.ifPresent(q -> {
            cost = q.cost();
            bound = q.bound();
            plain = q.plain();
            complete = q.complete();
        });
    }

    /** How many sealed holdings it opens, and how many more pieces would wait if it opened none. */
    void opens(int holdings, int waiting) {
        opened = holdings;
        waitingUnopened = waiting;
    }

    long id() {
        return id;
    }

    int version() {
        return version;
    }

    long batchId() {
        return batchId;
    }

    List<CutSpool> spools() {
        return spools;
    }

    boolean confirmed() {
        return confirmedAt != null;
    }

    void confirm(Instant when, String who) {
        confirmedAt = when;
        confirmedBy = who;
    }

    @Nullable
    Instant confirmedAt() {
        return confirmedAt;
    }

    @Nullable
    String confirmedBy() {
        return confirmedBy;
    }
}
