package dev.restis.app.patterns;

import dev.restis.app.measures.OwnStitches;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.stitch.OwnStitch;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.StitchRules;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Stitches of the workshop's own: with a path, or known by a swatch alone. Patterns carry their own copy. */
@Service
class StitchShelf {

    /**
     * A stitch of one's own.
     *
     * @param code without the prefix
     * @param stitch as patterns hold it
     */
    record OwnView(String name, String code, boolean path, Map<String, Object> stitch) {}

    /** A stitch with a path. */
    record Named(String name, Stitch stitch) {}

    private final JdbcClient jdbc;
    private final OwnStitches measured;
    private final Clock clock;

    StitchShelf(JdbcClient jdbc, OwnStitches measured, Clock clock) {
        this.jdbc = jdbc;
        this.measured = measured;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<OwnView> own() {
        List<OwnView> all = new ArrayList<>();
        measured.measured()
                .forEach(o -> all.add(new OwnView(
                        o.name(),
                        o.stitch().code(),
                        false,
                        PatternJson.tree(o.stitch().stitch()))));
        paths().forEach(named -> all.add(
                new OwnView(named.name(), OwnStitch.key(named.stitch()), true, PatternJson.tree(named.stitch()))));
        all.sort(Comparator.comparing(OwnView::name));
        return all;
    }

    @Transactional(readOnly = true)
    public List<Named> paths() {
        return jdbc.sql("select name, definition from own_stitch where definition is not null order by name")
                .query((row, n) -> new Named(row.getString(1), PatternJson.readPath(row.getString(2))))
                .list();
    }

    /** A key serves one stitch: another's path, or a swatch that somebody measured, is not written over. */
    private Optional<Fault> taken(String code, String name) {
        return jdbc.sql(
                        "select name from own_stitch where code = ? and (definition is null or lower(name) <> lower(?))")
                .params(code, name)
                .query(String.class)
                .optional()
                .map(other -> Fault.of("code", "stitch.taken", code, other));
    }

    /** Keeps a stitch with its path; the same key and name describe it anew, and patterns keep the copy they have. */
    @Transactional
    public String keep(String name, Stitch stitch) {
        List<Fault> faults = new ArrayList<>();
        String given = Texts.required(name, "name", 60, faults);
        faults.addAll(StitchRules.check(stitch));
        String code = OwnStitch.key(stitch);
        taken(code, given).ifPresent(faults::add);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        jdbc.sql("""
                        insert into own_stitch (code, name, definition, at, who) values (?, ?, ?, ?, ?)
                        on conflict (code) do update set name = excluded.name, definition = excluded.definition,
                            at = excluded.at, who = excluded.who
                        """)
                .params(code, given, PatternJson.writePath(stitch), Timestamp.from(clock.instant()), Workshop.whoever())
                .update();
        return code;
    }

    /** The stitch of one's own with that path, by its code with the prefix. */
    @Transactional(readOnly = true)
    public Optional<Named> find(String code) {
        return paths().stream().filter(n -> n.stitch().code().equals(code)).findFirst();
    }
}
