package dev.restis.app.patterns;

import dev.restis.app.patterns.PieceView.PullState;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** The centre lines of a stitch in one gauge, or that they are asked for. */
@Entity
@Table(name = "centre_line")
@SuppressWarnings("NullAway.Init")
class CentreLineRow {

    /** Everything that the lines depend on. */
    @Id
    private String key;

    private String stitch;
    private int cores;
    private double coreRatio;
    private double sideRatio;

    @Enumerated(EnumType.STRING)
    PullState state;

    String rows;
    String reason;
    private Instant askedAt;

    protected CentreLineRow() {}
}
