package dev.restis.core.picture;

import dev.restis.core.picture.Picture.Kind;
import dev.restis.core.picture.Picture.Mark;
import java.util.List;
import java.util.Locale;

/** Writes a picture as SVG, one unit a hundredth of a millimetre. */
public final class SvgWriter {

    private static final String EDGE = "#17262B";
    private static final String METAL = "#8A969B";
    private static final String METAL_LIGHT = "#C9D1D3";

    private final StringBuilder svg = new StringBuilder();

    private SvgWriter() {}

    /**
     * @param colours {@code #RRGGBB} for each of the pattern's colours
     * @param bead {@code #RRGGBB} of beads
     */
    public static String write(Picture picture, List<String> colours, String bead) {
        SvgWriter writer = new SvgWriter();
        writer.svg.append(String.format(
                Locale.ROOT,
                "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 %d %d\" width=\"%.1fmm\" height=\"%.1fmm\">"
                        + "<g fill=\"none\" stroke-linejoin=\"round\">",
                units(picture.width()),
                units(picture.height()),
                picture.width(),
                picture.height()));
        for (Mark mark : picture.marks()) {
            if (mark.kind() == Kind.CORD) {
                writer.cord(mark, colours.get(mark.slot()));
            } else if (mark.kind() == Kind.BEAD) {
                writer.bead(mark, bead);
            } else {
                writer.ring(mark);
            }
        }
        return writer.svg.append("</g></svg>").toString();
    }

    /** Dark edge, body and a light streak; the body's round ends close the seams between tubes. */
    private void cord(Mark mark, String colour) {
        StringBuilder path = new StringBuilder("M");
        for (double p : mark.points()) {
            path.append(units(p)).append(' ');
        }
        path.setLength(path.length() - 1);
        line(path, EDGE, mark.thickness(), "");
        line(path, colour, 0.84 * mark.thickness(), " stroke-linecap=\"round\"");
        line(path, "#fff", 0.26 * mark.thickness(), " opacity=\".22\"");
    }

    private void line(CharSequence path, String colour, double width, String more) {
        svg.append("<path d=\"")
                .append(path)
                .append("\" stroke=\"")
                .append(colour)
                .append("\" stroke-width=\"")
                .append(units(width))
                .append('"')
                .append(more)
                .append("/>");
    }

    private void bead(Mark mark, String colour) {
        long halfLength = units(mark.points().get(2));
        long halfHeight = units(mark.points().get(3));
        svg.append(String.format(
                Locale.ROOT,
                "<rect x=\"%d\" y=\"%d\" width=\"%d\" height=\"%d\" rx=\"%d\" fill=\"%s\" stroke=\"%s\" stroke-width=\"22\"/>",
                units(mark.points().get(0)) - halfLength,
                units(mark.points().get(1)) - halfHeight,
                2 * halfLength,
                2 * halfHeight,
                Math.min(halfLength, halfHeight) * 3 / 4,
                colour,
                EDGE));
    }

    private void ring(Mark mark) {
        for (String[] layer : new String[][] {{EDGE, "1"}, {METAL, "0.84"}, {METAL_LIGHT, "0.3"}}) {
            svg.append(String.format(
                    Locale.ROOT,
                    "<circle cx=\"%d\" cy=\"%d\" r=\"%d\" stroke=\"%s\" stroke-width=\"%d\"/>",
                    units(mark.points().get(0)),
                    units(mark.points().get(1)),
                    units(mark.points().get(2)),
                    layer[0],
                    units(mark.thickness() * Double.parseDouble(layer[1]))));
        }
    }

    private static long units(double millimetres) {
        return Math.round(millimetres * 100);
    }
}
