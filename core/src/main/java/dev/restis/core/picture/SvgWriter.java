package dev.restis.core.picture;

import dev.restis.core.picture.Picture.Kind;
import dev.restis.core.picture.Picture.Mark;
import dev.restis.core.picture.Picture.Place;
import dev.restis.core.picture.Picture.Points;
import dev.restis.core.picture.Picture.Stamp;
import java.util.List;

/** Writes a picture as SVG, one unit a hundredth of a millimetre. */
public final class SvgWriter {

    private static final String EDGE = "#17262B";
    private static final double BODY = 0.84;
    private static final double STREAK = 0.3;

    private int paths;
    private final StringBuilder svg = new StringBuilder(16_384);
    private final List<String> colours;
    private final List<String> hardware;

    private SvgWriter(List<String> colours, List<String> hardware) {
        this.colours = colours;
        this.hardware = hardware;
    }

    /**
     * @param colours {@code #RRGGBB} for each of the pattern's cords
     * @param hardware {@code #RRGGBB} for each of the pattern's parts
     */
    public static String write(Picture picture, List<String> colours, List<String> hardware) {
        SvgWriter writer = new SvgWriter(colours, hardware);
        writer.picture(picture);
        return writer.svg.toString();
    }

    private void picture(Picture picture) {
        svg.append("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"");
        number(picture.left()).append(' ');
        number(picture.top()).append(' ');
        number(picture.width()).append(' ');
        number(picture.height()).append("\" width=\"");
        svg.append(Math.round(picture.width() * 10) / 10.0).append("mm\" height=\"");
        svg.append(Math.round(picture.height() * 10) / 10.0).append("mm\"><g fill=\"none\" stroke-linejoin=\"round\">");
        int stamp = 0;
        for (Stamp each : picture.stamps()) {
            stamp(each, stamp++);
        }
        svg.append("</g></svg>");
    }

    /**
     * Cord that is only moved along is written out at each of its places: browsers take far more time over many elements than over
     * long ones. What is turned, and parts, are written once and referred to.
     */
    private void stamp(Stamp stamp, int id) {
        boolean once = stamp.at().stream().allMatch(Place::level)
                && (stamp.at().size() == 1 && stamp.at().get(0).equals(Place.ORIGIN)
                        || stamp.marks().stream().allMatch(m -> m.kind() == Kind.CORD));
        List<Place> written = once ? stamp.at() : List.of(Place.ORIGIN);
        if (!once) {
            svg.append("<defs><g id=\"s").append(id).append("\">");
        }
        List<Mark> marks = stamp.marks();
        for (int i = 0; i < marks.size(); ) {
            int to = i + 1;
            while (to < marks.size() && sameCord(marks.get(i), marks.get(to))) {
                to++;
            }
            if (marks.get(i).kind() == Kind.CORD) {
                cord(marks.subList(i, to), written);
                i = to;
            } else {
                mark(marks.get(i++));
            }
        }
        if (!once) {
            svg.append("</g></defs>");
            for (Place at : stamp.at()) {
                svg.append("<use href=\"#s").append(id);
                place(at);
            }
        }
    }

    private void place(Place at) {
        if (at.level() && !at.mirrored()) {
            svg.append("\" x=\"");
            number(at.along()).append("\"/>");
        } else {
            svg.append("\" transform=\"translate(");
            number(at.along()).append(' ');
            number(at.across()).append(") rotate(");
            svg.append(Math.round(at.turn() * 10) / 10.0).append(at.mirrored() ? ") scale(1 -1)\"/>" : ")\"/>");
        }
    }

    /** Stretches of one cord in one layer are one path. */
    private static boolean sameCord(Mark a, Mark b) {
        return a.kind() == Kind.CORD && b.kind() == Kind.CORD && a.slot() == b.slot() && a.thickness() == b.thickness();
    }

    private void mark(Mark mark) {
        Points p = mark.points();
        switch (mark.kind()) {
            case CORD -> throw new IllegalStateException("Impossible state: cord is written in runs");
            case BEAD -> bead(p, colour(mark.slot()));
            case RING -> ring(p, mark.thickness(), colour(mark.slot()));
            case PLATE -> plate(p, colour(mark.slot()));
            case GAP -> plate(p, "#fff");
            case BREAK -> cut(p);
        }
    }

    private String colour(int slot) {
        return slot < hardware.size() ? hardware.get(slot) : "#8A969B";
    }

    /** Dark edge, body, and a light streak; the body's round ends close the seams. */
    private void cord(List<Mark> run, List<Place> places) {
        int id = paths++;
        svg.append("<defs><path id=\"p").append(id).append("\" d=\"");
        for (Place place : places) {
            for (Mark mark : run) {
                line(mark.points(), place);
            }
        }
        svg.append("\"/></defs>");
        double thickness = run.get(0).thickness();
        stroke(id, EDGE, thickness, "");
        stroke(id, colours.get(run.get(0).slot()), BODY * thickness, " stroke-linecap=\"round\"");
        // Browsers take their time over every dash of a stroke, so the light along the tube is in one piece.
        stroke(id, "#fff", STREAK * thickness, " stroke-opacity=\".2\"");
    }

    /** From its first point on, each point as seen from the one before. */
    private void line(Points points, Place place) {
        double along = place.along();
        long x = units(points.get(0) + along);
        long y = units(place.down(points.get(1)));
        svg.append('M').append(x);
        signed(y).append('l');
        for (int i = 2; i + 1 < points.size(); i += 2) {
            long nextX = units(points.get(i) + along);
            long nextY = units(place.down(points.get(i + 1)));
            if (i == 2) {
                svg.append(nextX - x);
            } else {
                signed(nextX - x);
            }
            signed(nextY - y);
            x = nextX;
            y = nextY;
        }
    }

    /** After another number, which a minus sign parts from it as well as a comma. */
    private StringBuilder signed(long number) {
        return number < 0 ? svg.append(number) : svg.append(',').append(number);
    }

    private void stroke(int path, String colour, double width, String more) {
        svg.append("<use href=\"#p")
                .append(path)
                .append("\" stroke=\"")
                .append(colour)
                .append("\" stroke-width=\"");
        number(width).append('"').append(more).append("/>");
    }

    private void bead(Points p, String colour) {
        double halfLength = p.get(2);
        double halfHeight = p.get(3);
        double corner = Math.min(halfLength, halfHeight) * 0.8;
        box(p.get(0) - halfLength, p.get(1) - halfHeight, 2 * halfLength, 2 * halfHeight, corner, colour, true);
        svg.append("<ellipse cx=\"");
        number(p.get(0) - 0.2 * halfLength).append("\" cy=\"");
        number(p.get(1) - 0.45 * halfHeight).append("\" rx=\"");
        number(0.45 * halfLength).append("\" ry=\"");
        number(0.2 * halfHeight).append("\" fill=\"#fff\" opacity=\".3\"/>");
    }

    private void plate(Points p, String colour) {
        box(p.get(0), p.get(1), p.get(2), p.get(3), p.get(4), colour, true);
    }

    private void box(double x, double y, double width, double height, double corner, String fill, boolean edged) {
        svg.append("<rect x=\"");
        number(x).append("\" y=\"");
        number(y).append("\" width=\"");
        number(width).append("\" height=\"");
        number(height).append("\" rx=\"");
        number(corner).append("\" fill=\"").append(fill);
        svg.append(edged ? "\" stroke=\"" + EDGE + "\" stroke-width=\"22\"/>" : "\"/>");
    }

    private void ring(Points p, double wire, String colour) {
        circle(p, wire, EDGE);
        circle(p, BODY * wire, colour);
        circle(p, 0.3 * wire, "#fff\" stroke-opacity=\".5");
    }

    private void circle(Points p, double width, String colour) {
        svg.append("<circle cx=\"");
        number(p.get(0)).append("\" cy=\"");
        number(p.get(1)).append("\" r=\"");
        number(p.get(2)).append("\" stroke=\"").append(colour).append("\" stroke-width=\"");
        number(width).append("\"/>");
    }

    /** Two slanted strokes over a white gap. */
    private void cut(Points p) {
        for (String[] layer : new String[][] {{"#fff", "160"}, {EDGE, "0"}}) {
            for (double at : layer[1].equals("0") ? new double[] {-0.8, 0.8} : new double[] {0}) {
                svg.append("<path d=\"M");
                number(p.get(0) + at - 0.8).append(' ');
                number(p.get(1) + p.get(2)).append(' ');
                number(p.get(0) + at + 0.8).append(' ');
                number(p.get(1) - p.get(2))
                        .append("\" stroke=\"")
                        .append(layer[0])
                        .append("\" stroke-width=\"");
                svg.append(layer[1].equals("0") ? "28" : layer[1]).append("\"/>");
            }
        }
    }

    private StringBuilder number(double millimetres) {
        return svg.append(units(millimetres));
    }

    private static long units(double millimetres) {
        return Math.round(millimetres * 100);
    }
}
