package dev.restis.app.measures;

import dev.restis.core.cord.Material;
import dev.restis.core.measure.Length;
import dev.restis.core.piece.Swatch;
import dev.restis.core.stitch.Stitches;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** A swatch as kept; never changed, only withdrawn. */
@Entity
@Table(name = "swatch")
@SuppressWarnings("NullAway.Init")
class SwatchRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    private String stitch;
    private String material;
    private String maker;
    private long workingUm;

    @Nullable
    private Long coreUm;

    private int cores;
    private int repeats;
    private long bodyUm;
    private long usedUm;
    private Instant at;
    private String who;

    @Nullable
    Instant withdrawnAt;

    protected SwatchRow() {}

    SwatchRow(Swatch swatch, Instant at, String who) {
        this.stitch = swatch.stitch().code();
        this.material = swatch.material().code();
        this.maker = swatch.maker();
        this.workingUm = swatch.working().micrometres();
        this.coreUm = swatch.cores() == 0 ? null : swatch.core().micrometres();
        this.cores = swatch.cores();
        this.repeats = swatch.repeats();
        this.bodyUm = swatch.body().micrometres();
        this.usedUm = swatch.used().micrometres();
        this.at = at;
        this.who = who;
    }

    long id() {
        return id;
    }

    String stitch() {
        return stitch;
    }

    String material() {
        return material;
    }

    String maker() {
        return maker;
    }

    long workingUm() {
        return workingUm;
    }

    @Nullable
    Long coreUm() {
        return coreUm;
    }

    int cores() {
        return cores;
    }

    int repeats() {
        return repeats;
    }

    long bodyUm() {
        return bodyUm;
    }

    long usedUm() {
        return usedUm;
    }

    Instant at() {
        return at;
    }

    Optional<Swatch> swatch(Map<String, Material> materials) {
        return Stitches.byCode(stitch)
                .flatMap(s -> Optional.ofNullable(materials.get(material))
                        .map(m -> new Swatch(
                                s,
                                m,
                                maker,
                                new Length(workingUm),
                                new Length(coreUm == null ? workingUm : coreUm),
                                cores,
                                repeats,
                                new Length(bodyUm),
                                new Length(usedUm))));
    }
}
