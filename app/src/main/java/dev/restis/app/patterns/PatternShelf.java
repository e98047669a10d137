package dev.restis.app.patterns;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.pattern.PatternRules;
import dev.restis.core.pattern.Revision;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The patterns of the workshop, shipped and its own, with all their versions. A version never changes. */
@Service
public class PatternShelf {

    private static final java.util.regex.Pattern CODE = java.util.regex.Pattern.compile("[a-z0-9][a-z0-9-]{0,39}");

    /** Pages beside those of patterns have these addresses. */
    private static final Set<String> PAGES = Set.of("new", "read", "stitches");

    /** A version of a pattern. */
    public record Shelved(Pattern pattern, int version, boolean shipped) {}

    private record Row(String code, int version, boolean shipped, String definition) {}

    private record Key(String code, int version) {}

    private final JdbcClient jdbc;
    private final Clock clock;
    private final ApplicationEventPublisher events;
    private final Map<Key, Shelved> read = new ConcurrentHashMap<>();

    PatternShelf(ApplicationEventPublisher events, JdbcClient jdbc, Clock clock) {
        this.events = events;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * Puts shipped patterns on the shelf that are new, or say what none of their shipped versions said yet: an older release that
     * is started beside a newer one puts nothing back.
     */
    @EventListener(ApplicationStartedEvent.class)
    @Order(0)
    @Transactional
    public void putShipped() {
        jdbc.sql("lock table pattern_version in exclusive mode").update();
        Map<String, Shelved> there = all();
        for (Pattern pattern : PatternBook.all()) {
            Shelved last = there.get(pattern.code());
            if (last == null) {
                insert(pattern, 1, true, "restis", null);
            } else if (last.shipped() && isNew(pattern, last)) {
                insert(pattern, last.version() + 1, true, "restis", Revision.last(pattern.code()));
                if (!last.pattern().name().equals(pattern.name())) {
                    events.publishEvent(new PatternRenamed(pattern.code()));
                }
            }
        }
    }

    private boolean isNew(Pattern pattern, Shelved last) {
        return !last.pattern().equals(pattern)
                && versions(pattern.code()).stream()
                        .flatMap(version -> find(pattern.code(), version).stream())
                        .noneMatch(shelved -> shelved.pattern().equals(pattern));
    }

    /** The newest version of each pattern that is not withdrawn, shipped ones first in their order, then by name. */
    @Transactional(readOnly = true)
    public Map<String, Shelved> latest() {
        Map<String, Shelved> all = all();
        List<String> withdrawn = jdbc.sql("select code from pattern_withdrawn")
                .query(String.class)
                .list();
        withdrawn.forEach(all::remove);
        Map<String, Shelved> ordered = new LinkedHashMap<>();
        PatternBook.all().forEach(p -> {
            Shelved shelved = all.remove(p.code());
            if (shelved != null) {
                ordered.put(p.code(), shelved);
            }
        });
        all.values().stream()
                .sorted(java.util.Comparator.comparing(s -> s.pattern().name()))
                .forEach(s -> ordered.put(s.pattern().code(), s));
        return ordered;
    }

    private Map<String, Shelved> all() {
        Map<String, Shelved> all = new LinkedHashMap<>();
        // Versions that were read before are not read again: definitions are long, and never change.
        jdbc.sql("select code, max(version) as version from pattern_version group by code order by code")
                .query(Key.class)
                .list()
                .forEach(key -> find(key.code(), key.version()).ifPresent(found -> all.put(key.code(), found)));
        return all;
    }

    private Shelved parsed(Row row) {
        return read.computeIfAbsent(
                new Key(row.code(), row.version()),
                k -> new Shelved(PatternJson.read(row.definition()), row.version(), row.shipped()));
    }

    /** That version, also of a withdrawn pattern. */
    @Transactional(readOnly = true)
    public Optional<Shelved> find(String code, int version) {
        Shelved known = read.get(new Key(code, version));
        if (known != null) {
            return Optional.of(known);
        }
        return jdbc.sql("""
                        select code, version, shipped, definition::text as definition
                        from pattern_version where code = ? and version = ?
                        """).params(code, version).query(Row.class).optional().map(this::parsed);
    }

    @Transactional(readOnly = true)
    public List<Integer> versions(String code) {
        return jdbc.sql("select version from pattern_version where code = ? order by version desc")
                .param(code)
                .query(Integer.class)
                .list();
    }

    /** Everything that keeps a pattern from being kept. */
    static List<Fault> faults(Pattern pattern) {
        List<Fault> faults = new ArrayList<>(PatternRules.check(pattern));
        if (!CODE.matcher(pattern.code()).matches()) {
            faults.add(Fault.of("code", "pattern.code", pattern.code()));
        }
        if (PAGES.contains(pattern.code())) {
            faults.add(Fault.of("code", "pattern.taken", pattern.code()));
        }
        if (pattern.name().isBlank() || pattern.name().length() > 80) {
            faults.add(Fault.of("name", pattern.name().isBlank() ? "missing" : "tooLong", 80));
        }
        return faults;
    }

    /**
     * Keeps a pattern as its next version.
     *
     * @param before the version it was edited from; 0 for a new pattern
     */
    @Transactional
    public int keep(Pattern pattern, int before) {
        List<Fault> faults = faults(pattern);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        jdbc.sql("lock table pattern_version in exclusive mode").update();
        int last = versions(pattern.code()).stream().findFirst().orElse(0);
        if (before == 0 && last > 0) {
            throw new Rejected(Fault.of("code", "pattern.taken", pattern.code()));
        }
        if (before != last) {
            throw new Conflict("pattern.changed");
        }
        if (last > 0 && find(pattern.code(), last).orElseThrow().shipped()) {
            throw new Rejected(Fault.of("code", "pattern.shipped", pattern.code()));
        }
        boolean renamed = last > 0
                && !find(pattern.code(), last).orElseThrow().pattern().name().equals(pattern.name());
        insert(pattern, last + 1, false, Workshop.whoever(), null);
        if (renamed) {
            events.publishEvent(new PatternRenamed(pattern.code()));
        }
        jdbc.sql("delete from pattern_withdrawn where code = ?")
                .param(pattern.code())
                .update();
        return last + 1;
    }

    /** Takes a pattern out of the book; orders that use it keep it. */
    @Transactional
    public void withdraw(String code) {
        boolean shipped = jdbc.sql("select bool_or(shipped) from pattern_version where code = ?")
                .param(code)
                .query(Boolean.class)
                .optional()
                .orElseThrow(() -> new NotFound("notFound"));
        if (shipped) {
            throw new Conflict("pattern.shipped");
        }
        jdbc.sql("insert into pattern_withdrawn (code, at, who) values (?, ?, ?) on conflict do nothing")
                .params(code, Timestamp.from(clock.instant()), Workshop.whoever())
                .update();
    }

    @Transactional
    public void bringBack(String code) {
        jdbc.sql("delete from pattern_withdrawn where code = ?").param(code).update();
    }

    private void insert(Pattern pattern, int version, boolean shipped, String who, @Nullable Revision why) {
        jdbc.sql("""
                        insert into pattern_version (code, version, name, shipped, definition, created_at, created_by, why)
                        values (?, ?, ?, ?, ?::jsonb, ?, ?, nullif(?, ''))
                        """)
                .params(
                        pattern.code(),
                        version,
                        pattern.name(),
                        shipped,
                        PatternJson.write(pattern),
                        Timestamp.from(clock.instant()),
                        who,
                        Optional.ofNullable(why).map(Revision::name).orElse(""))
                .update();
    }
}
