package dev.restis.app.workplan;

import dev.restis.app.platform.Digests;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.SignInThrottle;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import jakarta.persistence.EntityManager;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Secret addresses for calendars: each is shown once, and withdrawn at once. */
@Service
class PlanFeeds {

    private static final int SECRET_BYTES = 16;
    private static final int MOST = 50;
    private static final String GUESSED = "calendar";

    /** @param person whose days; nothing for everybody's */
    record PlanFeedView(long id, @Nullable Long person, Instant madeAt, String madeBy) {}

    /** @param path where it is read; it is not shown again */
    record NewPlanFeed(long id, String path) {}

    /** @param person whose days; nothing for everybody's */
    record Feed(Optional<Long> person) {}

    private final EntityManager entities;
    private final SignInThrottle throttle;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    PlanFeeds(EntityManager entities, SignInThrottle throttle, Clock clock) {
        this.entities = entities;
        this.throttle = throttle;
        this.clock = clock;
    }

    /** Those that are not withdrawn, the newest first. */
    @Transactional(readOnly = true)
    public List<PlanFeedView> all() {
        return entities.createQuery(
                        "select f from PlanFeedRow f where f.withdrawnAt is null order by f.id desc", PlanFeedRow.class)
                .setMaxResults(MOST)
                .getResultStream()
                .map(f -> new PlanFeedView(f.id(), f.person(), f.madeAt(), f.madeBy()))
                .toList();
    }

    /** @param person whose days; nothing for everybody's */
    @Transactional
    public NewPlanFeed make(@Nullable Long person) {
        if (all().size() >= MOST) {
            throw new Rejected(Fault.of("person", "plan.manyFeeds", MOST));
        }
        byte[] bytes = new byte[SECRET_BYTES];
        random.nextBytes(bytes);
        String secret = HexFormat.of().formatHex(bytes);
        PlanFeedRow row = new PlanFeedRow(person, Digests.of(secret), clock.instant(), Workshop.whoever());
        entities.persist(row);
        entities.flush();
        return new NewPlanFeed(row.id(), "/api/feeds/" + secret + "/plan.ics");
    }

    /** Nobody reads it any more. Makers withdraw what they made themselves. */
    @Transactional
    public void withdraw(long id) {
        PlanFeedRow row = Optional.ofNullable(entities.find(PlanFeedRow.class, id))
                .filter(f -> !f.withdrawn())
                .orElseThrow(() -> new NotFound("notFound"));
        Workshop.mayTakeBack(row.madeBy());
        row.withdraw(clock.instant());
    }

    /**
     * Whose days an address shows.
     *
     * @throws Rejected when too many wrong ones were tried from there
     * @throws NotFound when it is none, or withdrawn
     */
    @Transactional(noRollbackFor = {Rejected.class, NotFound.class})
    public Feed open(String secret, String address) {
        throttle.tried(GUESSED, address);
        Feed feed = entities.createQuery(
                        "select f from PlanFeedRow f where f.secretHash = :hash and f.withdrawnAt is null",
                        PlanFeedRow.class)
                .setParameter("hash", Digests.of(secret))
                .getResultStream()
                .findFirst()
                .map(f -> new Feed(Optional.ofNullable(f.person())))
                .orElseThrow(() -> new NotFound("notFound"));
        throttle.right(GUESSED, address);
        return feed;
    }
}
