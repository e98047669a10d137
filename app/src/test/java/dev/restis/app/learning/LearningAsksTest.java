package dev.restis.app.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.when;

import dev.restis.core.learning.Flag;
import jakarta.persistence.EntityManager;
import jakarta.persistence.TypedQuery;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

@ExtendWith(MockitoExtension.class)
class LearningAsksTest {

    private static final LocalDate TODAY = LocalDate.of(2031, 5, 1);

    @Mock
    private EntityManager entities;

    @Mock
    private TypedQuery<Long> doubted;

    @Mock
    private LearnedShelf shelf;

    private static Flag changed(int daysAgo) {
        return new Flag(1, "Bram", TODAY.minusDays(daysAgo).toEpochDay(), 1.12);
    }

    /** A month later everybody knows; of all subjects, each hand counts. */
    @Test
    void aHandThatChangedIsNewsForThirtyDays() {
        when(entities.createQuery(anyString(), eq(Long.class))).thenReturn(doubted);
        when(doubted.getSingleResult()).thenReturn(4L);
        when(shelf.flags(any())).thenReturn(List.of());
        when(shelf.flags(Subject.CORD)).thenReturn(List.of(changed(0), changed(30), changed(31)));
        when(shelf.flags(Subject.TIME)).thenReturn(List.of(changed(400), changed(2)));
        LearningAsks asks =
                new LearningAsks(entities, shelf, Clock.fixed(Instant.parse(TODAY + "T08:00:00Z"), ZoneOffset.UTC));
        assertThat(asks.asked()).isEqualTo(new LearningAsks.Asked(4, 3));
    }
}
