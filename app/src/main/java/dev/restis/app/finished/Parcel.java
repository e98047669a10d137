package dev.restis.app.finished;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Pieces of an order that left together. */
@Entity
@SuppressWarnings("NullAway.Init")
class Parcel {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "parcel_number", allocationSize = 1)
    private long id;

    @Version
    private int version;

    private long orderId;

    /** The so-manieth of its order. */
    private int number;

    LocalDate sentOn;
    String way;
    String tracking;
    String note;

    private Instant at;
    private String who;

    /** Each with whether it was taken out: not sent after all, or come back. */
    @ElementCollection
    @CollectionTable(name = "parcel_piece", joinColumns = @JoinColumn(name = "parcel_id"))
    @MapKeyColumn(name = "piece_id")
    @Column(name = "taken_out")
    private Map<Long, Boolean> pieces = new TreeMap<>();

    protected Parcel() {}

    Parcel(long order, int number, ParcelDetails details, Collection<Long> pieces, Instant at, String who) {
        this.orderId = order;
        this.number = number;
        this.at = at;
        this.who = who;
        become(details);
        pieces.forEach(p -> this.pieces.put(p, false));
    }

    final void become(ParcelDetails details) {
        sentOn = details.sentOn();
        way = details.way();
        tracking = details.tracking();
        note = details.note();
    }

    long id() {
        return id;
    }

    int version() {
        return version;
    }

    long order() {
        return orderId;
    }

    int number() {
        return number;
    }

    Instant at() {
        return at;
    }

    String who() {
        return who;
    }

    /** Those that are in it. */
    List<Long> pieces() {
        return pieces.entrySet().stream()
                .filter(e -> !e.getValue())
                .map(Map.Entry::getKey)
                .sorted()
                .toList();
    }

    /** How many were in it and are no more. */
    int takenOut() {
        return pieces.size() - pieces().size();
    }

    void takeOut(Collection<Long> which) {
        pieces.replaceAll((piece, out) -> out || which.contains(piece));
    }
}
