package dev.restis.app.learning;

import dev.restis.app.learning.Expectations.Reckoned;
import dev.restis.app.platform.jobs.Jobs;
import dev.restis.app.platform.jobs.RunningJob;
import dev.restis.app.platform.jobs.Work;
import dev.restis.core.learning.Beliefs;
import dev.restis.core.learning.Learner;
import dev.restis.core.learning.Load;
import dev.restis.core.piece.Formulas;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Learns from what was measured, in the order of the numbers that it gives: one at a time, because whoever folds holds the book. A
 * page ends where a state is kept, so that what changes later is folded anew from the state before it; figures rest on the state
 * that was reached last until that is through.
 */
@Service
public class Folding implements Work {

    static final String KIND = "learn";
    static final String SUBJECT = "observations";
    static final String WHO = "restis";
    /** A state is kept after so many. */
    static final int EVERY = 500;

    /** Figures rest on another state now. */
    public record LearnedAnew() {}

    private final EntityManager entities;
    private final ObjectProvider<Expectations> expectations;
    private final ApplicationEventPublisher listeners;
    private final Jobs jobs;
    private final TransactionTemplate transaction;

    Folding(
            EntityManager entities,
            ObjectProvider<Expectations> expectations,
            ApplicationEventPublisher listeners,
            Jobs jobs,
            PlatformTransactionManager transactions) {
        this.entities = entities;
        this.expectations = expectations;
        this.listeners = listeners;
        this.jobs = jobs;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** What waits from before, or was folded by formulas that were corrected since. */
    @EventListener(ApplicationStartedEvent.class)
    @Order(1)
    public void begin() {
        transaction.executeWithoutResult(status -> {
            if (waits(book(LockModeType.NONE))) {
                jobs.askAgain(Jobs.Asked.of(KIND, SUBJECT, Formulas.VERSION), WHO);
            }
        });
    }

    /**
     * How far learning is.
     *
     * @param waits whether something was measured, or said of it, that figures do not rest on yet
     * @param learned how many measurements they rest on
     */
    record LearningStanding(boolean waits, long learned) {}

    @Transactional(readOnly = true)
    public LearningStanding standing() {
        LearningBook book = book(LockModeType.NONE);
        Long learned = entities.createQuery(
                        "select count(o) from ObservationRow o where o.number is not null and o.standing = Standing.STANDS",
                        Long.class)
                .getSingleResult();
        return new LearningStanding(waits(book), learned == null ? 0 : learned);
    }

    private boolean waits(LearningBook book) {
        return book.formulas() < Formulas.VERSION
                || !entities.createQuery("""
                        select o.id from ObservationRow o
                        where o.changed or o.number is null and o.standing = Standing.STANDS
                        """, Long.class)
                        .setMaxResults(1)
                        .getResultList()
                        .isEmpty();
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public String work(RunningJob job) {
        int folded = 0;
        for (int page = fold(); page >= 0; page = fold()) {
            folded += page;
            job.progress(folded, folded + EVERY);
        }
        return "{\"folded\": %d}".formatted(folded);
    }

    /** Learns from all that waits. */
    public void now() {
        while (fold() >= 0) {
            // Page by page.
        }
    }

    /** @return how many were folded; below 0 when nothing waited */
    private int fold() {
        Integer folded = transaction.execute(status -> foldPage());
        return folded == null ? -1 : folded;
    }

    private int foldPage() {
        LearningBook book = book(LockModeType.PESSIMISTIC_WRITE);
        outdate(book);
        Optional<LearningState> from = newest();
        long start = from.map(LearningState::number).orElse(0L);
        long end = (start / EVERY + 1) * EVERY;
        List<ObservationRow> rows = numbered(start, end);
        if (book.lastNumber() < end) {
            rows.addAll(waiting(book, end));
        }
        long reached = Math.min(end, book.lastNumber());
        if (reached == start && from.map(LearningState::id).equals(Optional.ofNullable(book.published()))) {
            return -1;
        }
        Learners learners = from.map(LearningState::learners).orElseGet(Learners::begun);
        expect(rows);
        for (ObservationRow row : rows) {
            fold(row, learners.of(row.subject()));
        }
        LearningState state = keep(from, reached, learners);
        if (reached == book.lastNumber()) {
            publish(book, state);
        }
        return rows.size();
    }

    private LearningBook book(LockModeType lock) {
        return Objects.requireNonNull(entities.find(LearningBook.class, LearningBook.ONLY, lock));
    }

    /** States that rest on what changed since are not to be gone on from. */
    private void outdate(LearningBook book) {
        long first = Long.MAX_VALUE;
        if (book.formulas() < Formulas.VERSION) {
            first = 0;
            book.formulas(Formulas.VERSION);
        }
        for (ObservationRow row : entities.createQuery(
                        "select o from ObservationRow o where o.changed order by o.id", ObservationRow.class)
                // Whoever changes one of them once more is seen now, or next time.
                .setLockMode(LockModeType.PESSIMISTIC_WRITE)
                .getResultList()) {
            if (row.numbered()) {
                first = Math.min(first, row.number());
            }
            row.seen();
        }
        entities.flush();
        entities.createQuery("update LearningState s set s.stale = true where s.number >= :first and not s.stale")
                .setParameter("first", first)
                .executeUpdate();
    }

    private Optional<LearningState> newest() {
        return entities.createQuery(
                        "select s from LearningState s where not s.stale order by s.number desc", LearningState.class)
                .setMaxResults(1)
                .getResultStream()
                .findFirst();
    }

    private List<ObservationRow> numbered(long after, long until) {
        return new ArrayList<>(entities.createQuery("""
                        select o from ObservationRow o
                        where o.number > :after and o.number <= :until and o.standing = Standing.STANDS order by o.number
                        """, ObservationRow.class)
                .setParameter("after", after)
                .setParameter("until", until)
                .getResultList());
    }

    private List<ObservationRow> waiting(LearningBook book, long until) {
        List<ObservationRow> waiting = entities.createQuery(
                        "select o from ObservationRow o where o.number is null and o.standing = Standing.STANDS order by o.id",
                        ObservationRow.class)
                .setMaxResults((int) (until - book.lastNumber()))
                .getResultList();
        waiting.forEach(row -> row.number(book.nextNumber()));
        return waiting;
    }

    /** Asks geometry what to expect where that is not known, or known by formulas of before. */
    private void expect(List<ObservationRow> rows) {
        Map<Source, List<ObservationRow>> open = rows.stream()
                .filter(row -> !row.workedOutBy(Formulas.VERSION))
                .collect(Collectors.groupingBy(
                        ObservationRow::source, () -> new EnumMap<>(Source.class), Collectors.toList()));
        Map<Long, Reckoned> known = new HashMap<>();
        for (Expectations source : expectations) {
            List<Expectations.Question> asked = open.entrySet().stream()
                    .filter(e -> source.sources().contains(e.getKey()))
                    .flatMap(e -> e.getValue().stream())
                    .map(ObservationRow::question)
                    .toList();
            if (!asked.isEmpty()) {
                known.putAll(source.of(asked));
            }
        }
        open.values()
                .forEach(some -> some.forEach(row -> {
                    Reckoned expected = known.get(row.id());
                    if (expected != null) {
                        row.expect(expected, Formulas.VERSION);
                    }
                }));
    }

    private static void fold(ObservationRow row, Learner learner) {
        if (!row.workedOutBy(0)) {
            row.unknown();
            return;
        }
        dev.restis.core.learning.Observation seen = row.observation();
        dev.restis.core.learning.Outcome outcome = learner.fold(seen);
        Map<String, Beliefs.Factor> believed = new LinkedHashMap<>();
        seen.use()
                .shares()
                .forEach(share -> share.loads()
                        .forEach(load -> believed.computeIfAbsent(load.feature(), f -> learner.believed(one(load)))));
        row.folded(outcome, List.copyOf(believed.keySet()), List.copyOf(believed.values()));
    }

    private static List<Load> one(Load load) {
        return List.of(new Load(load.feature(), load.spread(), load.walk(), 1));
    }

    private LearningState keep(Optional<LearningState> from, long reached, Learners learners) {
        from.filter(s -> s.number() == reached).ifPresent(s -> s.outdated());
        entities.flush();
        LearningState state = new LearningState(reached, learners);
        entities.persist(state);
        return state;
    }

    private void publish(LearningBook book, LearningState state) {
        book.publish(state.id());
        entities.flush();
        entities.createQuery("""
                        delete from LearningState s
                        where s.id <> :now and (:worked is null or s.id <> :worked) and (s.stale or mod(s.number, :every) <> 0)
                        """)
                .setParameter("now", state.id())
                .setParameter("worked", book.workedOut())
                .setParameter("every", EVERY)
                .executeUpdate();
        listeners.publishEvent(new LearnedAnew());
    }
}
