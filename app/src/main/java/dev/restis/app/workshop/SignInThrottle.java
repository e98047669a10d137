package dev.restis.app.workshop;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Slows down guessing, on every instance. Wrong passwords count by name and address together and by address alone, each from the
 * first of them on for a while. Every try counts as wrong until it turns out right, and counting and judging is one statement, so
 * that many at once are no way around it.
 */
@Component
public class SignInThrottle {

    /** Wrong passwords for one name from one address. */
    static final int MOST_OF_NAME = 8;
    /** Wrong passwords from one address, whatever the names. */
    static final int MOST_OF_ADDRESS = 40;

    static final int MINUTES = 5;
    private static final int LONGEST_NAME = 60;

    private final JdbcClient jdbc;

    SignInThrottle(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Counts a try.
     *
     * @throws Rejected when there were too many, whether this one is right or not
     */
    @Transactional(noRollbackFor = Rejected.class)
    public void tried(String name, String address) {
        Map<String, Integer> counts = new HashMap<>();
        jdbc.sql("""
                        insert into sign_in_guess as g (key, count, since) values (:address, 1, now()), (:name, 1, now())
                        on conflict (key) do update set
                            count = case when g.since < now() - make_interval(mins => :minutes) then 1 else g.count + 1 end,
                            since = case when g.since < now() - make_interval(mins => :minutes) then now() else g.since end
                        returning key, count
                        """)
                .param("address", key(address))
                .param("name", key(name, address))
                .param("minutes", MINUTES)
                .query(row -> {
                    counts.put(row.getString(1), row.getInt(2));
                });
        if (counts.getOrDefault(key(address), 0) > MOST_OF_ADDRESS
                || counts.getOrDefault(key(name, address), 0) > MOST_OF_NAME) {
            throw new Rejected(Fault.of("name", "signIn.rest", MINUTES));
        }
    }

    /** It was right: it counts no more, and what was wrong before it of the same name and address is forgotten. */
    @Transactional
    public void right(String name, String address) {
        jdbc.sql("update sign_in_guess set count = greatest(0, count - 1) where key = ?")
                .param(key(address))
                .update();
        jdbc.sql("delete from sign_in_guess where key = ? or since < now() - interval '1 day'")
                .param(key(name, address))
                .update();
    }

    private static String key(String address) {
        return "a " + address;
    }

    private static String key(String name, String address) {
        String given = name.strip().toLowerCase(Locale.ROOT).replace('\0', ' ');
        return "n " + address + " " + given.substring(0, Math.min(LONGEST_NAME, given.length()));
    }
}
