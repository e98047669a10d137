package dev.restis.app.stock;

import dev.restis.core.cord.Bead;
import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Material;
import dev.restis.core.cord.Ring;
import dev.restis.core.measure.Length;
import java.math.BigDecimal;
import org.jspecify.annotations.Nullable;

/**
 * An article with what is on hand of it.
 *
 * @param colour {@code #RRGGBB}
 * @param diameterUm of a cord, or of a bead across
 * @param keepUm least length of this cord worth keeping as a remnant
 * @param onHand micrometres of cord, or pieces of hardware
 * @param unitPrice what a metre or a piece on hand cost; that of all receipts when nothing is on hand; 0 before the first
 */
public record Article(
        long id,
        String code,
        ArticleKind kind,
        String name,
        String colour,
        @Nullable String material,
        @Nullable Long diameterUm,
        @Nullable Long keepUm,
        @Nullable Long lengthUm,
        @Nullable Long holeUm,
        @Nullable Long innerWidthUm,
        @Nullable Long barUm,
        long onHand,
        BigDecimal unitPrice) {

    /** What kinds of articles there are. */
    public enum ArticleKind {
        CORD,
        BEAD,
        RING
    }

    public Cord cord() {
        return new Cord(Material.byCode(of(material)).orElseThrow(), length(diameterUm), unitPrice.doubleValue());
    }

    public Bead bead() {
        return new Bead(length(lengthUm), length(diameterUm), length(holeUm));
    }

    public Ring ring() {
        return new Ring(length(innerWidthUm), length(barUm));
    }

    Length keepLength() {
        return length(keepUm);
    }

    private Length length(@Nullable Long micrometres) {
        return new Length(of(micrometres));
    }

    private <T> T of(@Nullable T value) {
        if (value == null) {
            throw new IllegalStateException("Impossible state: " + kind + " " + code + " lacks one of its measures");
        }
        return value;
    }
}
