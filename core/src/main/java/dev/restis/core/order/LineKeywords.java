package dev.restis.core.order;

import dev.restis.core.order.Reading.Kind;
import dev.restis.core.order.Reading.Mark;
import java.util.Map;

/** Words of a line that mean one thing wherever they stand. */
final class LineKeywords {

    static final Map<String, Mark> KEYWORDS = Map.ofEntries(
            keyword("kit", Kind.KIT, "kit"),
            keyword("set", Kind.MATCHING, "set"),
            keyword("taper", Kind.TAPERED, "taper"),
            keyword("tapered", Kind.TAPERED, "taper"),
            keyword("snug", Kind.EASE, "SNUG"),
            keyword("comfortable", Kind.EASE, "COMFORTABLE"),
            keyword("comfy", Kind.EASE, "COMFORTABLE"),
            keyword("loose", Kind.EASE, "LOOSE"),
            keyword("adult", Kind.WEARER, "ADULT"),
            keyword("child", Kind.WEARER, "CHILD"),
            keyword("under3", Kind.WEARER, "UNDER_THREE"));

    private LineKeywords() {}

    private static Map.Entry<String, Mark> keyword(String word, Kind kind, String value) {
        return Map.entry(word, new Mark(0, 0, kind, value));
    }
}
