package dev.restis.app.patterns;

import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Revision;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
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
    private final JdbcClient jdbc;

    PatternHistory(PatternShelf shelf, JdbcClient jdbc) {
        this.shelf = shelf;
        this.jdbc = jdbc;
    }

    /** The newest versions before one, the newest first. */
    @Transactional(readOnly = true)
    public VersionPage of(String code, @Nullable Integer before) {
        record Row(
                int version,
                Instant at,
                String who,
                boolean shipped,
                @Nullable String why) {}
        List<Row> rows = jdbc.sql("""
                        select version, created_at as at, created_by as who, shipped, why from pattern_version
                        where code = ? and version < ? order by version desc limit ?
                        """)
                .params(code, before == null ? Integer.MAX_VALUE : before, PAGE)
                .query(Row.class)
                .list();
        List<VersionView> versions = new ArrayList<>();
        for (Row row : rows) {
            versions.add(new VersionView(
                    row.version(),
                    row.at(),
                    row.who(),
                    row.shipped(),
                    Optional.ofNullable(row.why()).flatMap(Revision::named).orElse(null),
                    changed(code, row.version())));
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
