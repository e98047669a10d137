package dev.restis.core.cost;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.restis.core.cost.Earning.Sold;
import java.math.BigDecimal;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;

class EarningTest {

    private static Sold sold(String net, String fees, String material, int minutes) {
        return new Sold(
                new BigDecimal(net), new BigDecimal(fees), new BigDecimal(material), Duration.ofMinutes(minutes));
    }

    @Test
    void anHourEarnsWhatIsLeftOfThePriceOverTheTimeThatWasLogged() {
        // 9.00 left in 30 min (18 an hour), 6.00 in 20 min (18), 7.50 in 15 min (30): 22.50 in 65 min.
        Earning earning = Earning.of(List.of(
                        sold("10.00", "0.50", "0.50", 30),
                        sold("7.00", "0.20", "0.80", 20),
                        sold("8.00", "0", "0.50", 15)))
                .orElseThrow();
        assertThat(earning.pieces()).isEqualTo(3);
        assertThat(earning.perHour()).isEqualByComparingTo("20.77");
        assertThat(earning.least()).isEqualByComparingTo("18.00");
        assertThat(earning.most()).isEqualByComparingTo("30.00");
        assertThat(earning.material()).isEqualByComparingTo("0.6000");
        assertThat(earning.worked()).isEqualTo(Duration.ofSeconds(1300));
    }

    @Test
    void whatIsSoldForLessThanItTookEarnsLessThanNothing() {
        Sold bad = sold("1.00", "0.10", "2.40", 45);
        assertThat(Earning.of(List.of(bad, bad, bad)).orElseThrow().perHour()).isEqualByComparingTo("-2.00");
    }

    @Test
    void twoPiecesSayNothing() {
        Sold one = sold("10.00", "0", "1.00", 30);
        assertThat(Earning.of(List.of(one, one))).isEmpty();
        assertThatThrownBy(() -> sold("10.00", "0", "1.00", 0)).hasMessageContaining("worked");
    }
}
