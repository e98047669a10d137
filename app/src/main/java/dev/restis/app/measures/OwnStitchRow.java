package dev.restis.app.measures;

import dev.restis.core.stitch.Family;
import dev.restis.core.stitch.OwnStitch;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** A stitch of the house's own: with its path, or known by a swatch alone. */
@Entity
@Table(name = "own_stitch")
@SuppressWarnings("NullAway.Init")
class OwnStitchRow {

    /** Without the prefix. */
    @Id
    private String code;

    private String name;

    @Enumerated(EnumType.STRING)
    Family family = Family.BRAID;

    @Nullable
    private Integer strands;

    @Nullable
    private Integer cores;

    @Nullable
    @Column(name = "use_d")
    private Double use;

    @Nullable
    @Column(name = "pitch_d")
    private Double pitch;

    @Nullable
    @Column(name = "thickness_d")
    private Double thickness;

    @Nullable
    @Column(name = "width_d")
    private Double width;

    /** The path, as patterns keep it. */
    @Nullable
    private String definition;

    private Instant at;
    private String who;

    protected OwnStitchRow() {}

    OwnStitchRow(String code) {
        this.code = code;
    }

    String name() {
        return name;
    }

    boolean hasPath() {
        return definition != null;
    }

    void measured(String called, OwnStitch own, Instant when, String by) {
        name = called;
        strands = own.strands();
        cores = own.cores();
        use = own.use();
        pitch = own.pitch();
        thickness = own.thickness();
        width = own.width();
        at = when;
        who = by;
    }

    void drawn(String called, String path, Instant when, String by) {
        name = called;
        definition = path;
        at = when;
        who = by;
    }
}
