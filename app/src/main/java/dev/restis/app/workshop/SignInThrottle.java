package dev.restis.app.workshop;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Slows down guessing, on every instance. Wrong passwords count by name and address together and by address alone, each from the
 * first of them on for a while. Every try counts as wrong until it turns out right, and what is counted is held until it is judged, so
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

    private final EntityManager entities;

    SignInThrottle(EntityManager entities) {
        this.entities = entities;
    }

    /**
     * Counts a try.
     *
     * @throws Rejected when there were too many, whether this one is right or not
     */
    @Transactional(noRollbackFor = Rejected.class)
    public void tried(String name, String address) {
        entities.createQuery("""
                        insert into SignInGuess as g (key, tries, since) values (:address, 1, instant), (:name, 1, instant)
                        on conflict (key) do update set
                            tries = case when g.since < instant - %1$d minute then 1 else g.tries + 1 end,
                            since = case when g.since < instant - %1$d minute then instant else g.since end
                        """.formatted(MINUTES))
                .setParameter("address", key(address))
                .setParameter("name", key(name, address))
                .executeUpdate();
        Map<String, Integer> counts = entities
                .createQuery("select g.key, g.tries from SignInGuess g where g.key in :keys", Tuple.class)
                .setParameter("keys", List.of(key(address), key(name, address)))
                .getResultList()
                .stream()
                .collect(Collectors.toMap(row -> row.get(0, String.class), row -> row.get(1, Integer.class)));
        if (counts.getOrDefault(key(address), 0) > MOST_OF_ADDRESS
                || counts.getOrDefault(key(name, address), 0) > MOST_OF_NAME) {
            throw new Rejected(Fault.of("name", "signIn.rest", MINUTES));
        }
    }

    /** It was right: it counts no more, and what was wrong before it of the same name and address is forgotten. */
    @Transactional
    public void right(String name, String address) {
        entities.createQuery("update SignInGuess g set g.tries = g.tries - 1 where g.key = :address and g.tries > 0")
                .setParameter("address", key(address))
                .executeUpdate();
        entities.createQuery("delete from SignInGuess g where g.key = :name or g.since < instant - 1 day")
                .setParameter("name", key(name, address))
                .executeUpdate();
    }

    private static String key(String address) {
        return "a " + address;
    }

    private static String key(String name, String address) {
        String given = name.strip().toLowerCase(Locale.ROOT).replace('\0', ' ');
        return "n " + address + " " + given.substring(0, Math.min(LONGEST_NAME, given.length()));
    }
}
