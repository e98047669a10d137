package dev.restis.app.cut;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Setting;
import dev.restis.app.workshop.SettingRevisions;
import dev.restis.core.cutting.CutAims;
import dev.restis.core.measure.Fault;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the house wants its cut plans to save. */
@Service
class CutWeights {

    /**
     * The weights, in the workshop's currency.
     *
     * @param leftoverPercent what a leftover worth keeping counts for against new cord; 0 to 100
     * @param handling what keeping one more leftover costs
     * @param ageing what beginning a holding costs for each year that it is younger than the oldest
     * @param seconds how long plans are bettered after the first; 0 to 120
     */
    record Weights(int leftoverPercent, BigDecimal handling, BigDecimal ageing, int seconds) {}

    /** The weights as they stand. */
    record WeightsView(Weights weights, int revision) {}

    /**
     * As typed.
     *
     * @param revision of the weights that are changed
     */
    record WeightsInput(int leftoverPercent, String handling, String ageing, int seconds, int revision) {}

    private static final double PERCENT = 100;
    private static final int MOST_SECONDS = 120;
    private static final BigDecimal MOST = BigDecimal.valueOf(1000);

    private final SettingRevisions revisions;
    private final EntityManager entities;

    CutWeights(SettingRevisions revisions, EntityManager entities) {
        this.revisions = revisions;
        this.entities = entities;
    }

    @Transactional(readOnly = true)
    public Weights weights() {
        return row().weights();
    }

    @Transactional(readOnly = true)
    public WeightsView view() {
        return new WeightsView(weights(), revisions.of(Setting.CUT_PLANS));
    }

    CutAims aims(Map<Long, Double> pricePerMetre) {
        Weights weights = weights();
        return new CutAims(
                weights.leftoverPercent() / PERCENT,
                weights.handling().doubleValue(),
                weights.ageing().doubleValue(),
                pricePerMetre);
    }

    @Transactional
    public int keep(WeightsInput typed) {
        List<Fault> faults = new ArrayList<>();
        if (typed.leftoverPercent() < 0 || typed.leftoverPercent() > PERCENT) {
            faults.add(Fault.of("leftoverPercent", "percent.range", typed.leftoverPercent()));
        }
        if (typed.seconds() < 0 || typed.seconds() > MOST_SECONDS) {
            faults.add(Fault.of("seconds", "seconds.range", MOST_SECONDS));
        }
        BigDecimal handling = money("handling", typed.handling(), faults);
        BigDecimal ageing = money("ageing", typed.ageing(), faults);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        int next = revisions.next(Setting.CUT_PLANS, typed.revision());
        row().keep(new Weights(typed.leftoverPercent(), handling, ageing, typed.seconds()));
        return next;
    }

    private CutWeightsRow row() {
        return entities.find(CutWeightsRow.class, CutWeightsRow.KEY);
    }

    private static BigDecimal money(String field, String typed, List<Fault> faults) {
        BigDecimal amount = Texts.money(typed, field, faults);
        if (amount.compareTo(MOST) > 0) {
            faults.add(Fault.of(field, "money.most", MOST));
        }
        return amount;
    }
}
