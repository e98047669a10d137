package dev.restis.core.cord;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.restis.core.cord.ColourDifference.Degree;
import dev.restis.core.cord.ColourDifference.Turn;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ColourDifferenceTest {

    /** The published test pairs of Sharma, Wu and Dalal (2005), table 1. */
    @ParameterizedTest
    @CsvSource(textBlock = """
            50.0000,   2.6772, -79.7751, 50.0000,   0.0000, -82.7485,  2.0425
            50.0000,   3.1571, -77.2803, 50.0000,   0.0000, -82.7485,  2.8615
            50.0000,   2.8361, -74.0200, 50.0000,   0.0000, -82.7485,  3.4412
            50.0000,  -1.3802, -84.2814, 50.0000,   0.0000, -82.7485,  1.0000
            50.0000,  -1.1848, -84.8006, 50.0000,   0.0000, -82.7485,  1.0000
            50.0000,  -0.9009, -85.5211, 50.0000,   0.0000, -82.7485,  1.0000
            50.0000,   0.0000,   0.0000, 50.0000,  -1.0000,   2.0000,  2.3669
            50.0000,  -1.0000,   2.0000, 50.0000,   0.0000,   0.0000,  2.3669
            50.0000,   2.4900,  -0.0010, 50.0000,  -2.4900,   0.0009,  7.1792
            50.0000,   2.4900,  -0.0010, 50.0000,  -2.4900,   0.0010,  7.1792
            50.0000,   2.4900,  -0.0010, 50.0000,  -2.4900,   0.0011,  7.2195
            50.0000,   2.4900,  -0.0010, 50.0000,  -2.4900,   0.0012,  7.2195
            50.0000,  -0.0010,   2.4900, 50.0000,   0.0009,  -2.4900,  4.8045
            50.0000,  -0.0010,   2.4900, 50.0000,   0.0010,  -2.4900,  4.8045
            50.0000,  -0.0010,   2.4900, 50.0000,   0.0011,  -2.4900,  4.7461
            50.0000,   2.5000,   0.0000, 50.0000,   0.0000,  -2.5000,  4.3065
            50.0000,   2.5000,   0.0000, 73.0000,  25.0000, -18.0000, 27.1492
            50.0000,   2.5000,   0.0000, 61.0000,  -5.0000,  29.0000, 22.8977
            50.0000,   2.5000,   0.0000, 56.0000, -27.0000,  -3.0000, 31.9030
            50.0000,   2.5000,   0.0000, 58.0000,  24.0000,  15.0000, 19.4535
            50.0000,   2.5000,   0.0000, 50.0000,   3.1736,   0.5854,  1.0000
            50.0000,   2.5000,   0.0000, 50.0000,   3.2972,   0.0000,  1.0000
            50.0000,   2.5000,   0.0000, 50.0000,   1.8634,   0.5757,  1.0000
            50.0000,   2.5000,   0.0000, 50.0000,   3.2592,   0.3350,  1.0000
            60.2574, -34.0099,  36.2677, 60.4626, -34.1751,  39.4387,  1.2644
            63.0109, -31.0961,  -5.8663, 62.8187, -29.7946,  -4.0864,  1.2630
            61.2901,   3.7196,  -5.3901, 61.4292,   2.2480,  -4.9620,  1.8731
            35.0831, -44.1164,   3.7933, 35.0232, -40.0716,   1.5901,  1.8645
            22.7233,  20.0904, -46.6940, 23.0331,  14.9730, -42.5619,  2.0373
            36.4612,  47.8580,  18.3852, 36.2715,  50.5065,  21.2231,  1.4146
            90.8027,  -2.0831,   1.4410, 91.1528,  -1.6435,   0.0447,  1.4441
            90.9257,  -0.5406,  -0.9208, 88.6381,  -0.8985,  -0.7239,  1.5381
             6.7747,  -0.2908,  -2.4247,  5.8714,  -0.0985,  -2.2286,  0.6377
             2.0776,   0.0795,  -1.1350,  0.9033,  -0.0636,  -0.5514,  0.9082
            """)
    void agreesWithThePublishedPairs(
            double l1, double a1, double b1, double l2, double a2, double b2, double published) {
        Colour one = new Colour(l1, a1, b1);
        Colour other = new Colour(l2, a2, b2);
        assertThat(ColourDifference.between(one, other).distance()).isCloseTo(published, within(0.00005));
        assertThat(ColourDifference.between(other, one).distance()).isCloseTo(published, within(0.00005));
    }

    /** CIELAB of the corners of sRGB, as commonly tabulated. */
    @ParameterizedTest
    @CsvSource({
        "#FFFFFF, 100.00, 0.00, 0.00",
        "#000000, 0.00, 0.00, 0.00",
        "#FF0000, 53.24, 80.09, 67.20",
        "#00ff00, 87.73, -86.18, 83.18",
        "#0000FF, 32.30, 79.19, -107.86",
        "#808080, 53.59, 0.00, 0.00"
    })
    void readsHexAsLab(String hex, double lightness, double a, double b) {
        Colour colour = Colour.ofHex(hex);
        assertThat(colour.lightness()).isCloseTo(lightness, within(0.01));
        assertThat(colour.a()).isCloseTo(a, within(0.01));
        assertThat(colour.b()).isCloseTo(b, within(0.01));
    }

    @ParameterizedTest
    @CsvSource({
        "#22365C, #22365C, NONE, ''",
        "#808080, #8C8C8C, PLAIN, LIGHTER",
        "#8C8C8C, #808080, PLAIN, DARKER",
        "#C4472E, #A84A36, PLAIN, DULLER DARKER",
        "#E2A624, #E28A24, STRONG, REDDER",
        "#22365C, #C4472E, OTHER, REDDER LIGHTER"
    })
    void saysInWordsHowTheyDiffer(String wanted, String offered, Degree degree, String turns) {
        ColourDifference difference = ColourDifference.between(Colour.ofHex(wanted), Colour.ofHex(offered));
        assertThat(difference.degree()).isEqualTo(degree);
        assertThat(String.join(" ", difference.turns().stream().map(Turn::name).toList()))
                .startsWith(turns);
    }

    @Test
    void isZeroOnlyForTheSameColourAndTheSameBothWays() {
        Random random = new Random(7);
        for (int i = 0; i < 2000; i++) {
            Colour one = Colour.ofHex(String.format("#%06X", random.nextInt(0x1000000)));
            Colour other = Colour.ofHex(String.format("#%06X", random.nextInt(0x1000000)));
            assertThat(ColourDifference.between(one, one).distance()).isZero();
            double there = ColourDifference.between(one, other).distance();
            assertThat(there).isCloseTo(ColourDifference.between(other, one).distance(), within(1e-9));
            assertThat(there > 0).isEqualTo(!one.equals(other));
        }
    }

    @Test
    void refusesWhatIsNoColour() {
        assertThatThrownBy(() -> Colour.ofHex("22365C")).hasMessageContaining("22365C");
    }
}
