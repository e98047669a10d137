package dev.restis.app.bench;

import dev.restis.core.make.LeftOver.How;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;

/** What was said to be left over of a strand; never rewritten. */
@Entity
@Immutable
@Table(name = "left_over")
@SuppressWarnings("NullAway.Init")
class LeftOverRow {

    /** What becomes of what is left. */
    enum Fate {
        /** A remnant on the shelf. */
        SHELF,
        /** Kept for the slider that is cut from it. */
        SLIDER,
        BIN
    }

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    // One by one: numbers taken in advance would not follow the order in which several instances act on the same piece.
    @SequenceGenerator(sequenceName = "left_over_number", allocationSize = 1)
    private long id;

    private long pieceId;
    private int strand;
    private long strandId;
    private long articleId;

    @Enumerated(EnumType.STRING)
    private How how;

    private long leftUm;

    @Enumerated(EnumType.STRING)
    private Fate fate;

    @Column(name = "short")
    private boolean ranShort;

    private Instant at;
    private @Nullable Long personId;
    private String who;
    private @Nullable Long takesBack;

    protected LeftOverRow() {}

    /** @param strand place of the strand on the piece's card */
    LeftOverRow(
            long piece, int strand, long strandId, long article, How how, long leftUm, Fate fate, boolean ranShort) {
        this.pieceId = piece;
        this.strand = strand;
        this.strandId = strandId;
        this.articleId = article;
        this.how = how;
        this.leftUm = leftUm;
        this.fate = fate;
        this.ranShort = ranShort;
    }

    LeftOverRow by(Instant now, @Nullable Long person, String name) {
        at = now;
        personId = person;
        who = name;
        return this;
    }

    /** A row that takes this one back. */
    LeftOverRow takenBack() {
        LeftOverRow row = new LeftOverRow(pieceId, strand, strandId, articleId, how, leftUm, fate, ranShort);
        row.takesBack = id;
        return row;
    }

    long id() {
        return id;
    }

    long piece() {
        return pieceId;
    }

    int strand() {
        return strand;
    }

    long strandId() {
        return strandId;
    }

    How how() {
        return how;
    }

    long leftUm() {
        return leftUm;
    }

    Fate fate() {
        return fate;
    }

    boolean ranShort() {
        return ranShort;
    }

    String who() {
        return who;
    }

    boolean takesBack(LeftOverRow other) {
        return takesBack != null && takesBack == other.id;
    }

    boolean isTakingBack() {
        return takesBack != null;
    }
}
