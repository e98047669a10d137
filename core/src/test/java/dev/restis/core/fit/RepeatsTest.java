package dev.restis.core.fit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RepeatsTest {

    @ParameterizedTest
    @CsvSource({"41,1,41", "41,2,40", "41,3,41", "41,4,40", "2,3,0", "3,3,3"})
    void takesTheMostThatStandsSymmetrically(int most, int groups, int expected) {
        assertThat(Repeats.symmetrical(most, groups)).isEqualTo(expected);
    }

    @Test
    void whatIsOverGoesToTheMiddle() {
        assertThat(Repeats.share(41, 3)).containsExactly(14, 13, 14);
        assertThat(Repeats.share(40, 3)).containsExactly(13, 14, 13);
        assertThat(Repeats.share(10, 4)).containsExactly(2, 3, 3, 2);
    }

    @Test
    void everyShareIsSymmetricalAndComplete() {
        for (int groups = 1; groups <= 12; groups++) {
            for (int most = groups; most <= 80; most++) {
                int repeats = Repeats.symmetrical(most, groups);
                List<Integer> shares = Repeats.share(repeats, groups);
                List<Integer> turned = new java.util.ArrayList<>(shares);
                Collections.reverse(turned);
                assertThat(shares).isEqualTo(turned).allMatch(s -> s >= 1);
                assertThat(shares.stream().mapToInt(i -> i).sum()).isEqualTo(repeats);
            }
        }
    }
}
