package dev.restis.app.patterns;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** A pattern worked out in its usual cords and parts, without regard to stock. */
record SamplePiece(
        PieceView.FitView fit, List<SampleStrand> strands, PieceView.PictureView picture, List<String> checks) {

    /** One strand of it. */
    record SampleStrand(
            String role,
            int number,
            String cord,
            String colour,
            long cutUm,
            long usedUm,
            PieceView.@Nullable StrandMark mark,
            PieceView.SumView sum) {}
}
