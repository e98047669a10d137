package dev.restis.app.patterns;

import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Revision;
import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How a pattern came to be what it is: its versions, what each changed, and why. */
@Service
class PatternHistory {

    private static final int PAGE = 20;

    /** What differs between two versions. */
    enum Changed {
        NAME,
        KIND,
        CORDS,
        PARTS,
        STRANDS,
        SECTIONS,
        LENGTH
    }

    /**
     * A version of a pattern.
     *
     * @param why of a shipped pattern, where it says so
     * @param changed against the version before; nothing for the first
     */
    record VersionView(
            int version,
            Instant at,
            String who,
            boolean shipped,
            @Nullable Revision why,
            List<Changed> changed) {}

    /** @param next what to ask for the versions before these; nothing when there are none */
    record VersionPage(List<VersionView> rows, @Nullable Integer next) {}

    private final PatternShelf shelf;
    private final EntityManager entities;

    PatternHistory(PatternShelf shelf, EntityManager entities) {
        this.shelf = shelf;
        this.entities = entities;
    }

    /** The newest versions before one, the newest first. */
    @Transactional(readOnly = true)
    public VersionPage of(String code, @Nullable Integer before) {
        record Row(
                int version,
                Instant at,
                String who,
                boolean shipped,
                @Nullable Revision why) {}
        List<Row> rows = entities.createQuery("""
                        select v.version, v.createdAt, v.createdBy, v.shipped, v.why from PatternVersionRow v
                        where v.code = :code and v.version < :before order by v.version desc
                        """, Row.class)
                .setParameter("code", code)
                .setParameter("before", before == null ? Integer.MAX_VALUE : before)
                .setMaxResults(PAGE)
                .getResultList();
        List<VersionView> versions = new ArrayList<>();
        for (Row row : rows) {
            versions.add(new VersionView(
                    row.version(), row.at(), row.who(), row.shipped(), row.why(), changed(code, row.version())));
        }
        int last = rows.isEmpty() ? 1 : rows.get(rows.size() - 1).version();
        return new VersionPage(versions, last > 1 ? last : null);
    }

    private List<Changed> changed(String code, int version) {
        Optional<PatternShelf.Shelved> now = shelf.find(code, version);
        Optional<PatternShelf.Shelved> then = version > 1 ? shelf.find(code, version - 1) : Optional.empty();
        return now.isPresent() && then.isPresent()
                ? changed(then.get().pattern(), now.get().pattern())
                : List.of();
    }

    private static List<Changed> changed(Pattern then, Pattern now) {
        List<Changed> changed = new ArrayList<>();
        differ(changed, Changed.NAME, then.name(), now.name());
        differ(changed, Changed.KIND, then.kind(), now.kind());
        differ(changed, Changed.CORDS, then.cords(), now.cords());
        differ(changed, Changed.PARTS, then.hardware(), now.hardware());
        differ(changed, Changed.STRANDS, then.roles(), now.roles());
        differ(changed, Changed.SECTIONS, then.sections(), now.sections());
        differ(changed, Changed.LENGTH, then.usualLength(), now.usualLength());
        return changed;
    }

    private static void differ(List<Changed> changed, Changed what, Object then, Object now) {
        if (!then.equals(now)) {
            changed.add(what);
        }
    }
}
