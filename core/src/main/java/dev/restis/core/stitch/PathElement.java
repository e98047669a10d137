package dev.restis.core.stitch;

/** A stretch of a strand's path through one repeat, with the cord it uses. */
public sealed interface PathElement {

    /** Key of the message files that names this stretch. */
    String code();

    /** Cord used, in millimetres. */
    double millimetres(Gauge gauge);

    /** {@code share} of a full turn around the core: h*d_c + pi*(d_c + d). */
    record AroundCore(double share) implements PathElement {
        @Override
        public String code() {
            return "turn";
        }

        @Override
        public double millimetres(Gauge gauge) {
            return share * gauge.fullTurn();
        }
    }

    /** A half turn around one partner strand's centre line: (pi/2)*d. */
    record Bight() implements PathElement {
        @Override
        public String code() {
            return "bight";
        }

        @Override
        public double millimetres(Gauge gauge) {
            return Math.PI / 2 * gauge.working();
        }
    }

    /** A full turn around one partner strand: 2*pi*d. */
    record AroundPartner() implements PathElement {
        @Override
        public String code() {
            return "partnerTurn";
        }

        @Override
        public double millimetres(Gauge gauge) {
            return 2 * Math.PI * gauge.working();
        }
    }

    /** A straight stretch across {@code strands} working strands. */
    record Across(double strands) implements PathElement {
        @Override
        public String code() {
            return "crossing";
        }

        @Override
        public double millimetres(Gauge gauge) {
            return strands * gauge.working();
        }
    }
}
