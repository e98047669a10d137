package dev.restis.app.learning;

import dev.restis.core.learning.Beliefs;
import dev.restis.core.learning.Flag;
import dev.restis.core.piece.Learned;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What was learned, as figures rest on it. */
@Service
public class LearnedShelf {

    /** By less than that no cut length changes worth a walk to the spool: log factor. */
    private static final double NOTICED = 0.004;
    /** By less than that no margin does: of a spread. */
    private static final double SURER = 0.05;

    /** The same state is the same object, so that what follows from it is known again. */
    private record Known(long state, Learned learned, Map<Subject, List<Flag>> flags) {}

    private static final Known NOTHING = new Known(0, Learned.NOTHING, Map.of());

    private final EntityManager entities;
    private volatile Known known = NOTHING;

    LearnedShelf(EntityManager entities) {
        this.entities = entities;
    }

    @Transactional(readOnly = true)
    public Learned learned(Optional<String> maker) {
        Known now = known(published().orElse(0L));
        if (now.learned().maker().equals(maker)) {
            return now.learned();
        }
        Known other = new Known(now.state(), now.learned().by(maker), now.flags());
        known = other;
        return other.learned();
    }

    /** What is believed of a subject. */
    @Transactional(readOnly = true)
    public Beliefs beliefs(Subject subject) {
        Learned now = known(published().orElse(0L)).learned();
        return switch (subject) {
            case CORD -> now.cord();
            case PITCH -> now.pitch();
            case TIME -> now.time();
        };
    }

    /** Hands that have changed, in the order in which that was told. */
    @Transactional(readOnly = true)
    public List<Flag> flags(Subject subject) {
        return known(published().orElse(0L)).flags().getOrDefault(subject, List.of());
    }

    private Optional<Long> published() {
        return entities.createQuery("select b.published from LearningBook b", Long.class)
                .getResultStream()
                .filter(Objects::nonNull)
                .findFirst();
    }

    private Known known(long state) {
        Known now = known;
        if (now.state() == state) {
            return now;
        }
        // In one look: between two, another state may be published, and the one that was read of be gone.
        return entities.createQuery(
                        "select s from LearningBook b join LearningState s on s.id = b.published", LearningState.class)
                .getResultStream()
                .findFirst()
                .map(this::known)
                .orElse(NOTHING);
    }

    private Known known(LearningState kept) {
        Learners learners = kept.learners();
        Map<Subject, List<Flag>> flags = new EnumMap<>(Subject.class);
        for (Subject subject : Subject.values()) {
            flags.put(subject, learners.of(subject).flags());
        }
        Known read = new Known(kept.id(), learners.learned(), flags);
        known = read;
        return read;
    }

    private Learned read(long state) {
        LearningState kept = state == 0 ? null : entities.find(LearningState.class, state);
        if (kept == null) {
            return Learned.NOTHING;
        }
        return kept.learners().learned();
    }

    /** Whether open pieces would come out noticeably otherwise than when they were last worked out. */
    @Transactional(readOnly = true)
    public boolean movedOn() {
        return movedOn(Objects.requireNonNull(entities.find(LearningBook.class, LearningBook.ONLY)));
    }

    private boolean movedOn(LearningBook book) {
        Long now = book.published();
        if (now == null || now.equals(book.workedOut())) {
            return false;
        }
        Learned before = read(Objects.requireNonNullElse(book.workedOut(), 0L));
        Learned after = read(now);
        return after.cord().apart(before.cord(), NOTICED, SURER)
                || after.pitch().apart(before.pitch(), NOTICED, SURER)
                || after.time().apart(before.time(), NOTICED, SURER);
    }

    /**
     * From now on open pieces are worked out with what is known now.
     *
     * @return whether that makes a difference
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public boolean moveOn() {
        LearningBook book = Objects.requireNonNull(
                entities.find(LearningBook.class, LearningBook.ONLY, LockModeType.PESSIMISTIC_WRITE));
        boolean moved = movedOn(book);
        if (moved) {
            book.workedOut(book.published());
        }
        return moved;
    }
}
