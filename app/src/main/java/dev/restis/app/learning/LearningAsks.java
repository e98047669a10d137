package dev.restis.app.learning;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What learning wants somebody to look at. */
@Service
public class LearningAsks {

    /** A hand that changed is news for so many days. */
    private static final int NEWS_DAYS = 30;

    /**
     * What waits.
     *
     * @param doubted measurements that are far from others and that nobody has judged
     * @param changed hands that have changed lately
     */
    public record Asked(long doubted, long changed) {}

    private final EntityManager entities;
    private final LearnedShelf shelf;
    private final Clock clock;

    LearningAsks(EntityManager entities, LearnedShelf shelf, Clock clock) {
        this.entities = entities;
        this.shelf = shelf;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public Asked asked() {
        long since = LocalDate.now(clock).minusDays(NEWS_DAYS).toEpochDay();
        long changed = Arrays.stream(Subject.values())
                .flatMap(subject -> shelf.flags(subject).stream())
                .filter(flag -> flag.since() >= since)
                .count();
        return new Asked(
                entities.createQuery(
                                "select count(o.id) from ObservationRow o where o.outcome = DOUBTED and o.standing = STANDS",
                                Long.class)
                        .getSingleResult(),
                changed);
    }
}
