package dev.restis.app.workshop;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import java.util.Locale;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Slows down guessing: after too many wrong passwords a name rests for a while, on every instance. */
@Component
class SignInThrottle {

    private static final int MOST_FAILURES = 8;
    private static final int MINUTES = 5;

    private final JdbcClient jdbc;

    SignInThrottle(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    void check(String name) {
        long failures = jdbc.sql(
                        "select count(*) from sign_in_failure where name = ? and at > now() - make_interval(mins => ?)")
                .params(key(name), MINUTES)
                .query(Long.class)
                .single();
        if (failures >= MOST_FAILURES) {
            throw new Rejected(Fault.of("name", "signIn.rest", MINUTES));
        }
    }

    void failed(String name) {
        jdbc.sql("delete from sign_in_failure where at < now() - interval '1 day'")
                .update();
        jdbc.sql("insert into sign_in_failure (name) values (?)")
                .param(key(name))
                .update();
    }

    void succeeded(String name) {
        jdbc.sql("delete from sign_in_failure where name = ?").param(key(name)).update();
    }

    private static String key(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }
}
