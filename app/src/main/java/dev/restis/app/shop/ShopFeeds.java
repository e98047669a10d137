package dev.restis.app.shop;

import dev.restis.app.platform.Digests;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Problems.Stranger;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import jakarta.persistence.EntityManager;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The shops that may deliver, each known by a key of its own. */
@Service
public class ShopFeeds {

    /**
     * A shop.
     *
     * @param source its name, which its orders carry
     * @param units what bare lengths in its deliveries are in
     * @param lastArrived when it delivered last
     */
    record FeedView(
            String source,
            UnitSystem units,
            Instant madeAt,
            @Nullable Instant lastArrived) {}

    /** A shop whose key was recognised. */
    record Feed(String source, UnitSystem units) {}

    private static final int LONGEST_SOURCE = 40;
    private static final int KEY_BYTES = 24;

    private final EntityManager entities;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    ShopFeeds(EntityManager entities, Clock clock) {
        this.entities = entities;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<FeedView> all() {
        return entities.createQuery("""
                        select f.source, f.units, f.madeAt,
                               (select max(d.arrivedAt) from DeliveryRow d where d.source = f.source)
                        from ShopFeedRow f order by lower(f.source)
                        """, FeedView.class).getResultList();
    }

    /** Lets a shop in; returns the key, which is told this once. */
    @Transactional
    public String open(String source, UnitSystem units) {
        byte[] bytes = new byte[KEY_BYTES];
        random.nextBytes(bytes);
        String key = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        open(source, units, key);
        return key;
    }

    /** Lets a shop in under a key that it has already. */
    @Transactional
    public void open(String source, UnitSystem units, String key) {
        List<Fault> faults = new ArrayList<>();
        String name = Texts.required(source, "source", LONGEST_SOURCE, faults);
        // Its name must not be that of an order's other origins, which are written in capitals.
        if (name.equals(name.toUpperCase(Locale.ROOT)) && faults.isEmpty()) {
            faults.add(Fault.of("source", "feed.capitals"));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        if (entities.find(ShopFeedRow.class, name) != null) {
            throw new Rejected(Fault.of("source", "feed.there", name));
        }
        entities.persist(new ShopFeedRow(name, Digests.of(key), units, clock.instant()));
    }

    /** The shop's key is not known any more; what it delivered stays. */
    @Transactional
    public void close(String source) {
        ShopFeedRow feed = entities.find(ShopFeedRow.class, source);
        if (feed == null) {
            throw new NotFound("notFound");
        }
        entities.remove(feed);
    }

    /** The shop that a request's {@code Authorization} header names. */
    @Transactional(readOnly = true)
    public Feed of(@Nullable String authorization) {
        String start = "Bearer ";
        String key = authorization != null && authorization.startsWith(start)
                ? authorization.substring(start.length()).strip()
                : "";
        return entities
                .createQuery("select f.source, f.units from ShopFeedRow f where f.keyDigest = :digest", Feed.class)
                .setParameter("digest", Digests.of(key))
                .getResultList()
                .stream()
                .findFirst()
                .orElseThrow(() -> new Stranger("feed.key"));
    }
}
