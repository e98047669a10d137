package dev.restis.standins;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.standins.ShopDeliveries.Delivery;
import dev.restis.standins.ShopDeliveries.Kind;
import java.util.List;
import org.junit.jupiter.api.Test;

class ShopDeliveriesTest {

    private final List<Delivery> day = ShopDeliveries.day(7, "HM-", 30);

    @Test
    void theSameSeedIsTheSameDay() {
        assertThat(ShopDeliveries.day(7, "HM-", 30)).isEqualTo(day);
        assertThat(ShopDeliveries.day(8, "HM-", 30)).isNotEqualTo(day);
    }

    @Test
    void eachKindComesAndAnOvertakenOneArrivesAfterTheNewerOne() {
        assertThat(day).extracting(Delivery::kind).contains(Kind.values());
        for (int i = 0; i < day.size(); i++) {
            if (day.get(i).kind() == Kind.OVERTAKEN) {
                assertThat(day.get(i).sent()).isLessThan(day.get(i - 1).sent());
                assertThat(day.get(i).body()).isNotEqualTo(day.get(i - 1).body());
            }
        }
    }

    @Test
    void everyBrokenDeliveryIsBrokenInItsOwnWay() {
        assertThat(day.stream().filter(d -> d.kind() == Kind.BROKEN).map(Delivery::body))
                .hasSize(6)
                .doesNotHaveDuplicates();
    }
}
