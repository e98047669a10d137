package dev.restis.core.order;

import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads a list of people with their sizes, as it is pasted from a sheet or a message: one a line, cells apart by tabs,
 * semicolons or commas, in any order; or the measure behind the name.
 *
 * <pre>
 * Marit	16.5
 * Wouter; XL
 * 7 1/4 in, Sefa
 * Runa 18,5
 * 2x M
 * </pre>
 */
public final class People {

    /**
     * One line of the list.
     *
     * @param row number of the line in the text, from 1
     * @param name for the tag; may be empty
     * @param size name of a house size
     * @param measure a length as written; a wrist, or the length of what is no band
     * @param count how many
     */
    public record Person(int row, String name, Optional<String> size, Optional<String> measure, int count) {

        /** Whether it says how large. */
        public boolean sized() {
            return size.isPresent() || measure.isPresent();
        }
    }

    public static final int MOST = 500;
    private static final int MOST_PIECES = 1000;
    private static final Pattern COUNT =
            Pattern.compile("(\\d{1,4})\\s*[x×]|[x×]\\s*(\\d{1,4})", Pattern.CASE_INSENSITIVE);
    private static final Pattern BEHIND =
            Pattern.compile("(.*?)[\\s:]+(\\S+(?:\\s+\\d+/\\d+)?(?:\\s*(?:mm|cm|in|inch|\"))?)");

    private People() {}

    /** The people of a list, at most {@value #MOST}; lines without a word are left out. */
    public static List<Person> read(String text, List<String> sizes, UnitSystem units) {
        List<Person> people = new ArrayList<>();
        String[] lines = text.split("\\R", -1);
        for (int i = 0; i < lines.length && people.size() < MOST; i++) {
            if (!lines[i].isBlank()) {
                people.add(new Row(sizes, units).read(i + 1, lines[i]));
            }
        }
        return people;
    }

    private static final class Row {
        private final List<String> sizes;
        private final UnitSystem units;
        private Optional<String> size = Optional.empty();
        private Optional<String> measure = Optional.empty();
        private int count = 1;
        private final List<String> names = new ArrayList<>();

        Row(List<String> sizes, UnitSystem units) {
            this.sizes = sizes;
            this.units = units;
        }

        Person read(int row, String line) {
            List<String> cells = cells(line);
            cells.forEach(this::cell);
            if (size.isEmpty() && measure.isEmpty() && names.size() == 1) {
                behind(names.get(0));
            }
            return new Person(row, String.join(" ", names), size, measure, count);
        }

        private static List<String> cells(String line) {
            String between = line.contains("\t") ? "\t" : line.contains(";") ? ";" : ",(?!\\d)|(?<!\\d),";
            return Arrays.stream(line.split(between))
                    .map(String::strip)
                    .filter(c -> !c.isEmpty())
                    .toList();
        }

        private void cell(String cell) {
            Matcher counted = COUNT.matcher(cell);
            if (counted.matches()) {
                count(counted);
            } else if (!sized(cell)) {
                Matcher before = Pattern.compile("(\\d{1,4}\\s*[x×])\\s+(.+)", Pattern.CASE_INSENSITIVE)
                        .matcher(cell);
                if (before.matches()) {
                    cell(before.group(1));
                    cell(before.group(2));
                } else {
                    names.add(cell);
                }
            }
        }

        private void count(Matcher counted) {
            int number = Integer.parseInt(counted.group(1) == null ? counted.group(2) : counted.group(1));
            count = Math.max(1, Math.min(MOST_PIECES, number));
        }

        private boolean sized(String cell) {
            Optional<String> named =
                    sizes.stream().filter(s -> s.equalsIgnoreCase(cell)).findFirst();
            if (named.isPresent() && size.isEmpty()) {
                size = named;
                return true;
            }
            if (measure.isEmpty()
                    && LengthReader.read(cell, units).filter(Length::isPositive).isPresent()) {
                measure = Optional.of(cell);
                return true;
            }
            return false;
        }

        /** A name with its size behind it, with nothing but a space between. */
        private void behind(String cell) {
            Matcher behind = BEHIND.matcher(cell);
            if (behind.matches()
                    && !behind.group(1).isBlank()
                    && sized(behind.group(2).strip())) {
                names.clear();
                names.add(behind.group(1).strip());
            }
        }
    }
}
