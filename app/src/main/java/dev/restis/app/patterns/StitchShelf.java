package dev.restis.app.patterns;

import dev.restis.app.measures.OwnStitches;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.stitch.OwnStitch;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.StitchRules;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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

    private final OwnStitches kept;

    StitchShelf(OwnStitches kept) {
        this.kept = kept;
    }

    @Transactional(readOnly = true)
    public List<OwnView> own() {
        List<OwnView> all = new ArrayList<>();
        kept.measured()
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
        return kept.paths().stream()
                .map(path -> new Named(path.name(), PatternJson.readPath(path.definition())))
                .toList();
    }

    /** Keeps a stitch with its path; the same key and name describe it anew, and patterns keep the copy they have. */
    @Transactional
    public String keep(String name, Stitch stitch) {
        List<Fault> faults = new ArrayList<>();
        String given = Texts.required(name, "name", 60, faults);
        faults.addAll(StitchRules.check(stitch));
        String code = OwnStitch.key(stitch);
        kept.taken(code, given).ifPresent(faults::add);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        kept.keepPath(code, new OwnStitches.PathStitch(given, PatternJson.writePath(stitch)));
        return code;
    }

    /** The stitch of one's own with that path, by its code with the prefix. */
    @Transactional(readOnly = true)
    public Optional<Named> find(String code) {
        return paths().stream().filter(n -> n.stitch().code().equals(code)).findFirst();
    }
}
