package dev.restis.app.workshop;

import dev.restis.core.work.WorkSteps;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Coming in and going out. */
@RestController
@RequestMapping("/api")
class SessionController {

    /**
     * Who is signed in, and what the front end must know before anyone is.
     *
     * @param version of the front end that belongs to this server; it differs from release to release
     */
    record SessionView(
            String version,
            boolean needsOwner,
            boolean demo,
            String workshop,
            String currency,
            String zone,
            @Nullable String name,
            @Nullable Role role,
            @Nullable Habits habits) {}

    /** @param zone of whoever sets the house up */
    record SetUp(String workshop, String name, String password, String zone) {}

    record SignIn(String name, String password) {}

    record NewPerson(String name, String password, Role role) {}

    private final Workshop workshop;
    private final Household household;
    private final AuthenticationManager manager;
    private final SecurityContextRepository sessions;
    private final SignInThrottle throttle;
    private final String version = Build.version();
    private final boolean demo;
    private final SettingRevisions revisions;
    private final CsrfTokenRepository tokens;
    private final Ways ways;

    SessionController(
            Workshop workshop,
            Household household,
            AuthenticationManager manager,
            SecurityContextRepository sessions,
            SignInThrottle throttle,
            SettingRevisions revisions,
            CsrfTokenRepository tokens,
            Ways ways,
            @Value("${restis.demo}") boolean demo) {
        this.workshop = workshop;
        this.household = household;
        this.manager = manager;
        this.sessions = sessions;
        this.throttle = throttle;
        this.demo = demo;
        this.revisions = revisions;
        this.tokens = tokens;
        this.ways = ways;
    }

    @GetMapping("/session")
    SessionView session(@Nullable Authentication who) {
        Workshop.Settings settings = workshop.settings();
        return new SessionView(
                version,
                workshop.needsOwner(),
                demo,
                settings.name(),
                settings.currency(),
                settings.zone(),
                who == null ? null : who.getName(),
                who == null ? null : roleOf(who),
                who == null ? null : household.habits().orElse(null));
    }

    @PostMapping("/setup")
    SessionView setUp(@RequestBody SetUp body, HttpServletRequest request, HttpServletResponse response) {
        workshop.setUp(body.workshop(), body.name(), body.password(), body.zone());
        return signIn(new SignIn(body.name(), body.password()), request, response);
    }

    @PostMapping("/sign-in")
    SessionView signIn(@RequestBody SignIn body, HttpServletRequest request, HttpServletResponse response) {
        String address = String.valueOf(request.getRemoteAddr());
        throttle.tried(body.name(), address);
        Authentication who = manager.authenticate(
                UsernamePasswordAuthenticationToken.unauthenticated(body.name().strip(), body.password()));
        throttle.right(body.name(), address);
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        // Whoever knew the token of before knows nothing of this session's.
        tokens.saveToken(tokens.generateToken(request), request, response);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(who);
        SecurityContextHolder.setContext(context);
        sessions.saveContext(context, request, response);
        return session(who);
    }

    @GetMapping("/people")
    List<Workshop.PersonView> people() {
        return workshop.people();
    }

    @PostMapping("/people")
    @ResponseStatus(HttpStatus.CREATED)
    void addPerson(@RequestBody NewPerson body) {
        workshop.addPerson(body.name(), body.password(), body.role());
    }

    record NewRole(Role role) {}

    record NewPassword(String password) {}

    record OwnPassword(String before, String password) {}

    @PutMapping("/people/{id}/role")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void role(@PathVariable long id, @RequestBody NewRole body) {
        household.role(id, body.role());
    }

    @PutMapping("/people/{id}/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void password(@PathVariable long id, @RequestBody NewPassword body) {
        household.password(id, body.password());
    }

    /** Ends somebody's access at once. */
    @PostMapping("/people/{id}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable long id) {
        household.end(id);
    }

    @PostMapping("/people/{id}/back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void back(@PathVariable long id) {
        household.back(id);
    }

    /** Changes one's own password; whoever is signed in with the old one comes in anew, this browser too. */
    @PutMapping("/session/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ownPassword(@RequestBody OwnPassword body) {
        household.ownPassword(body.before(), body.password());
    }

    @PutMapping("/session/habits")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void habits(@RequestBody Habits body) {
        household.keep(body);
    }

    /** Which steps a piece goes through before it is sent. */
    record WorkStepsView(boolean checks, boolean packs, int revision) {}

    record BenchRulesView(boolean gatesRemind, boolean timer, int revision) {}

    @GetMapping("/bench-rules")
    BenchRulesView benchRules() {
        Workshop.BenchRules rules = workshop.bench();
        return new BenchRulesView(rules.gatesRemind(), rules.timer(), revisions.of(Setting.BENCH));
    }

    @PutMapping("/bench-rules")
    Revised keepBenchRules(@RequestBody BenchRulesView body) {
        return new Revised(
                workshop.keepBench(new Workshop.BenchRules(body.gatesRemind(), body.timer()), body.revision()));
    }

    @GetMapping("/work-steps")
    WorkStepsView workSteps() {
        WorkSteps steps = workshop.steps();
        return new WorkStepsView(steps.checks(), steps.packs(), revisions.of(Setting.WORK_STEPS));
    }

    @PutMapping("/work-steps")
    Revised keepWorkSteps(@RequestBody WorkStepsView body) {
        return new Revised(workshop.keepSteps(new WorkSteps(body.checks(), body.packs()), body.revision()));
    }

    @GetMapping("/house")
    Workshop.House house() {
        return workshop.house();
    }

    @PutMapping("/house")
    Revised keepHouse(@RequestBody Workshop.House body) {
        return new Revised(workshop.keepHouse(body));
    }

    /** @param revision of what is changed */
    record WaysView(List<Ways.Way> ways, int revision) {}

    @GetMapping("/ways")
    WaysView ways() {
        return new WaysView(ways.all(), revisions.of(Setting.WAYS));
    }

    @PutMapping("/ways")
    Revised keepWays(@RequestBody WaysView body) {
        return new Revised(ways.keep(body.ways(), body.revision()));
    }

    private static Role roleOf(Authentication who) {
        boolean owner = who.getAuthorities().stream().anyMatch(a -> "ROLE_OWNER".equals(a.getAuthority()));
        return owner ? Role.OWNER : Role.MAKER;
    }
}
