package dev.restis.app.measures;

import dev.restis.app.learning.Expectations;
import dev.restis.app.learning.Source;
import dev.restis.app.learning.Subject;
import dev.restis.core.cord.Material;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;

/** What geometry expects of swatches. */
@Service
class ExpectedOfSwatches implements Expectations {

    private final Measures measures;
    private final Materials materials;

    ExpectedOfSwatches(Measures measures, Materials materials) {
        this.measures = measures;
        this.materials = materials;
    }

    @Override
    public Set<Source> sources() {
        return Set.of(Source.SWATCH);
    }

    @Override
    public Map<Long, Reckoned> of(Collection<Question> asked) {
        Map<String, Material> book = materials.book();
        Map<Long, SwatchRow> rows = new HashMap<>();
        measures.rows().forEach(row -> rows.put(row.id(), row));
        Map<Long, Reckoned> known = new HashMap<>();
        for (Question question : asked) {
            question.sources().stream()
                    .map(rows::get)
                    .filter(java.util.Objects::nonNull)
                    .flatMap(row -> row.swatch(book).stream())
                    .findFirst()
                    .map(s -> question.subject() == Subject.CORD ? s.cord() : s.pitch())
                    .ifPresent(use -> known.put(question.observation(), new Reckoned(use, 0)));
        }
        return known;
    }
}
