package dev.restis.app.pieces;

import dev.restis.core.work.PieceStage;
import dev.restis.core.work.PieceState;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Optional;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** What of a piece is its life. Whoever orders it adds what it belongs to; only {@link Pieces} moves it. */
@MappedSuperclass
@SuppressWarnings("NullAway.Init")
public abstract class LivingPiece {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "piece_number", allocationSize = 50)
    private long id;

    @Version
    private int version;

    private @Nullable Long batchId;

    @Enumerated(EnumType.STRING)
    @JdbcTypeCode(SqlTypes.NAMED_ENUM)
    private PieceStage stage = PieceStage.OPEN;

    private @Nullable Instant dryUntil;

    public long id() {
        return id;
    }

    public PieceStage stage() {
        return stage;
    }

    public boolean open() {
        return stage == PieceStage.OPEN;
    }

    /** Whether all of its strands were cut, whatever became of it. */
    public boolean cut() {
        return stage.cut();
    }

    public boolean begun() {
        return stage.begun();
    }

    public boolean made() {
        return stage.made();
    }

    public boolean sent() {
        return stage == PieceStage.SENT;
    }

    PieceState state() {
        return new PieceState(stage, Optional.ofNullable(dryUntil));
    }

    /** @param batch of a piece that is not open */
    void stands(PieceState state, @Nullable Long batch) {
        stage = state.stage();
        dryUntil = state.dryUntil().orElse(null);
        batchId = stage == PieceStage.OPEN ? null : batch == null ? batchId : batch;
    }
}
