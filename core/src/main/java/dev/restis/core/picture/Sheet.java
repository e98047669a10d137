package dev.restis.core.picture;

import dev.restis.core.cord.Hardware;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.picture.Lanes.Lane;
import dev.restis.core.picture.PictureDrawer.Detail;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.stitch.Seat;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/** What a piece is drawn on from left to right: how far it has come, and its parts and strands as they are drawn. */
final class Sheet {

    /** Depth of a layer in diameters of the thinnest cord: less than cords that cross lie apart, and as few as can be. */
    static final double LAYER = 0.5;

    /** Between the piece and what stands beside it, millimetres. */
    static final double GAP = 3;

    final WorkedPiece piece;
    final Pattern pattern;
    final Detail detail;
    final CentreLines centreLines;
    final Canvas canvas;
    final Schematics parts;
    /** How far it is drawn, and up to where the measured length goes; millimetres. */
    double x;

    double measuredTo;
    /** How many bodies are drawn or passed over. */
    int bodies;
    /** Whether something long is left out. */
    boolean shortened;

    Sheet(WorkedPiece piece, Detail detail, CentreLines centreLines) {
        this.centreLines = centreLines;
        this.piece = piece;
        this.pattern = piece.request().pattern();
        this.detail = detail;
        double thinnest = piece.request().cords().stream()
                .mapToDouble(c -> c.workedMillimetres())
                .min()
                .orElse(1);
        this.canvas = new Canvas(LAYER * thinnest);
        this.parts = new Schematics(canvas, piece);
    }

    Picture picture(List<Picture.Span> sections) {
        return canvas.picture(0, measuredTo, shortened, sections);
    }

    void on(double length) {
        x += length;
        measuredTo = x;
    }

    double millimetres(String slot, Measure measure) {
        return hardware(slot).map(h -> h.millimetres(measure)).orElse(0.0);
    }

    Optional<Hardware> hardware(String slot) {
        return piece.request().part(slot);
    }

    int slotNumber(String slot) {
        for (int i = 0; i < pattern.hardware().size(); i++) {
            if (pattern.hardware().get(i).code().equals(slot)) {
                return i;
            }
        }
        return 0;
    }

    void straight(Collection<Seat> seats, double from, double to) {
        lanes(Lanes.of(piece, seats), from, to);
    }

    void lanes(List<Lane> lanes, double from, double to) {
        for (Lane lane : lanes) {
            canvas.straight(lane.slot(), lane.thickness(), from, lane.across(), to, lane.across(), 0);
        }
    }

    static List<Lane> narrowed(List<Lane> lanes, double by) {
        return lanes.stream()
                .map(l -> new Lane(l.slot(), l.thickness(), l.across() * by))
                .toList();
    }
}
