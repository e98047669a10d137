package dev.restis.app.stock;

import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.restis.core.cord.Cord;
import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.cord.Material;
import dev.restis.core.measure.Length;
import dev.restis.core.stock.Balance;
import dev.restis.core.stock.Unit;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.EnumMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * An article with what is on hand of it.
 *
 * @param colour {@code #RRGGBB}
 * @param diameterUm of a cord, or of a part across
 * @param keepUm least length of this cord worth keeping as a remnant
 * @param thickestUm of a cord, the most that any lot on hand measures; the diameter where none is measured
 * @param unit what it is priced by; all amounts of it are whole parts of that, see {@link Unit}
 * @param onHand as the unit counts
 * @param bestLot the most of it that is of one lot
 * @param made the material of a cord with the house's factors
 * @param unitPrice what a unit on hand cost; that of all receipts when nothing is on hand; 0 before the first
 */
public record Article(
        long id,
        String code,
        ArticleKind kind,
        Unit unit,
        String name,
        String colour,
        @Nullable String material,
        @Nullable Long diameterUm,
        @Nullable Long keepUm,
        @Nullable Long lengthUm,
        @Nullable Long holeUm,
        @Nullable Long innerWidthUm,
        @Nullable Long barUm,
        @Nullable Long thickestUm,
        long onHand,
        long bestLot,
        BigDecimal unitPrice,
        @JsonIgnore @Nullable Material made) {

    /** What kinds of articles there are. */
    public enum ArticleKind {
        CORD,
        BEAD,
        SLIDE_BEAD,
        RING,
        CLASP,
        BUCKLE,
        SHACKLE,
        THIMBLE,
        CENTREPIECE,
        BUTTON,
        BREAKAWAY,
        CHARM,
        /** Glue, thread, bags: what pieces use up without its being chosen for them. */
        CONSUMABLE;

        public static ArticleKind of(Hardware.Kind kind) {
            return valueOf(kind.name());
        }

        /** Whether it is threaded or mounted. */
        public boolean part() {
            return this != CORD && this != CONSUMABLE;
        }

        Hardware.Kind hardware() {
            return Hardware.Kind.valueOf(name());
        }
    }

    /** The cord as it must be reckoned with: whichever lot is cut, it is no thicker than this. */
    public Cord cord() {
        return new Cord(of(made), length(thickestUm == null ? diameterUm : thickestUm), unitPrice.doubleValue());
    }

    /** A cord's diameter by its name, or a part's across. */
    public Length diameterOf() {
        return length(diameterUm);
    }

    /** Whether some lot on hand was measured to be of another diameter than the article's. */
    public boolean unlikeItsName() {
        return thickestUm != null && !thickestUm.equals(diameterUm);
    }

    public Hardware hardware() {
        Map<Measure, Length> measures = new EnumMap<>(Measure.class);
        for (Measure measure : kind.hardware().measures()) {
            measures.put(
                    measure,
                    length(
                            switch (measure) {
                                case LENGTH -> lengthUm;
                                case ACROSS -> diameterUm;
                                case HOLE -> holeUm;
                                case INNER_WIDTH -> innerWidthUm;
                                case BAR -> barUm;
                            }));
        }
        return new Hardware(kind.hardware(), measures);
    }

    /** What so much of it is worth at the price of what is on hand. */
    public BigDecimal price(long quantity) {
        return unitPrice
                .multiply(BigDecimal.valueOf(quantity))
                .divide(BigDecimal.valueOf(unit.parts()), Balance.SCALE, RoundingMode.HALF_EVEN);
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
