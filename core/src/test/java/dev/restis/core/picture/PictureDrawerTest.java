package dev.restis.core.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.picture.Picture.Kind;
import dev.restis.core.picture.PictureDrawer.Detail;
import dev.restis.core.piece.Examples;
import dev.restis.core.piece.WorkedPiece;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PictureDrawerTest {

    /** B 168.264 and S 20.52, and 3 mm of overlap left free between them. */
    @Test
    void theMeasuredLengthIsDrawnToScale() {
        WorkedPiece piece = Examples.worked(Examples.bracelet(PatternBook.SQUARE_BAR, 2, 165));
        Picture picture = PictureDrawer.draw(piece, Detail.FULL);
        assertThat(picture.to() - picture.from())
                .isCloseTo(piece.fit().reached().toMillimetres() + 3, within(0.02));
        assertThat(picture.shortened()).isFalse();
    }

    /** In a square knot the same strand lies in front both times, so what is painted last over the middle is its own. */
    @Test
    void theFrontStrandOfASquareKnotLiesOverTheCore() {
        WorkedPiece piece = Examples.worked(Examples.bracelet(PatternBook.SQUARE_BAR, 2, 165));
        Picture picture = PictureDrawer.draw(piece, Detail.CHIP);
        double middle = picture.top() + picture.height() / 2;
        List<Picture.Mark> over = picture.stamps().stream()
                .flatMap(s -> s.marks().stream())
                .filter(m -> m.kind() == Kind.CORD && crosses(m, middle))
                .toList();
        assertThat(over.get(over.size() - 1).slot()).isEqualTo(1);
        assertThat(over).extracting(Picture.Mark::slot).contains(0, 1);
    }

    private static boolean crosses(Picture.Mark mark, double y) {
        boolean above = false;
        boolean below = false;
        for (int i = 1; i < mark.points().size(); i += 2) {
            above |= mark.points().get(i) <= y + 1;
            below |= mark.points().get(i) >= y - 1;
        }
        return above && below;
    }

    @Test
    void everyPatternIsDrawnInsideItsFrameInEveryDetailWithItsBeads() {
        for (Pattern pattern : PatternBook.all()) {
            WorkedPiece piece = Examples.worked(Examples.usual(pattern));
            for (Detail detail : Detail.values()) {
                Picture picture = PictureDrawer.draw(piece, detail);
                assertThat(picture.stamps())
                        .isNotEmpty()
                        .allSatisfy(stamp -> stamp.marks().stream()
                                .filter(m -> m.kind() != Kind.BREAK)
                                .forEach(mark -> stamp.at().forEach(at -> {
                                    double turn = Math.toRadians(at.turn());
                                    double x = mark.points().get(0);
                                    double y = at.down(mark.points().get(1));
                                    assertThat(at.along() + x * Math.cos(turn) - y * Math.sin(turn) - picture.left())
                                            .as(pattern.code())
                                            .isBetween(0.0, picture.width());
                                    assertThat(at.across() + x * Math.sin(turn) + y * Math.cos(turn) - picture.top())
                                            .isBetween(0.0, picture.height());
                                })));
            }
            int beads = piece.hardware().entrySet().stream()
                    .filter(e -> e.getKey().endsWith("bead"))
                    .mapToInt(Map.Entry::getValue)
                    .sum();
            long drawn = PictureDrawer.draw(piece, Detail.FULL).stamps().stream()
                    .mapToLong(s -> s.at().size()
                            * s.marks().stream()
                                    .filter(m -> m.kind() == Kind.BEAD)
                                    .count())
                    .sum();
            assertThat(drawn).as(pattern.code()).isGreaterThanOrEqualTo(beads);
        }
    }

    /** Two patterns that look alike would be mistaken for each other at the bench. */
    @Test
    void noTwoPatternsHaveTheSamePicture() {
        Map<String, String> seen = new HashMap<>();
        for (Pattern pattern : PatternBook.all()) {
            Picture picture = PictureDrawer.draw(Examples.worked(Examples.usual(pattern)), Detail.CARD);
            String svg = SvgWriter.write(
                    picture,
                    pattern.cords().stream().map(c -> c.colour()).toList(),
                    Collections.nCopies(pattern.hardware().size(), "#8A969B"));
            assertThat(svg).startsWith("<svg ").endsWith("</svg>").doesNotContain("NaN");
            assertThat(seen.put(svg, pattern.code())).as(pattern.code()).isNull();
        }
    }
}
