package dev.restis.app.bench;

import dev.restis.core.make.BenchAct;
import dev.restis.core.make.Mishap;
import dev.restis.core.measure.Length;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;

/** One act at the bench; never rewritten. */
@Entity
@Immutable
@Table(name = "bench_act")
@SuppressWarnings("NullAway.Init")
class BenchActRow {

    /** What was done. */
    enum Act {
        TAKE(null),
        LAY_DOWN(null),
        DONE(BenchAct.Kind.DONE),
        NOT_YET(BenchAct.Kind.NOT_YET),
        ALL_THE_SAME(BenchAct.Kind.ALL_THE_SAME),
        BACK_TO(BenchAct.Kind.BACK_TO),
        TAKE_BACK(BenchAct.Kind.TAKE_BACK),
        SPLICE(null),
        NEW_STRAND(null),
        NEW_PART(null),
        GIVE_UP(null),
        /** Goes on by the card of another size. */
        RESIZE(null),
        NOTE(null),
        NOTE_TAKEN_BACK(null);

        private final BenchAct.@Nullable Kind walks;

        Act(BenchAct.@Nullable Kind walks) {
            this.walks = walks;
        }

        static Act of(BenchAct.Kind kind) {
            return valueOf(kind.name());
        }
    }

    /** Who did something, and when. */
    record By(
            UUID key, Instant doneAt, Instant at, @Nullable Long person, String who) {}

    /** What was measured on the way, and why something was done. */
    record Noted(
            @Nullable Integer seconds,
            String reason,
            @Nullable Long lengthUm,
            @Nullable Integer strand,
            @Nullable Integer leg,
            @Nullable Long cordLeftUm) {
        static final Noted NOTHING = of(null, "");

        static Noted of(@Nullable Integer seconds, String reason) {
            return new Noted(seconds, reason, null, null, null, null);
        }
    }

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    // One by one: numbers taken in advance would not follow the order in which several instances act on the same piece.
    @SequenceGenerator(sequenceName = "bench_act_number", allocationSize = 1)
    private long id;

    private UUID key;
    private long pieceId;

    @Enumerated(EnumType.STRING)
    private Act act;

    private @Nullable Integer step;
    private Instant doneAt;
    private Instant at;
    private @Nullable Long personId;
    private String who;
    private @Nullable Integer seconds;
    private String reason;
    private @Nullable Long lengthUm;
    private @Nullable Integer strand;
    private @Nullable Integer leg;
    private @Nullable Long cordLeftUm;
    private @Nullable Long takesBack;
    private String mishap = "";
    private @Nullable String wouldBe;

    protected BenchActRow() {}

    BenchActRow(By by, long piece, Act act, @Nullable Integer step, Noted noted, @Nullable Long takesBack) {
        this.key = by.key();
        this.doneAt = by.doneAt();
        this.at = by.at();
        this.personId = by.person();
        this.who = by.who();
        this.pieceId = piece;
        this.act = act;
        this.step = step;
        this.seconds = noted.seconds();
        this.reason = noted.reason();
        this.lengthUm = noted.lengthUm();
        this.strand = noted.strand();
        this.leg = noted.leg();
        this.cordLeftUm = noted.cordLeftUm();
        this.takesBack = takesBack;
    }

    /** What had gone wrong. */
    BenchActRow after(Mishap what) {
        mishap = what.name();
        return this;
    }

    /** What it would have been, had it not come too late. */
    BenchActRow insteadOf(BenchAct.@Nullable Kind refused) {
        wouldBe = refused == null ? null : refused.name();
        return this;
    }

    BenchAct.@Nullable Kind insteadOf() {
        return wouldBe == null ? null : BenchAct.Kind.valueOf(wouldBe);
    }

    long id() {
        return id;
    }

    long piece() {
        return pieceId;
    }

    Act act() {
        return act;
    }

    int step() {
        return step == null ? 0 : step;
    }

    String who() {
        return who;
    }

    /** What was measured of the piece. */
    Optional<Length> length() {
        return Optional.ofNullable(lengthUm).map(Length::new);
    }

    @Nullable
    Integer seconds() {
        return seconds;
    }

    @Nullable
    Long takesBack() {
        return takesBack;
    }

    Instant doneAt() {
        return doneAt;
    }

    String reason() {
        return reason;
    }

    /** As it moves the piece on its card; nothing for what only changes hands. */
    Optional<BenchAct> walks() {
        return Optional.ofNullable(act.walks)
                .map(kind -> new BenchAct(
                        id, kind, step(), takesBack == null ? OptionalLong.empty() : OptionalLong.of(takesBack)));
    }
}
