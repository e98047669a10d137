package dev.restis.core.stitch;

/** What a stretch of a strand's path through one repeat does, and so the cord it uses. */
public sealed interface PathElement {

    /** Key of the message files that names this stretch. */
    String code();

    /**
     * Cord used, in millimetres.
     *
     * @param gauge the stitch's gauge
     * @param own worked diameter of the strand itself
     * @param pitch body length of one repeat
     */
    double millimetres(Gauge gauge, double own, double pitch);

    /** {@code share} of a full turn around the whole core: h*d_c + pi*(d_c + d). */
    record AroundCore(double share) implements PathElement {
        @Override
        public String code() {
            return "turn";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            return share * gauge.fullTurn(own);
        }
    }

    /** A full turn around one of {@code groups} equal groups of the core, packed round. */
    record AroundGroup(int groups) implements PathElement {
        @Override
        public String code() {
            return "groupTurn";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            int strands = Math.max(1, gauge.cores() / groups);
            return Bundle.packedPerimeter(strands) * gauge.core() + Math.PI * (gauge.core() + own);
        }
    }

    /** A full turn around the core and {@code partners} working strands that lie beside it, packed round. */
    record AroundCoreAnd(int partners) implements PathElement {
        @Override
        public String code() {
            return "coreAndPartnerTurn";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            double bundle = Bundle.packedDiameter(Math.max(1, gauge.cores())) * gauge.core();
            // Two unlike rounds side by side: the perimeter of their centres is twice their distance.
            double between = (bundle + gauge.working()) / 2 * partners;
            return 2 * between + Math.PI * ((bundle + gauge.working()) / 2 + own);
        }
    }

    /** {@code turns} turns around one partner of the same seat: 2*pi*d each. */
    record AroundPartner(double turns) implements PathElement {
        @Override
        public String code() {
            return "partnerTurn";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            return turns * 2 * Math.PI * own;
        }
    }

    /** {@code turns} turns around a single strand beside the core: pi*(d_s + d) each. */
    record AroundSide(double turns) implements PathElement {
        @Override
        public String code() {
            return "sideTurn";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            return turns * Math.PI * (gauge.side() + own);
        }
    }

    /** {@code turns} turns around the outermost core strand: pi*(d_c + d) each. */
    record AroundOuterCore(double turns) implements PathElement {
        @Override
        public String code() {
            return "edgeTurn";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            return turns * Math.PI * (gauge.core() + own);
        }
    }

    /** {@code turns} turns around {@code strands} working strands side by side: 2(n-1)*d_w + pi*(d_w + d) each. */
    record AroundWorking(double turns, int strands) implements PathElement {
        @Override
        public String code() {
            return "workingTurn";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            double w = gauge.working();
            return turns * (Bundle.flatPerimeter(strands) * w + Math.PI * (w + own));
        }
    }

    /** A half turn around one partner strand's centre line: (pi/2)*d. */
    record Bight() implements PathElement {
        @Override
        public String code() {
            return "bight";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            return Math.PI / 2 * own;
        }
    }

    /** A straight stretch across {@code strands} strands beside the core: n*d_s. */
    record AcrossSide(double strands) implements PathElement {
        @Override
        public String code() {
            return "sideCrossing";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            return strands * gauge.side();
        }
    }

    /** A straight stretch across {@code strands} strands of its own kind. */
    record Across(double strands) implements PathElement {
        @Override
        public String code() {
            return "crossing";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            return strands * own;
        }
    }

    /**
     * Over and under all cores once, across the body, and over or under {@code partners} strands of its own kind: 1.15 * (k *
     * (d_c + 0.3 d) + 1.3 d * partners); 1.15 is crimp.
     */
    record Weave(double times, double partners) implements PathElement {
        private static final double CRIMP = 1.15;
        private static final double PASSED = 0.3;

        public Weave(double times) {
            this(times, 0);
        }

        @Override
        public String code() {
            return "weave";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            double cores = Math.max(1, gauge.cores()) * (gauge.core() + PASSED * own);
            return times * CRIMP * (cores + partners * (1 + PASSED) * own);
        }
    }

    /** As measured on a swatch, for a stitch without geometry: {@code diameters} of its own cord. */
    record Measured(double diameters) implements PathElement {
        @Override
        public String code() {
            return "measured";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            return diameters * own;
        }
    }

    /** Along the body by {@code pitches} repeats, lengthened by {@code lay}: 1/cos of the lay angle times crimp. */
    record Along(double pitches, double lay) implements PathElement {
        @Override
        public String code() {
            return "advance";
        }

        @Override
        public double millimetres(Gauge gauge, double own, double pitch) {
            return pitches * lay * pitch;
        }
    }
}
