package dev.restis.app.today;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.contains;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import dev.restis.app.learning.LearningAsks;
import dev.restis.app.today.Decisions.DecisionKind;
import dev.restis.app.today.Decisions.DecisionRow;
import dev.restis.app.today.MorningWork.Pieces;
import dev.restis.core.work.PieceStage;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Query;
import jakarta.persistence.Tuple;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Answers;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

/** What waits for a word, in the order in which somebody is kept waiting by it; nothing where nothing does. */
@ExtendWith(MockitoExtension.class)
class DecisionsTest {

    private static final ZoneId HERE = ZoneId.of("Pacific/Auckland");
    /** Already the second there. */
    private static final Instant NOW = Instant.parse("2031-05-01T13:00:00Z");

    @Mock
    private EntityManager entities;

    @Mock
    private LearningAsks learning;

    @Mock
    private Query deliveries;

    @Mock(answer = Answers.RETURNS_SELF)
    private Query quotes;

    @Mock
    private Tuple quote;

    private Decisions decisions;

    @BeforeEach
    void workshop() {
        when(entities.createNativeQuery(contains("from delivery"), eq(Long.class)))
                .thenReturn(deliveries);
        when(entities.createNativeQuery(contains("from customer_order"), eq(Tuple.class)))
                .thenReturn(quotes);
        decisions = new Decisions(entities, learning, Clock.fixed(NOW, HERE));
    }

    private void waits(long inTray, List<Tuple> stale, long doubted, long changed) {
        when(deliveries.getSingleResult()).thenReturn(inTray);
        when(quotes.getResultList()).thenReturn(stale);
        when(learning.asked()).thenReturn(new LearningAsks.Asked(doubted, changed));
    }

    private static Pieces heldUp() {
        return new Pieces(
                7,
                "F-0007",
                "Marit",
                null,
                null,
                9,
                "snake",
                PieceStage.MAKING,
                null,
                true,
                "Bram",
                1,
                600,
                0,
                null,
                null,
                List.of(31L));
    }

    @Test
    void nothingWaitsWhereNothingIsAsked() {
        waits(0, List.of(), 0, 0);
        assertThat(decisions.all(List.of())).isEmpty();
    }

    @Test
    void whatIsDoubtedAndWhoseHandChangedStandsLast() {
        when(quote.get(0, Number.class)).thenReturn(12L);
        when(quote.get(1, String.class)).thenReturn("F-0012");
        when(quote.get(2, String.class)).thenReturn("Runa");
        when(quote.get(3, LocalDate.class)).thenReturn(LocalDate.of(2031, 4, 30));
        waits(3, List.of(quote), 2, 1);
        List<DecisionRow> rows = decisions.all(List.of(heldUp()));
        assertThat(rows)
                .extracting(DecisionRow::kind)
                .containsExactly(
                        DecisionKind.HELD_UP,
                        DecisionKind.TRAY,
                        DecisionKind.STALE_QUOTE,
                        DecisionKind.OUTLIER,
                        DecisionKind.DRIFT);
        assertThat(rows).extracting(DecisionRow::count).containsExactly(1L, 3L, 1L, 2L, 1L);
        assertThat(rows.get(0).piece()).isEqualTo(31);
        assertThat(rows.get(2).since()).isEqualTo("2031-04-30");
        assertThat(rows.get(3).order()).as("it is about no order").isNull();
    }

    @Test
    void aQuoteIsStaleByTheDayOfTheHouse() {
        waits(0, List.of(), 0, 0);
        decisions.all(List.of());
        verify(quotes).setParameter("today", (Object) LocalDate.of(2031, 5, 2));
    }
}
