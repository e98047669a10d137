package dev.restis.app.platform.jobs;

import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.RequestNames;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/** Works jobs off, in the name of whoever asked for them. */
@Component
class JobRunner {

    static final String TASK = "job";

    private static final Logger LOG = LoggerFactory.getLogger(JobRunner.class);

    private final JobLog log;
    private final ObjectProvider<Work> works;
    /** What this instance works on; if it is killed, another finds that out by its heartbeat and begins anew. */
    private final Set<RunningJob> running = ConcurrentHashMap.newKeySet();

    JobRunner(JobLog log, ObjectProvider<Work> works) {
        this.log = log;
        this.works = works;
    }

    void run(long id) {
        log.begin(id).ifPresent(this::run);
    }

    private void run(RunningJob job) {
        running.add(job);
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(job.askedBy(), "", Set.of()));
        try (MDC.MDCCloseable named = MDC.putCloseable(RequestNames.KEY, "job-" + job.id())) {
            String result = work(job).work(job);
            log.end(job.id(), job.wanted() ? JobState.DONE : JobState.STOPPED, result, null);
        } catch (RunningJob.Stopped stopped) {
            log.end(job.id(), JobState.STOPPED, null, null);
        } catch (Rejected | Conflict | NotFound told) {
            log.end(job.id(), JobState.FAILED, null, KeptProblem.of(told).json());
        } catch (RuntimeException broken) {
            LOG.error("Job {} on {} failed", job.id(), job.subject(), broken);
            log.end(job.id(), JobState.FAILED, null, KeptProblem.UNEXPECTED.json());
        } finally {
            running.remove(job);
            SecurityContextHolder.clearContext();
        }
    }

    private Work work(RunningJob job) {
        Map<String, Work> byKind = works.stream().collect(Collectors.toMap(Work::kind, Function.identity()));
        Work work = byKind.get(job.kind());
        if (work == null) {
            throw new IllegalStateException("Impossible state: no work of kind " + job.kind());
        }
        return work;
    }

    /** Tells the database how far the jobs are, and the jobs whether they are still wanted. */
    @Scheduled(fixedDelay = 250)
    public void tell() {
        for (RunningJob job : running) {
            if (!log.progress(job)) {
                job.giveUp();
            }
        }
    }

    @Scheduled(initialDelay = 60_000, fixedDelay = 3_600_000)
    public void tidy() {
        log.tidy();
    }

    /** The turn of a job, on one instance at a time. */
    @Configuration(proxyBeanMethods = false)
    static class Turn {
        @Bean
        OneTimeTask<Void> jobTask(ObjectProvider<JobRunner> runner) {
            return Tasks.oneTime(TASK)
                    .execute((instance, context) -> runner.getObject().run(Long.parseLong(instance.getId())));
        }
    }
}
