package dev.restis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.pattern.PatternBook;
import dev.restis.core.picture.Picture.Kind;
import dev.restis.core.picture.PictureDrawer.Detail;
import dev.restis.core.piece.Examples;
import dev.restis.core.piece.WorkedPiece;
import java.util.Random;
import org.junit.jupiter.api.Test;

class PictureDrawerTest {

    @Test
    void theBodyIsDrawnToScale() {
        WorkedPiece piece = Examples.worked(Examples.bracelet(PatternBook.SQUARE_BAR, 2, 165));
        Picture picture = PictureDrawer.draw(piece, Detail.FULL);
        assertThat(picture.bodyTo() - picture.bodyFrom())
                .isCloseTo(piece.fit().bodyLength().toMillimetres(), within(0.02));
    }

    /** In a square knot the same strand lies in front both times, so the last marks over the middle are its own. */
    @Test
    void theFrontStrandOfASquareKnotLiesOverTheCore() {
        WorkedPiece piece = Examples.worked(Examples.bracelet(PatternBook.SQUARE_BAR, 2, 165));
        Picture picture = PictureDrawer.draw(piece, Detail.CHIP);
        double middle = picture.height() / 2;
        Picture.Mark nearest = picture.marks().stream()
                .filter(m -> m.kind() == Kind.CORD && Math.abs(m.points().get(1) - middle) < 0.7)
                .reduce((a, b) -> b)
                .orElseThrow();
        assertThat(nearest.slot()).isEqualTo(1);
        assertThat(picture.marks().get(picture.marks().size() - 1).slot()).isEqualTo(1);
    }

    @Test
    void everyPieceIsDrawnInsideItsFrameWithItsBeads() {
        Random random = new Random(5);
        for (int i = 0; i < 100; i++) {
            WorkedPiece piece = Examples.worked(Examples.random(random));
            Picture picture = PictureDrawer.draw(piece, Detail.FULL);
            assertThat(picture.marks()).allSatisfy(mark -> {
                assertThat(mark.points().get(0)).isBetween(0.0, picture.width());
                assertThat(mark.points().get(1)).isBetween(0.0, picture.height());
            });
            assertThat(picture.marks().stream().filter(m -> m.kind() == Kind.BEAD))
                    .hasSize(piece.beads());
        }
    }
}
