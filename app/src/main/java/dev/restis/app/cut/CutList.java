package dev.restis.app.cut;

import dev.restis.core.cutting.CutPlan.Quality;
import jakarta.persistence.CascadeType;
import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
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
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/** What is cut for some batches, from which holdings: as it is proposed, while it is cut, and when all of it is. */
@Entity
@SuppressWarnings("NullAway.Init")
class CutList {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Version
    private int version;

    private Instant createdAt;

    private @Nullable Instant confirmedAt;

    private @Nullable String confirmedBy;

    private @Nullable BigDecimal cost;

    private @Nullable BigDecimal bound;

    private @Nullable BigDecimal plain;

    private @Nullable Boolean complete;

    private int opened;
    private int waitingUnopened;
    private int plannedAfter;
    private BigDecimal wasteAlone = BigDecimal.ZERO;
    /** Counts whatever is done to it, so that whoever looked before can tell. */
    private int revision;
    /** Counts how often what is to be cut of it changed otherwise than by cutting. */
    private int plan;
    /** Whether where its cord went is kept as it is now. */
    private boolean summed;

    @ElementCollection
    @CollectionTable(name = "cut_list_batch", joinColumns = @JoinColumn(name = "cut_list_id"))
    @Column(name = "batch_id")
    private Set<Long> batches = new TreeSet<>();

    @ElementCollection
    @CollectionTable(name = "cut_forbidden", joinColumns = @JoinColumn(name = "cut_list_id"))
    @Column(name = "holding_id")
    private Set<Long> forbidden = new TreeSet<>();

    @ElementCollection
    @CollectionTable(name = "cut_pin", joinColumns = @JoinColumn(name = "cut_list_id"))
    private Set<Pin> pins = new HashSet<>();

    /** A piece that is to be cut from a holding, as far as it needs that cord. */
    @Embeddable
    record Pin(long pieceId, long holdingId) {}

    @OneToMany(cascade = CascadeType.ALL, orphanRemoval = true)
    @JoinColumn(name = "cut_list_id", nullable = false)
    @OrderBy("number")
    private List<CutSpool> spools = new ArrayList<>();

    protected CutList() {}

    CutList(Collection<Long> batches, Instant createdAt) {
        this.batches.addAll(batches);
        this.createdAt = createdAt;
    }

    /** @param after how many cuts were made when it was planned */
    void planned(Optional<Quality> quality, int after) {
        cost = quality.map(Quality::cost).orElse(null);
        bound = quality.map(Quality::bound).orElse(null);
        plain = quality.map(Quality::plain).orElse(null);
        complete = quality.map(Quality::complete).orElse(null);
        plannedAfter = after;
    }

    @Nullable
    BigDecimal cost() {
        return cost;
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

    Set<Long> batches() {
        return Set.copyOf(batches);
    }

    Set<Long> forbidden() {
        return Set.copyOf(forbidden);
    }

    Set<Pin> pins() {
        return Set.copyOf(pins);
    }

    void wishes(Collection<Long> forbid, Collection<Pin> pin) {
        forbidden.clear();
        forbidden.addAll(forbid);
        pins.clear();
        pins.addAll(pin);
    }

    /** What it threw away that no piece bears: all of it until the list is done. */
    BigDecimal wasteAlone() {
        return wasteAlone;
    }

    void wasteAlone(BigDecimal value) {
        wasteAlone = value;
    }

    int revision() {
        return revision;
    }

    /** Something of it was cut, or a cut was taken back. */
    void touched() {
        revision++;
        summed = false;
    }

    /** What is to be cut of it changed otherwise than by cutting. */
    void replanned() {
        touched();
        plan++;
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

    void reopen() {
        confirmedAt = null;
        confirmedBy = null;
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
