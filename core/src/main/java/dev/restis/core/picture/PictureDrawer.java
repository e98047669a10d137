package dev.restis.core.picture;

import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Section;
import dev.restis.core.piece.WorkedPiece;
import java.util.ArrayList;
import java.util.List;

/**
 * Draws a worked-out piece laid flat, from the same stitch paths that measure its cord. Cost is linear in the stitches of
 * the pattern, not in its repeats: a repeat is drawn once for all its places.
 */
public final class PictureDrawer {

    /** How much of the piece is drawn. */
    public enum Detail {
        /** The stitch, to tell pieces apart in a list. */
        CHIP(26, 4),
        /** The whole piece with its long parts shortened, to see start and closure. */
        CARD(46, 16),
        /** The piece from end to end to scale; only very long ones are shortened. */
        FULL(260, 34);

        private final double longestBody;
        private final double longestTail;

        Detail(double longestBody, double longestTail) {
            this.longestBody = longestBody;
            this.longestTail = longestTail;
        }

        double longestBody() {
            return longestBody;
        }

        double longestTail() {
            return longestTail;
        }
    }

    private PictureDrawer() {}

    /** Draws with the shipped centre lines. */
    public static Picture draw(WorkedPiece piece, Detail detail) {
        return draw(piece, detail, TightLines.SHIPPED);
    }

    public static Picture draw(WorkedPiece piece, Detail detail, CentreLines centreLines) {
        Pattern pattern = piece.request().pattern();
        Sheet sheet = new Sheet(piece, detail, centreLines);
        SectionDrawer drawer = new SectionDrawer(sheet);
        boolean bodyOnly = detail == Detail.CHIP && drawer.hasStitchedBody();
        if (!bodyOnly) {
            drawer.ears();
        }
        List<Picture.Span> sections = new ArrayList<>();
        for (Section section : pattern.sections()) {
            double start = sheet.x;
            if (!bodyOnly || section instanceof Section.Body) {
                section.accept(drawer);
            } else {
                drawer.passed(section);
            }
            sections.add(new Picture.Span(start, Math.max(start, sheet.x)));
        }
        if (!bodyOnly) {
            drawer.ends();
        }
        return sheet.picture(sections);
    }
}
