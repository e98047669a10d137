package dev.restis.app.learning;

import dev.restis.app.learning.Heard.About;
import dev.restis.core.learning.Use;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What geometry expects of what was measured; asked of those who keep it. */
public interface Expectations {

    /**
     * Something measured whose expectation is not known.
     *
     * @param observation its row
     */
    record Question(
            long observation,
            Subject subject,
            List<Long> sources,
            @Nullable Long piece,
            String maker,
            About about) {}

    /** @param geometryUm how long its strands would be cut by geometry alone */
    record Reckoned(Use use, long geometryUm) {}

    /** The sources that it answers for. */
    Set<Source> sources();

    /**
     * By observation; whatever cannot be worked out any more is missing, and is not learned from.
     *
     * @param asked of its sources
     */
    Map<Long, Reckoned> of(Collection<Question> asked);
}
