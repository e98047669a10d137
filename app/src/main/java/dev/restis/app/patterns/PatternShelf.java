package dev.restis.app.patterns;

import dev.restis.app.patterns.PatternVersionRow.Key;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.pattern.PatternRules;
import dev.restis.core.pattern.Revision;
import jakarta.persistence.EntityManager;
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

    private final EntityManager entities;
    private final PatternSql sql;
    private final Clock clock;
    private final ApplicationEventPublisher events;
    private final Map<Key, Shelved> read = new ConcurrentHashMap<>();

    PatternShelf(ApplicationEventPublisher events, EntityManager entities, PatternSql sql, Clock clock) {
        this.events = events;
        this.entities = entities;
        this.sql = sql;
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
        sql.lockVersions();
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
        entities.createQuery("select w.code from PatternWithdrawn w", String.class).getResultList().stream()
                .forEach(all::remove);
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
        entities.createQuery(
                        "select v.code, max(v.version) from PatternVersionRow v group by v.code order by v.code",
                        Key.class)
                .getResultList()
                .forEach(key -> find(key.code(), key.version()).ifPresent(found -> all.put(key.code(), found)));
        return all;
    }

    /** That version, also of a withdrawn pattern. */
    @Transactional(readOnly = true)
    public Optional<Shelved> find(String code, int version) {
        Key key = new Key(code, version);
        Shelved known = read.get(key);
        if (known != null) {
            return Optional.of(known);
        }
        return Optional.ofNullable(entities.find(PatternVersionRow.class, key))
                .map(row -> read.computeIfAbsent(
                        key, k -> new Shelved(PatternJson.read(row.definition()), version, row.shipped())));
    }

    @Transactional(readOnly = true)
    public List<Integer> versions(String code) {
        return entities.createQuery(
                        "select v.version from PatternVersionRow v where v.code = :code order by v.version desc",
                        Integer.class)
                .setParameter("code", code)
                .getResultList();
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
        sql.lockVersions();
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
        bringBack(pattern.code());
        return last + 1;
    }

    /** Takes a pattern out of the book; orders that use it keep it. */
    @Transactional
    public void withdraw(String code) {
        List<Boolean> shipped = entities.createQuery(
                        "select v.shipped from PatternVersionRow v where v.code = :code", Boolean.class)
                .setParameter("code", code)
                .getResultList();
        if (shipped.isEmpty()) {
            throw new NotFound("notFound");
        }
        if (shipped.contains(true)) {
            throw new Conflict("pattern.shipped");
        }
        if (entities.find(PatternWithdrawn.class, code) == null) {
            entities.persist(new PatternWithdrawn(code, clock.instant(), Workshop.whoever()));
        }
    }

    @Transactional
    public void bringBack(String code) {
        Optional.ofNullable(entities.find(PatternWithdrawn.class, code)).ifPresent(entities::remove);
    }

    private void insert(Pattern pattern, int version, boolean shipped, String who, @Nullable Revision why) {
        entities.persist(new PatternVersionRow(pattern, version, shipped, clock.instant(), who, why));
    }
}
