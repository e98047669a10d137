package dev.restis.app.platform.jobs;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import dev.restis.app.platform.Problems.NotFound;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Asking for long work, and how it stands. */
@Service
public class Jobs {

    /**
     * What is asked for.
     *
     * @param subject what is worked on, by a name of its kind's own
     * @param revision of the subject; 0 where it has none
     * @param input what the work must know besides, as JSON
     * @param payload a file, or empty
     */
    public record Asked(String kind, String subject, int revision, String input, byte[] payload) {

        public static Asked of(String kind, String subject, int revision) {
            return new Asked(kind, subject, revision, "{}", new byte[0]);
        }
    }

    private final EntityManager entities;
    private final SchedulerClient scheduler;
    private final ObjectProvider<Scheduler> turns;
    private final JobLog log;
    private final Clock clock;

    Jobs(EntityManager entities, SchedulerClient scheduler, ObjectProvider<Scheduler> turns, JobLog log, Clock clock) {
        this.turns = turns;
        this.log = log;
        this.entities = entities;
        this.scheduler = scheduler;
        this.clock = clock;
    }

    /** Asks for it; answers the job. */
    @Transactional
    public long ask(Asked asked, String askedBy) {
        Job job = new Job(
                new Job.Order(asked.kind(), asked.subject(), asked.revision(), asked.input(), asked.payload(), askedBy),
                clock.instant());
        entities.persist(job);
        entities.flush();
        // In the same transaction, so that there is never a job without its turn; looked for as soon as it can be seen.
        scheduler.scheduleIfNotExists(new TaskInstance<>(JobRunner.TASK, String.valueOf(job.id())), clock.instant());
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                turns.ifAvailable(Scheduler::triggerCheckForDueExecutions);
            }
        });
        return job.id();
    }

    /** Asks for it in place of what was asked of the same subject before. */
    @Transactional
    public long askAnew(Asked asked, String askedBy) {
        stop(asked.kind(), asked.subject());
        return ask(asked, askedBy);
    }

    /** Asks for it unless it is asked for already. */
    @Transactional
    public void askOnce(Asked asked, String askedBy) {
        if (!going(asked.kind(), asked.subject())) {
            ask(asked, askedBy);
        }
    }

    /** Asks for it unless somebody did who still waits: one that is begun may have looked too early. */
    @Transactional
    public void askAgain(Asked asked, String askedBy) {
        boolean waits = inWork(asked.kind(), asked.subject()).stream().anyMatch(job -> job.state() == JobState.WAITING);
        if (!waits) {
            ask(asked, askedBy);
        }
    }

    /** Keeps what came of a job in the transaction that lays it down: both are there, or none. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void keep(RunningJob job, String result) {
        log.end(job.id(), JobState.DONE, result, null);
    }

    /** Whether it is waited for or worked on. */
    @Transactional(readOnly = true)
    public boolean going(String kind, String subject) {
        return !inWork(kind, subject).isEmpty();
    }

    /** Who asked for what is waited for or worked on. */
    @Transactional(readOnly = true)
    public Optional<String> whoAsked(String kind, String subject) {
        return inWork(kind, subject).stream().map(Job::askedBy).findFirst();
    }

    /** How much of it is done, from 0 to 1, where it is worked on. */
    @Transactional(readOnly = true)
    public Optional<Double> share(String kind, String subject) {
        return inWork(kind, subject).stream()
                .filter(job -> job.state() == JobState.RUNNING)
                .findFirst()
                .map(job -> job.whole() == 0 ? 0 : (double) job.done() / job.whole());
    }

    /** Nobody wants it any more; what works on it finds out soon. */
    @Transactional
    public void stop(String kind, String subject) {
        entities.createQuery("""
                        update versioned Job j set j.wanted = false
                        where j.kind = :kind and j.subject = :subject and j.state in (WAITING, RUNNING)
                        """)
                .setParameter("kind", kind)
                .setParameter("subject", subject)
                .executeUpdate();
    }

    private List<Job> inWork(String kind, String subject) {
        return entities.createQuery(
                        "select j from Job j where j.kind = :kind and j.subject = :subject and j.state in (WAITING, RUNNING)",
                        Job.class)
                .setParameter("kind", kind)
                .setParameter("subject", subject)
                .getResultList();
    }

    Job find(long id) {
        Job job = entities.find(Job.class, id);
        if (job == null) {
            throw new NotFound("notFound");
        }
        return job;
    }
}
