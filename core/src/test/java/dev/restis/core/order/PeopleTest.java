package dev.restis.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.measure.UnitSystem;
import dev.restis.core.order.People.Person;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PeopleTest {

    private static final List<String> SIZES = List.of("XS", "S", "M", "L", "XL");

    @ParameterizedTest(name = "{0}")
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            `Marit\t16.5`            | Marit / 16.5
            `16.5\tMarit`            | Marit / 16.5
            Wouter; XL               | Wouter / XL
            xl;Wouter                | Wouter / XL
            Marit, 16.5              | Marit / 16.5
            Marit,16.5               | Marit / 16.5
            Marit, 16,5              | Marit / 16,5
            16,5, Marit              | Marit / 16,5
            7 1/4 in, Sefa           | Sefa / 7 1/4 in
            Runa 18,5                | Runa / 18,5
            Runa: 18.5 cm            | Runa / 18.5 cm
            Runa 7 1/4               | Runa / 7 1/4
            Runa 7 1/4 in            | Runa / 7 1/4 in
            Anna Maria M             | Anna Maria / M
            Anna Maria; 165 mm       | Anna Maria / 165 mm
            2x M                     | - / M x2
            M; x3                    | - / M x3
            2x Runa, L               | Runa / L x2
            17                       | - / 17
            m                        | - / M
            Runa                     | Runa / -
            Runa; M; 16.5            | Runa / M 16.5
            Runa; tall; M            | Runa tall / M
            =1+1; M                  | =1+1 / M
            99999x M                 | 99999x / M
            """)
    void readsALineHoweverItIsWritten(String line, String expected) {
        assertThat(People.read(line, SIZES, UnitSystem.METRIC))
                .singleElement()
                .satisfies(p -> assertThat(shown(p)).isEqualTo(expected));
    }

    @Test
    void keepsTheNumbersOfLinesAndLeavesEmptyOnesOut() {
        List<Person> people = People.read("\n  \nMarit 16.5\r\n\nSefa M", SIZES, UnitSystem.METRIC);
        assertThat(people).extracting(Person::row).containsExactly(3, 5);
    }

    @Test
    void takesNoMoreThanItCan() {
        assertThat(People.read("M\n".repeat(2000), SIZES, UnitSystem.METRIC)).hasSize(People.MOST);
    }

    @Test
    void readsAnyHeapOfSigns() {
        Random random = new Random(9);
        for (int i = 0; i < 3000; i++) {
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(20); n > 0; n--) {
                text.append("Mx 1;,\t/½\"'.ü-\n".charAt(random.nextInt(15)));
            }
            assertThat(People.read(text.toString(), SIZES, UnitSystem.IMPERIAL))
                    .allMatch(p -> p.count() >= 1 && p.row() >= 1);
        }
    }

    private static String shown(Person p) {
        String size = (p.size().orElse("") + " " + p.measure().orElse("")).strip();
        return (p.name().isEmpty() ? "-" : p.name()) + " / " + (size.isEmpty() ? "-" : size)
                + (p.count() > 1 ? " x" + p.count() : "");
    }
}
