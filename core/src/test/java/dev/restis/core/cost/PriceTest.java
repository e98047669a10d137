package dev.restis.core.cost;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Duration;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PriceTest {

    /**
     * Material 0.80; 20 min at 15 an hour is 5.00; 25 % on 5.80 is 1.45; so 7.25 is wanted. The stall keeps 10 % and 0.20:
     * (7.25 + 0.20) / 0.9 = 8.2778, rounded up to 8.50. Of that it keeps 0.85 + 0.20 = 1.05; rounding has added 0.20.
     */
    @Test
    void addsEveryPartOfTheHouse() {
        Price price = Price.of(new BigDecimal("0.8000"), Duration.ofMinutes(20), 1, house());
        assertThat(price)
                .isEqualTo(new Price(
                        new BigDecimal("0.8000"),
                        new BigDecimal("5.0000"),
                        new BigDecimal("1.4500"),
                        new BigDecimal("1.0500"),
                        new BigDecimal("0.2000"),
                        new BigDecimal("0.0000"),
                        new BigDecimal("8.50")));
    }

    /** Ten pieces: 5 % off 8.50 is 8.075, rounded up to 8.50 again; 25 pieces: 15 % off is 7.225, rounded up to 7.50. */
    @ParameterizedTest
    @CsvSource({"9, 8.50", "10, 8.50", "24, 8.50", "25, 7.50", "1000, 7.50"})
    void takesTheBreakForTheQuantity(int quantity, BigDecimal each) {
        Price price = Price.of(new BigDecimal("0.8000"), Duration.ofMinutes(20), quantity, house());
        assertThat(price.each()).isEqualByComparingTo(each);
        assertThat(price.line(quantity)).isEqualByComparingTo(each.multiply(BigDecimal.valueOf(quantity)));
    }

    @Test
    void withoutRulesItIsTheMaterialToTheNextCent() {
        assertThat(Price.of(new BigDecimal("0.8012"), Duration.ofMinutes(20), 1, PriceRules.NONE)
                        .each())
                .isEqualTo(new BigDecimal("0.81"));
    }

    /** 19 % in 30.00 is 4.79 (4.7899); on 30.00 it is 5.70. */
    @Test
    void namesTheTaxInThePriceOrOnTopOfIt() {
        List<BigDecimal> lines = List.of(new BigDecimal("17.00"), new BigDecimal("13.00"));
        assertThat(Total.of(lines, taxed(true)))
                .isEqualTo(new Total(new BigDecimal("25.21"), new BigDecimal("4.79"), new BigDecimal("30.00")));
        assertThat(Total.of(lines, taxed(false)))
                .isEqualTo(new Total(new BigDecimal("30.00"), new BigDecimal("5.70"), new BigDecimal("35.70")));
        assertThat(Total.of(List.of(), taxed(true)).gross()).isEqualTo(new BigDecimal("0.00"));
    }

    @Test
    void everyPriceIsTheSumOfItsPartsAndCoversWhatIsWanted() {
        Random random = new Random(3);
        for (int i = 0; i < 3000; i++) {
            PriceRules rules = new PriceRules(
                    cents(random, 4000),
                    cents(random, 20_000),
                    cents(random, 4000),
                    cents(random, 300),
                    new BigDecimal(List.of("0.01", "0.05", "0.50", "1").get(random.nextInt(4))),
                    cents(random, 2500),
                    random.nextBoolean(),
                    List.of(new PriceRules.Break(5, cents(random, 3000))));
            BigDecimal material = new BigDecimal(random.nextInt(200_000)).movePointLeft(4);
            int quantity = 1 + random.nextInt(9);
            Price price = Price.of(material, Duration.ofSeconds(random.nextInt(20_000)), quantity, rules);
            assertThat(price.material()
                            .add(price.labour())
                            .add(price.margin())
                            .add(price.fees())
                            .add(price.rounding())
                            .add(price.off()))
                    .isEqualByComparingTo(price.each());
            assertThat(price.rounding().setScale(3, RoundingMode.HALF_UP)).isNotNegative();
            assertThat(price.each().remainder(rules.step())).isEqualByComparingTo(BigDecimal.ZERO);
            if (quantity < 5) {
                assertThat(price.off()).isEqualByComparingTo(BigDecimal.ZERO);
            }
            Total total = Total.of(List.of(price.line(quantity)), rules);
            assertThat(total.net().add(total.tax())).isEqualByComparingTo(total.gross());
        }
    }

    @Test
    void namesEveryRuleThatCannotBe() {
        assertThatThrownBy(() -> new PriceRules(
                        BigDecimal.valueOf(-1),
                        BigDecimal.ZERO,
                        BigDecimal.valueOf(99),
                        BigDecimal.ZERO,
                        BigDecimal.ZERO,
                        BigDecimal.ZERO,
                        true,
                        List.of()))
                .hasMessageContaining("labourPerHour must be 0 to 1000 but was -1")
                .hasMessageContaining("feePercent must be 0 to 60 but was 99")
                .hasMessageContaining("step must be 0.01 to 100 but was 0");
    }

    private static PriceRules house() {
        return new PriceRules(
                new BigDecimal("15.00"),
                new BigDecimal("25"),
                new BigDecimal("10"),
                new BigDecimal("0.20"),
                new BigDecimal("0.50"),
                BigDecimal.ZERO,
                true,
                List.of(new PriceRules.Break(25, new BigDecimal("15")), new PriceRules.Break(10, new BigDecimal("5"))));
    }

    private static PriceRules taxed(boolean included) {
        return new PriceRules(
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ZERO,
                BigDecimal.ONE,
                new BigDecimal("19"),
                included,
                List.of());
    }

    private static BigDecimal cents(Random random, int below) {
        return new BigDecimal(random.nextInt(below)).movePointLeft(2);
    }
}
