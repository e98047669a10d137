package dev.restis.core.cost;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.Examples;
import dev.restis.core.stock.Balance;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ExactMoneyTest {

    @Test
    void sharesGoToTheLargestRemainders() {
        assertThat(Shares.of(new BigDecimal("0.0010"), List.of(1L, 1L, 1L)))
                .containsExactly(new BigDecimal("0.0004"), new BigDecimal("0.0003"), new BigDecimal("0.0003"));
        assertThat(Shares.of(new BigDecimal("10"), List.of(0L, 0L)))
                .containsExactly(new BigDecimal("5.0000"), new BigDecimal("5.0000"));
        // Tenths of sevenths: 1 3/7, 2 6/7 and 5 5/7 units, and two units over.
        assertThat(Shares.of(new BigDecimal("0.0010"), List.of(1L, 2L, 4L)))
                .containsExactly(new BigDecimal("0.0001"), new BigDecimal("0.0003"), new BigDecimal("0.0006"));
    }

    /** Halves go to the even neighbour, so that many small cuts do not all err to one side. */
    @ParameterizedTest
    @CsvSource({"0.0001, 0.0000", "0.0003, 0.0002", "0.0005, 0.0002", "0.0007, 0.0004"})
    void halfOfABalanceIsRoundedHalfEven(BigDecimal value, BigDecimal half) {
        assertThat(new Balance(2, value).costOf(1)).isEqualByComparingTo(half);
    }

    @Test
    void sharesAlwaysAddUp() {
        Random random = new Random(3);
        for (int i = 0; i < 500; i++) {
            List<Long> weights = new ArrayList<>();
            for (int w = 0; w <= random.nextInt(20); w++) {
                weights.add((long) random.nextInt(5_000_000));
            }
            BigDecimal amount = BigDecimal.valueOf(random.nextInt(10_000_000), 4);
            assertThat(Shares.of(amount, weights).stream().reduce(BigDecimal.ZERO, BigDecimal::add))
                    .isEqualByComparingTo(amount);
        }
    }

    /** A 100 m spool for 7.99: 3 m cost 0.2397. */
    @Test
    void takesValueWithQuantityAndLeavesNothingBehind() {
        Balance spool = new Balance(100_000_000, new BigDecimal("7.99"));
        assertThat(spool.costOf(3_000_000)).isEqualByComparingTo("0.2397");
        Random random = new Random(11);
        Balance left = spool;
        BigDecimal spent = BigDecimal.ZERO;
        while (left.quantity() > 0) {
            long taken = Math.min(left.quantity(), 1 + random.nextInt(3_000_000));
            spent = spent.add(left.costOf(taken));
            left = left.without(taken);
        }
        assertThat(left.value()).isEqualByComparingTo("0");
        assertThat(spent).isEqualByComparingTo("7.99");
        Balance empty = left;
        assertThatIllegalArgumentException().isThrownBy(() -> empty.costOf(1)).withMessageContaining("taken");
    }

    /** Snake band: 2 x 1860 + 500 mm at 0.20 a metre = 0.844. */
    @Test
    void estimatesFromCutLengths() {
        PieceCost cost = Estimate.of(
                Examples.worked(Examples.bracelet(PatternBook.SNAKE, 2, 165)),
                List.of(new BigDecimal("0.20"), new BigDecimal("0.20")),
                new BigDecimal("0.35"));
        assertThat(cost.used().add(cost.tails())).isEqualByComparingTo("0.8440");
        assertThat(cost.total()).isEqualByComparingTo("1.1940");
    }

    @Test
    void booksTellWhatIsMissing() {
        Books books = new Books(
                new BigDecimal("100.0000"), new BigDecimal("60.0000"), new BigDecimal("39.9999"), BigDecimal.ZERO);
        assertThat(books.balance()).isFalse();
        assertThat(books.difference()).isEqualByComparingTo("0.0001");
    }
}
