package dev.restis.app.platform.jobs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.ArgumentMatchers.isNull;
import static org.mockito.Mockito.lenient;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.springframework.beans.factory.ObjectProvider;

/** What becomes of a job: done, failed with its reason in codes, or stopped. */
@ExtendWith(MockitoExtension.class)
class JobRunnerTest {

    private static final RunningJob JOB =
            new RunningJob(7, new Job.Order("dig", "garden", 3, "{}", new byte[0], "Bram"));

    @Mock
    private JobLog log;

    @Mock
    private ObjectProvider<Work> works;

    private Function<RunningJob, String> dig = job -> "{}";

    @BeforeEach
    void oneKindOfWork() {
        Work work = new Work() {
            @Override
            public String kind() {
                return "dig";
            }

            @Override
            public String work(RunningJob job) {
                return dig.apply(job);
            }
        };
        lenient().when(works.stream()).thenAnswer(call -> Stream.of(work));
        lenient().when(log.begin(anyLong())).thenReturn(Optional.of(JOB));
    }

    private void run() {
        new JobRunner(log, works).run(7);
    }

    @Test
    void isDoneInTheNameOfWhoeverAskedForIt() {
        dig = job -> "{\"by\": \"" + Workshop.whoever() + "\", \"revision\": " + job.revision() + "}";
        run();
        verify(log).end(7, JobState.DONE, "{\"by\": \"Bram\", \"revision\": 3}", null);
        assertThat(Workshop.whoever()).as("nobody is signed in afterwards").isEqualTo("restis");
    }

    @Test
    void whatEndedAlreadyIsNotDoneAgain() {
        when(log.begin(7)).thenReturn(Optional.empty());
        run();
        verify(log, never()).end(anyLong(), any(), any(), any());
    }

    @Test
    void failsWithItsReasonInCodesAndFigures() {
        dig = job -> {
            throw new Rejected(Fault.of("rows", "wrist.range", Length.ofMillimetres(120), 3, "wide"));
        };
        run();
        verify(log).end(eq(7L), eq(JobState.FAILED), isNull(), argThat(problem -> {
            KeptProblem kept = KeptProblem.read(problem);
            return kept.status() == 422
                    && kept.faults()
                            .equals(List.of(Fault.of("rows", "wrist.range", Length.ofMillimetres(120), 3L, "wide")));
        }));
    }

    @Test
    void tellsOfAConflictAndKeepsQuietAboutABug() {
        dig = job -> {
            throw new Conflict("import.busy", 4);
        };
        run();
        verify(log)
                .end(
                        eq(7L),
                        eq(JobState.FAILED),
                        isNull(),
                        argThat(p -> p.contains("\"import.busy\"") && p.contains("409")));
        dig = job -> {
            throw new IllegalStateException("secret");
        };
        run();
        verify(log)
                .end(
                        eq(7L),
                        eq(JobState.FAILED),
                        isNull(),
                        argThat(p -> p.contains("\"unexpected\"") && !p.contains("secret")));
    }

    @Test
    void hearsThatNobodyWantsItAnyMore() {
        when(log.progress(JOB)).thenReturn(false);
        JobRunner runner = new JobRunner(log, works);
        dig = job -> {
            job.progress(1, 10);
            runner.tell();
            job.progress(2, 10);
            throw new AssertionError("went on");
        };
        runner.run(7);
        verify(log).end(7, JobState.STOPPED, null, null);
    }
}
