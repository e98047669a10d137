package dev.restis.app.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.NullSource;
import org.junit.jupiter.params.provider.ValueSource;

class KeysetTest {

    private static final String[] FORMS = {"\\d{4}-\\d{2}-\\d{2}", ".+"};

    @Test
    void aPageSaysWhereTheNextBegins() {
        Keyset<Integer> page = Keyset.of(List.of(4, 7, 9), 2, n -> List.of("2031-01-0" + n, "key " + n));
        assertThat(page.rows()).containsExactly(4, 7);
        assertThat(page.next()).isEqualTo("2031-01-07~key 7");
        assertThat(Keyset.read(page.next(), FORMS)).contains(List.of("2031-01-07", "key 7"));
    }

    @Test
    void theLastPageSaysNothing() {
        assertThat(Keyset.of(List.of(4, 7), 2, List::<Object>of).next()).isNull();
        assertThat(Keyset.of(List.<Integer>of(), 2, List::<Object>of).rows()).isEmpty();
    }

    @Test
    void onlyTheLastPartMayHoldATilde() {
        assertThat(Keyset.read("2031-01-07~a~b", FORMS)).contains(List.of("2031-01-07", "a~b"));
    }

    @ParameterizedTest
    @NullSource
    @ValueSource(strings = {"", "~", "2031-01-07", "2031-01-07~", "yesterday~a", "12~34"})
    void whatIsNoPlaceBeginsAnew(String after) {
        assertThat(Keyset.read(after, FORMS)).isEmpty();
    }
}
