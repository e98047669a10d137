package dev.restis.app.shop;

import dev.restis.app.platform.Digests;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Problems.Stranger;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import java.security.SecureRandom;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
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

    private final JdbcClient jdbc;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    ShopFeeds(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<FeedView> all() {
        return jdbc.sql("""
                        select f.source, f.units, f.made_at,
                               (select max(d.arrived_at) from delivery d where d.source = f.source) as last_arrived
                        from shop_feed f order by lower(f.source)
                        """).query(FeedView.class).list();
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
        int made = jdbc.sql("""
                        insert into shop_feed (source, key_digest, units, made_at) values (?, ?, ?, ?)
                        on conflict (source) do nothing
                        """)
                .params(name, Digests.of(key), units.name(), Timestamp.from(clock.instant()))
                .update();
        if (made == 0) {
            throw new Rejected(Fault.of("source", "feed.there", name));
        }
    }

    /** The shop's key is not known any more; what it delivered stays. */
    @Transactional
    public void close(String source) {
        if (jdbc.sql("delete from shop_feed where source = ?").param(source).update() == 0) {
            throw new NotFound("notFound");
        }
    }

    /** The shop that a request's {@code Authorization} header names. */
    @Transactional(readOnly = true)
    public Feed of(@Nullable String authorization) {
        String start = "Bearer ";
        String key = authorization != null && authorization.startsWith(start)
                ? authorization.substring(start.length()).strip()
                : "";
        return jdbc.sql("select source, units from shop_feed where key_digest = ?")
                .param(Digests.of(key))
                .query(Feed.class)
                .optional()
                .orElseThrow(() -> new Stranger("feed.key"));
    }
}
