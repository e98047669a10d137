package dev.restis.app.patterns;

import dev.restis.app.stock.Article;
import dev.restis.core.learning.Beliefs;
import dev.restis.core.learning.Use;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.piece.WorkedStrand;
import java.math.BigDecimal;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What was learned of hands changes a strand by.
 *
 * @param pieces that were measured of the stitch that most of it is tied in
 * @param samples likewise, swatches
 * @param um more than geometry expects, or less
 * @param cost of that cord
 * @param spread one standard deviation of what it takes, relative
 */
public record LearnedView(int pieces, int samples, long um, BigDecimal cost, double spread) {

    /** Nothing where nothing was measured of it. */
    static @Nullable LearnedView of(WorkedPiece piece, WorkedStrand strand, Article article) {
        Beliefs cord = piece.request().house().learned().cord();
        Use use = strand.use();
        Beliefs.Seen seen = cord.seen(use.noise());
        if (seen.pieces() + seen.samples() == 0) {
            return null;
        }
        long um = Math.round(1000 * (strand.used().toMillimetres() - use.expected()));
        return new LearnedView(
                seen.pieces(),
                seen.samples(),
                um,
                article.price(um),
                cord.forecast(List.of(use)).spread(0));
    }
}
