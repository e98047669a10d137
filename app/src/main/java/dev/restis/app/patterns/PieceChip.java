package dev.restis.app.patterns;

import dev.restis.core.picture.PictureDrawer.Detail;

/** The smallest picture of a piece: a few repeats of its body, to be told apart in a list. */
public final class PieceChip {

    private PieceChip() {}

    public static String svg(PieceDesk.Worked worked) {
        return PieceView.picture(worked, Detail.CHIP).svg();
    }
}
