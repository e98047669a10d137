package dev.restis.app.bench;

import dev.restis.app.platform.PaperLength;
import dev.restis.core.make.CardStep;
import dev.restis.core.make.Doing;
import dev.restis.core.make.Gate;
import dev.restis.core.make.WorkCard;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The sentences of cards, from the message files that the page has them from. */
@Component
class CardWords {

    private static final List<String> FILES = List.of("make", "piece", "terms");

    private final Map<String, String> words = new HashMap<>();

    CardWords() {
        JsonMapper mapper = JsonMapper.builder().build();
        for (String file : FILES) {
            try (InputStream in =
                    Objects.requireNonNull(CardWords.class.getResourceAsStream("/words/en/" + file + ".json"), file)) {
                words.putAll(mapper.readValue(in, new TypeReference<Map<String, String>>() {}));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Which sentence says a step. */
    static String key(WorkCard card, CardStep step) {
        if (step.gate().isPresent()) {
            boolean fixed = step.gate().get() == Gate.TRIED_ON
                    && card.inspection().open().isEmpty();
            return "make.gate." + step.gate().get() + (fixed ? ".fixed" : "");
        }
        boolean more = step.doing() == Doing.TIE && step.part().isPresent();
        boolean wraps = step.doing() == Doing.KNOT && step.count() > 1;
        boolean child = step.doing() == Doing.BAG_KIT && step.count() > 0;
        return "make.do." + step.doing() + (more ? ".beads" : wraps ? ".wraps" : child ? ".child" : "");
    }

    /** A step in a sentence. */
    String sentence(WorkCard card, CardStep step) {
        String part = step.part().map(p -> lower(partName(p.slot()))).orElse("");
        boolean countsParts = step.doing() == Doing.THREAD
                || step.doing() == Doing.COUNT_KIT
                || step.gate().filter(g -> g == Gate.PARTS_ON).isPresent();
        int parts = step.part().map(CardStep.PartUse::count).orElse(0);
        Map<String, String> values = new HashMap<>();
        values.put("strands", letters(card, step.strands()));
        values.put("part", part);
        values.put("onto", part.isEmpty() ? word("make.onto.strands") : filled("make.onto.part", Map.of("part", part)));
        values.put("count", String.valueOf(countsParts ? parts : step.count()));
        values.put("beads", String.valueOf(parts));
        values.put("size", PaperLength.both(step.size().micrometres()));
        values.put("stitch", step.stitch().map(s -> word("stitch." + s)).orElse(""));
        values.put("knot", step.knot().map(k -> word("make.knot." + k)).orElse(""));
        step.repeats().ifPresent(r -> {
            values.put("first", String.valueOf(r.first()));
            values.put("last", String.valueOf(r.last()));
            values.put("of", String.valueOf(r.of()));
        });
        return filled(key(card, step), values);
    }

    String partName(String slot) {
        return words.getOrDefault("part." + slot, slot);
    }

    String roleName(String role) {
        return words.getOrDefault("role." + role, role);
    }

    /** A message; one that is missing shows its key. */
    String word(String key) {
        return words.getOrDefault(key, key);
    }

    String filled(String key, Map<String, String> values) {
        String text = word(key);
        for (Map.Entry<String, String> value : values.entrySet()) {
            text = text.replace("{{" + value.getKey() + "}}", value.getValue());
        }
        return text;
    }

    private static String letters(WorkCard card, List<Integer> strands) {
        List<String> named =
                strands.stream().map(i -> card.strands().get(i).letter()).toList();
        return named.size() < 2
                ? String.join("", named)
                : named.subList(0, named.size() - 1).stream().collect(Collectors.joining(", ")) + " and "
                        + named.get(named.size() - 1);
    }

    private static String lower(String word) {
        return word.substring(0, 1).toLowerCase(Locale.ROOT) + word.substring(1);
    }
}
