package dev.restis.core.piece;

/**
 * How much longer than expected a strand is cut, as the risk taken that it turns out too short.
 *
 * <p>With take-up spread s (one standard deviation) the strand is cut at the quantile where the chance of being short is
 * 1 - q, q the critical ratio c_short / (c_short + c_long) of a one-shot stocking decision.
 */
public sealed interface MarginPolicy {

    /** House rule "one in n pieces may come out short". */
    record OneIn(int pieces) implements MarginPolicy {
        public OneIn {
            if (pieces < 3) {
                throw new IllegalArgumentException("pieces must be 3 or more but was " + pieces);
            }
        }

        @Override
        public double risk(double costIfShort, double costOfSpread) {
            return 1.0 / pieces;
        }
    }

    /** Weighs a ruined piece against the cord that one spread costs; without prices it falls back to one in fifty. */
    record ByCost() implements MarginPolicy {
        @Override
        public double risk(double costIfShort, double costOfSpread) {
            if (!(costIfShort > 0) || !(costOfSpread > 0)) {
                return EVEN.risk(costIfShort, costOfSpread);
            }
            double risk = costOfSpread / (costIfShort + costOfSpread);
            return Math.max(LEAST_RISK, Math.min(MOST_RISK, risk));
        }
    }

    double LEAST_RISK = 0.0005;
    double MOST_RISK = 0.2;

    MarginPolicy GENEROUS = new OneIn(500);
    MarginPolicy EVEN = new OneIn(50);
    MarginPolicy LEAN = new OneIn(15);
    MarginPolicy BY_COST = new ByCost();

    /**
     * Chance that a strand turns out short.
     *
     * @param costIfShort price of the ruined piece
     * @param costOfSpread price of one spread's length of cord
     */
    double risk(double costIfShort, double costOfSpread);
}
