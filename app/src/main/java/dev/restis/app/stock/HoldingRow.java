package dev.restis.app.stock;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "holding")
@SuppressWarnings("NullAway.Init")
class HoldingRow {

    enum Kind {
        SPOOL("S"),
        HANK("H"),
        REMNANT("R"),
        /** A strand that was cut for a piece that was given up. */
        CUT("C"),
        BOX("B");

        final String prefix;

        Kind(String prefix) {
            this.prefix = prefix;
        }
    }

    /** What no strand may cross. */
    enum Mark {
        FLAW("FLAWED"),
        JOIN("JOINED");

        /** How a holding's events call its being marked. */
        final String event;

        Mark(String event) {
            this.event = event;
        }
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Version
    private int version;

    private long lotId;

    @Enumerated(EnumType.STRING)
    private Kind kind;

    private String label;
    private String shelf;

    private @Nullable Long splitFrom;

    /** What there is of it, which the database sums up from the ledger; to be asked for, not kept. */
    @Column(insertable = false, updatable = false)
    private long quantity;

    @Column(insertable = false, updatable = false)
    private BigDecimal value;

    @ElementCollection
    @CollectionTable(name = "holding_flaw", joinColumns = @JoinColumn(name = "holding_id"))
    @MapKeyColumn(name = "behind_um")
    @Column(name = "what")
    @Enumerated(EnumType.STRING)
    Map<Long, Mark> flawsBehind = new TreeMap<>();

    protected HoldingRow() {}

    HoldingRow(long lotId, Kind kind, String label, String shelf, @Nullable Long splitFrom) {
        this.lotId = lotId;
        this.kind = kind;
        this.label = label;
        this.shelf = shelf;
        this.splitFrom = splitFrom;
    }

    long id() {
        return id;
    }

    long lotId() {
        return lotId;
    }

    String label() {
        return label;
    }

    Kind kind() {
        return kind;
    }

    String shelf() {
        return shelf;
    }

    void shelf(String other) {
        shelf = other;
    }

    @Nullable
    Long splitFrom() {
        return splitFrom;
    }
}
