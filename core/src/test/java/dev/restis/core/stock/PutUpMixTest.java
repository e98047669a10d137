package dev.restis.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.core.stock.PutUpMix.PutUp;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class PutUpMixTest {

    private static PutUp putUp(long metres, String price) {
        return new PutUp(metres * 1_000_000, new BigDecimal(price));
    }

    private static final List<PutUp> SOLD = List.of(putUp(25, "4.50"), putUp(50, "7.90"), putUp(100, "14.20"));

    /** 130 m: 100 + 50 are 22.10, 100 + 2 x 25 23.20, 3 x 50 23.70, 2 x 100 28.40. */
    @Test
    void theCheapestMixIsBought() {
        PutUpMix mix = PutUpMix.cheapest(130_000_000, SOLD);
        assertThat(mix.counts()).containsExactly(0, 1, 1);
        assertThat(mix.quantity()).isEqualTo(150_000_000);
        assertThat(mix.price()).isEqualByComparingTo("22.10");
    }

    /** At one price for 25 and 50 m nobody takes the shorter; and of equal mixes the one with more. */
    @Test
    void forTheSameMoneyThereIsMore() {
        PutUpMix mix = PutUpMix.cheapest(20_000_000, List.of(putUp(25, "5.00"), putUp(50, "5.00")));
        assertThat(mix.counts()).containsExactly(0, 1);
    }

    @Test
    void nothingNeededIsNothingBought() {
        PutUpMix mix = PutUpMix.cheapest(0, SOLD);
        assertThat(mix.counts()).containsExactly(0, 0, 0);
        assertThat(mix.price()).isEqualByComparingTo("0");
    }

    @Test
    void withoutPutUpsNothingCanBeBought() {
        assertThatThrownBy(() -> PutUpMix.cheapest(1, List.of())).hasMessageContaining("put-up");
    }

    /** Two million metres: by the metre nothing is cheaper than 100 m spools, so there are 20,000 of them. */
    @Test
    void veryMuchIsMostlyBoughtByTheCheapestMetre() {
        PutUpMix mix = PutUpMix.cheapest(2_000_000_000_000L, SOLD);
        assertThat(mix.counts()).containsExactly(0, 0, 20_000);
        assertThat(mix.price()).isEqualByComparingTo("284000");
    }

    /** Against trying every mix there is. */
    @Test
    void noMixIsCheaper() {
        Random random = new Random(11);
        for (int round = 0; round < 300; round++) {
            List<PutUp> sold = new ArrayList<>();
            for (int k = 0; k < 3; k++) {
                sold.add(new PutUp(1 + random.nextInt(30), BigDecimal.valueOf(100 + random.nextInt(2000), 2)));
            }
            long needed = 1 + random.nextInt(90);
            BigDecimal least = null;
            int most = 91;
            for (int a = 0; a <= most; a++) {
                for (int b = 0; b <= most; b++) {
                    long open = needed
                            - a * sold.get(0).quantity()
                            - b * sold.get(1).quantity();
                    long c = open <= 0
                            ? 0
                            : (open + sold.get(2).quantity() - 1) / sold.get(2).quantity();
                    BigDecimal price = sold.get(0)
                            .price()
                            .multiply(BigDecimal.valueOf(a))
                            .add(sold.get(1).price().multiply(BigDecimal.valueOf(b)))
                            .add(sold.get(2).price().multiply(BigDecimal.valueOf(c)));
                    least = least == null || price.compareTo(least) < 0 ? price : least;
                }
            }
            PutUpMix mix = PutUpMix.cheapest(needed, sold);
            assertThat(mix.price()).as("%s of %s", needed, sold).isEqualByComparingTo(least);
            assertThat(mix.quantity()).isGreaterThanOrEqualTo(needed);
        }
    }

    /** Sizes that have no common divisor worth the name are rounded, and what is bought still suffices. */
    @Test
    void oddSizesStillSuffice() {
        List<PutUp> sold =
                List.of(new PutUp(22_860_001, new BigDecimal("4.10")), new PutUp(91_440_007, new BigDecimal("13.90")));
        PutUpMix mix = PutUpMix.cheapest(400_000_000, sold);
        assertThat(mix.quantity()).isGreaterThanOrEqualTo(400_000_000);
        assertThat(mix.counts()).containsExactly(2, 4);
    }
}
