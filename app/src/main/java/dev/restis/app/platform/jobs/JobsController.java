package dev.restis.app.platform.jobs;

import dev.restis.app.platform.FaultWords;
import dev.restis.app.platform.FieldProblem;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.Authentication;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** How long work stands that was asked for. */
@RestController
@RequestMapping("/api/jobs")
class JobsController {

    /** Why it failed. */
    record JobProblem(int status, String code, String title, String detail, List<FieldProblem> fields) {}

    /**
     * A job.
     *
     * @param done steps of {@code whole}; 0 of 0 where it cannot say
     * @param result what came of it, in the form of its kind
     */
    record JobView(
            long id,
            JobState state,
            int done,
            int whole,
            @Nullable Object result,
            @Nullable JobProblem problem) {}

    private final Jobs jobs;
    private final FaultWords words;
    private final JsonMapper json = JsonMapper.builder().build();

    JobsController(Jobs jobs, FaultWords words) {
        this.jobs = jobs;
        this.words = words;
    }

    @GetMapping("/{id}")
    @Transactional(readOnly = true)
    public JobView job(@PathVariable long id, Authentication who) {
        Job job = jobs.find(id);
        mine(job, who);
        String result = job.result();
        String problem = job.problem();
        return new JobView(
                job.id(),
                job.state(),
                job.done(),
                job.whole(),
                result == null ? null : json.readValue(result, Object.class),
                problem == null ? null : told(KeptProblem.read(problem)));
    }

    /** Nobody wants it any more. */
    @PostMapping("/{id}/stop")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    public void stop(@PathVariable long id, Authentication who) {
        Job job = jobs.find(id);
        mine(job, who);
        job.giveUp();
    }

    /** Whoever asked for it, and owners, look after it. */
    private static void mine(Job job, Authentication who) {
        boolean owner = who.getAuthorities().stream().anyMatch(a -> "ROLE_OWNER".equals(a.getAuthority()));
        if (!owner && !job.askedBy().equals(who.getName())) {
            throw new AccessDeniedException("asked for by " + job.askedBy());
        }
    }

    private JobProblem told(KeptProblem problem) {
        Object[] args = problem.args().toArray();
        return new JobProblem(
                problem.status(),
                problem.code(),
                words.text("problem." + problem.code(), args),
                words.text("problem." + problem.code() + ".detail", args),
                words.of(problem.faults()));
    }
}
