package dev.restis.app.platform.jobs;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** Something that was asked for and takes its time. */
@Entity
@DynamicUpdate
@SuppressWarnings("NullAway.Init")
class Job {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Version
    private int version;

    private String kind;
    private String subject;
    private int revision;

    @Enumerated(EnumType.STRING)
    private JobState state = JobState.WAITING;

    private boolean wanted = true;
    private int done;
    private int whole;

    @JdbcTypeCode(SqlTypes.JSON)
    private String input;

    private byte @Nullable [] payload;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable String result;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable String problem;

    private String askedBy;
    private Instant askedAt;

    private @Nullable Instant startedAt;

    private @Nullable Instant endedAt;

    protected Job() {}

    Job(Order order, Instant askedAt) {
        this.kind = order.kind();
        this.subject = order.subject();
        this.revision = order.revision();
        this.input = order.input();
        this.payload = order.payload().length == 0 ? null : order.payload();
        this.askedBy = order.askedBy();
        this.askedAt = askedAt;
    }

    /** What is asked for. */
    record Order(String kind, String subject, int revision, String input, byte[] payload, String askedBy) {}

    long id() {
        return id;
    }

    Order order() {
        return new Order(kind, subject, revision, input, payload == null ? new byte[0] : payload, askedBy);
    }

    JobState state() {
        return state;
    }

    boolean wanted() {
        return wanted;
    }

    int done() {
        return done;
    }

    int whole() {
        return whole;
    }

    @Nullable
    String result() {
        return result;
    }

    @Nullable
    String problem() {
        return problem;
    }

    String askedBy() {
        return askedBy;
    }

    /** Begun, or begun again where another instance was killed over it. */
    void start(Instant when) {
        state = JobState.RUNNING;
        startedAt = when;
        done = 0;
    }

    /** What it worked on is not needed any more. */
    void end(JobState how, @Nullable String outcome, @Nullable String why, Instant when) {
        state = how;
        result = outcome;
        problem = why;
        endedAt = when;
        payload = null;
        if (how == JobState.DONE && whole > 0) {
            done = whole;
        }
    }

    void giveUp() {
        wanted = false;
    }
}
