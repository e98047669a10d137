package dev.restis.app.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;

/** That the bench was set up for a batch, and how long it took; never rewritten. */
@Entity
@Immutable
@Table(name = "bench_set_up")
@SuppressWarnings("NullAway.Init")
class BenchSetUp {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    // One by one: numbers taken in advance would not follow the order in which several instances set up for the same
    // batch.
    @SequenceGenerator(sequenceName = "bench_set_up_number", allocationSize = 1)
    private long id;

    private UUID key;
    private long batchId;
    private String setUp;
    private int seconds;
    private Instant at;
    private @Nullable Long personId;
    private String who;
    private @Nullable Long takesBack;

    protected BenchSetUp() {}

    BenchSetUp(UUID key, long batch, String setUp, int seconds) {
        this.key = key;
        this.batchId = batch;
        this.setUp = setUp;
        this.seconds = seconds;
    }

    BenchSetUp by(Instant now, @Nullable Long person, String name) {
        at = now;
        personId = person;
        who = name;
        return this;
    }

    /** A row that takes this one back. */
    BenchSetUp takenBack() {
        BenchSetUp row = new BenchSetUp(UUID.randomUUID(), batchId, setUp, seconds);
        row.takesBack = id;
        return row;
    }

    long id() {
        return id;
    }

    int seconds() {
        return seconds;
    }

    String who() {
        return who;
    }
}
