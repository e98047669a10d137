package dev.restis.core.cost;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.cost.ListCost.CutStrand;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ListCostTest {

    private static BigDecimal money(String amount) {
        return new BigDecimal(amount);
    }

    private static CutStrand cut(long piece, String value, long used, long tail) {
        return new CutStrand(piece, money(value), used, tail, used + tail, false, BigDecimal.ZERO, false);
    }

    /** A strand at 0.40 of which 0.6 m stay and 0.4 m were trimmed, and another at 0.25 before it that was cut too short. */
    @Test
    void whatIsTrimmedAndWhatIsScrapAreSaidOfTheTails() {
        CutStrand anew = new CutStrand(7, money("0.4000"), 600_000, 400_000, 1_000_000, true, money("0.2500"), false);
        PieceCost cost = ListCost.of(List.of(anew, cut(7, "0.1000", 500_000, 500_000)), BigDecimal.ZERO, Map.of())
                .pieces()
                .getOrDefault(7L, PieceCost.NOTHING);
        assertThat(cost.used()).isEqualByComparingTo("0.29");
        assertThat(cost.tails()).isEqualByComparingTo("0.46");
        assertThat(cost.trimmed()).isEqualByComparingTo("0.16");
        assertThat(cost.scrap()).isEqualByComparingTo("0.25");
        assertThat(cost.planned()).isEqualByComparingTo("0.05");
        CutStrand lost = new CutStrand(8, money("0.4000"), 600_000, 400_000, 1_000_000, true, money("0.2500"), true);
        PieceCost gone =
                ListCost.of(List.of(lost), BigDecimal.ZERO, Map.of()).pieces().getOrDefault(8L, PieceCost.NOTHING);
        assertThat(gone.used()).isEqualByComparingTo("0");
        assertThat(gone.scrap()).isEqualByComparingTo("0.65");
        assertThat(gone.total()).isEqualByComparingTo("0.65");
    }

    /** 1 m at 0.40, 0.6 m of it used: 0.24 and 0.16; waste of 0.30 by 1 m and 2 m: 0.10 and 0.20. */
    @Test
    void sharesWasteByTheCordThatEachPieceTook() {
        ListCost cost = ListCost.of(
                List.of(cut(7, "0.4000", 600_000, 400_000), cut(8, "0.8000", 2_000_000, 0)),
                money("0.3000"),
                Map.of(7L, money("0.1500"), 9L, money("5.0000")));
        assertThat(cost.pieces().keySet()).containsExactlyInAnyOrder(7L, 8L, 9L);
        assertThat(cost.pieces().getOrDefault(9L, PieceCost.NOTHING).total()).isEqualByComparingTo("5.00");
        PieceCost seven = cost.pieces().getOrDefault(7L, PieceCost.NOTHING);
        assertThat(seven.used()).isEqualByComparingTo("0.24");
        assertThat(seven.tails()).isEqualByComparingTo("0.16");
        assertThat(seven.waste()).isEqualByComparingTo("0.10");
        assertThat(seven.hardware()).isEqualByComparingTo("0.15");
        assertThat(cost.pieces().getOrDefault(8L, PieceCost.NOTHING).total()).isEqualByComparingTo("1.00");
        assertThat(cost.alone()).isEqualByComparingTo("0");
    }

    @Test
    void wasteThatNoPieceBearsIsSaidAlone() {
        ListCost cost = ListCost.of(List.of(), money("0.0700"), Map.of());
        assertThat(cost.pieces()).isEmpty();
        assertThat(cost.alone()).isEqualByComparingTo("0.07");
    }

    @Test
    void nothingIsLostOrMade() {
        Random random = new Random(5);
        for (int run = 0; run < 200; run++) {
            List<CutStrand> strands = new ArrayList<>();
            Map<Long, BigDecimal> picked = new HashMap<>();
            BigDecimal left = BigDecimal.valueOf(random.nextInt(90_000), 4);
            BigDecimal waste = left;
            for (int i = 0; i < 1 + random.nextInt(30); i++) {
                long piece = random.nextInt(7);
                long cut = 1 + random.nextInt(3_000_000);
                BigDecimal value = BigDecimal.valueOf(random.nextInt(20_000), 4);
                long used = random.nextInt((int) cut + 1);
                BigDecimal scrapped = BigDecimal.valueOf(random.nextInt(3) * 700L, 4);
                strands.add(
                        new CutStrand(piece, value, used, cut - used, cut, random.nextBoolean(), scrapped, piece == 3));
                left = left.add(value).add(scrapped);
                if (picked.putIfAbsent(piece, BigDecimal.valueOf(piece, 4)) == null) {
                    left = left.add(BigDecimal.valueOf(piece, 4));
                }
            }
            ListCost cost = ListCost.of(strands, waste, picked);
            assertThat(cost.pieces().values()).allSatisfy(c -> {
                assertThat(c.planned()).isNotNegative();
                assertThat(c.trimmed()).isNotNegative();
            });
            assertThat(cost.pieces().values().stream().map(PieceCost::total).reduce(cost.alone(), BigDecimal::add))
                    .isEqualByComparingTo(left);
        }
    }
}
