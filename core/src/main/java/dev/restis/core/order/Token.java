package dev.restis.core.order;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A word of a text with its place; commas and semicolons stand alone, but for a comma between digits. */
record Token(int from, int to, String text) {

    private static final Pattern WORD = Pattern.compile(";|,(?!\\d)|(?:[^\\s;,]|(?<=\\d),(?=\\d))+|,");

    static List<List<Token>> lines(String text) {
        List<List<Token>> lines = new ArrayList<>(List.of(new ArrayList<>()));
        Matcher words = WORD.matcher(text);
        while (words.find()) {
            if (words.group().equals(";")) {
                lines.add(new ArrayList<>());
            } else {
                lines.get(lines.size() - 1).add(new Token(words.start(), words.end(), words.group()));
            }
        }
        lines.removeIf(List::isEmpty);
        return lines;
    }

    boolean comma() {
        return text.equals(",");
    }
}
