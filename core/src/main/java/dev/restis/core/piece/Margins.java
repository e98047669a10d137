package dev.restis.core.piece;

import dev.restis.core.learning.Forecast;
import dev.restis.core.learning.Load;
import dev.restis.core.learning.Shortage;
import dev.restis.core.learning.Use;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.Sum;
import dev.restis.core.measure.Sum.Term;
import dev.restis.core.pattern.Role;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** How much longer than expected the strands of a piece are cut, so that the chance that any runs short is the house's. */
final class Margins {

    /**
     * Strands of a role that are alike.
     *
     * @param leg the first of their legs, which says what cord they are of
     * @param price of a metre of that cord
     */
    record Alike(Role role, int leg, List<Sum> legs, double price) {

        double free() {
            return millimetres(legs.stream()
                    .flatMap(l -> l.terms().stream())
                    .filter(t -> t.tie().isPresent()));
        }
    }

    private final List<Alike> strands;
    private final Forecast forecast;
    private final double[] spreads;
    private final double allowed;

    private Margins(List<Alike> strands, Forecast forecast, double[] spreads, double allowed) {
        this.allowed = allowed;
        this.strands = strands;
        this.forecast = forecast;
        this.spreads = spreads;
    }

    /** @param costIfShort price of the cord of a ruined piece */
    static Margins of(List<Alike> strands, double costIfShort, PieceRequest.House house) {
        Forecast forecast = house.learned()
                .cord()
                .forecast(strands.stream().map(s -> use(s.legs())).toList());
        int[] counts = new int[strands.size()];
        double[] costs = new double[counts.length];
        double costOfSpread = 0;
        for (int i = 0; i < counts.length; i++) {
            counts[i] = strands.get(i).role().count();
            costs[i] = strands.get(i).price() / 1000 * forecast.middle()[i] * forecast.spread(i);
            costOfSpread += counts[i] * costs[i];
        }
        double allowed = house.margin().risk(costIfShort, costOfSpread);
        return new Margins(strands, forecast, Shortage.spreads(forecast, counts, costs, allowed), allowed);
    }

    /** What the legs of a strand take, by what was learned. */
    static Use use(List<Sum> legs) {
        Map<List<Load>, Double> shares = new LinkedHashMap<>();
        double fixed = 0;
        for (Sum leg : legs) {
            for (Term term : leg.terms()) {
                double total = term.total().toMillimetres();
                if (term.tie().isEmpty()) {
                    fixed += total;
                } else if (total > 0) {
                    shares.merge(
                            term.tie().get().loads(), total / term.tie().get().factor(), Double::sum);
                }
            }
        }
        return Use.of(Math.max(0, fixed), shares);
    }

    /** The chance that any strand of the piece runs short; of one that no hand changes, none. */
    double risk(int strand) {
        return forecast.spread(strand) > 0 ? allowed : 0;
    }

    /** What a leg is cut longer than expected. */
    Length of(int strand, int leg) {
        return above(strand, leg, spreads[strand]);
    }

    /** By how much a leg takes more than expected at so many spreads; legs share it by what of them is tied. */
    Length above(int strand, int leg, double z) {
        Alike alike = strands.get(strand);
        double free = alike.free();
        if (free <= 0) {
            return Length.ZERO;
        }
        double expected = millimetres(alike.legs().stream().flatMap(l -> l.terms().stream()));
        double share = millimetres(alike.legs().get(leg).terms().stream()
                        .filter(t -> t.tie().isPresent()))
                / free;
        double more = Math.max(0, forecast.at(strand, z) - expected) * share;
        return new Length(Math.round(more * 1000));
    }

    private static double millimetres(java.util.stream.Stream<Term> terms) {
        return terms.mapToDouble(t -> t.total().toMillimetres()).sum();
    }
}
