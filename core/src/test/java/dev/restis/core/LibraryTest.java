package dev.restis.core;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.core.cord.Material;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.pattern.Revision;
import dev.restis.core.stitch.Stitch;
import dev.restis.core.stitch.Stitches;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Patterns and stitches are data: nothing but the library itself knows one by its name, so that one's own are as good. */
class LibraryTest {

    private static final Path SOURCES = Path.of("src/main/java/dev/restis/core");
    private static final List<Path> LIBRARY = List.of(SOURCES.resolve("pattern"), SOURCES.resolve("stitch"));

    @Test
    void revisionsAreOfPatternsThatShip() {
        assertThat(Revision.named("EARS")).contains(Revision.EARS);
        assertThat(Revision.named("OF_NEXT_YEAR")).isEmpty();
        assertThat(Revision.last("interlocked")).isEqualTo(Revision.EARS);
        assertThat(Revision.last("snake")).isNull();
        for (Revision revision : Revision.values()) {
            assertThat(revision.patterns())
                    .as(revision.name())
                    .isNotEmpty()
                    .allSatisfy(code -> assertThat(PatternBook.byCode(code)).isPresent());
        }
    }

    @Test
    void noPatternOrStitchIsAskedForByItsName() throws IOException {
        List<String> codes = new ArrayList<>();
        PatternBook.all().stream().map(Pattern::code).forEach(codes::add);
        Stitches.all().stream().map(Stitch::code).forEach(codes::add);
        // A material is called as the pattern that is made of it.
        codes.removeIf(code -> Material.byCode(code).isPresent());
        List<String> known = new ArrayList<>();
        int searched = 0;
        try (Stream<Path> files = Files.walk(SOURCES)) {
            for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
                if (LIBRARY.stream().anyMatch(file::startsWith)) {
                    continue;
                }
                searched++;
                String source = Files.readString(file);
                codes.stream()
                        .filter(code -> source.contains("\"" + code + "\""))
                        .forEach(code -> known.add(file.getFileName() + " knows " + code));
            }
        }
        assertThat(searched).isGreaterThan(80);
        assertThat(known).isEmpty();
    }
}
