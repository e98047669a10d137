package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** {@code bin/restis} refuses what it does not know before it does anything. */
class CommandLineTest {

    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();

    @TempDir
    private Path home;

    private record Said(int code, String words) {}

    private Said restis(String... words) throws Exception {
        ProcessBuilder builder = new ProcessBuilder(
                        Stream.concat(Stream.of(ROOT.resolve("bin/restis").toString()), Arrays.stream(words))
                                .toList())
                .redirectErrorStream(true);
        builder.environment().put("RESTIS_HOME", home.toString());
        builder.environment().put("RESTIS_NO_INSTALL", "1");
        Process process = builder.start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(20, TimeUnit.SECONDS)).isTrue();
        return new Said(process.exitValue(), said);
    }

    @Test
    void aWorkshopIsNeverBegunAnew() throws Exception {
        Path kept = Files.createDirectories(home.resolve("workshop/postgres")).resolve("PG_VERSION");
        Files.writeString(kept, "15");
        Said said = restis("start", "--fresh");
        assertThat(said.code()).isEqualTo(2);
        assertThat(said.words()).contains("--fresh is for the demo only");
        assertThat(kept).hasContent("15");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "start now",
                "demo --afresh",
                "demo --fresh twice",
                "stop all",
                "status -v",
                "verify me",
                "test fast",
                "bench everything",
                "backup --all",
                "backup a b",
                "restore",
                "restore a b",
                "fly"
            })
    void whatItDoesNotKnowIsRefused(String command) throws Exception {
        Said said = restis(command.split(" "));
        assertThat(said.code()).as(said.words()).isEqualTo(2);
        assertThat(said.words()).contains("bin/restis help");
        try (Stream<Path> made = Files.list(home)) {
            assertThat(made).isEmpty();
        }
    }

    @Test
    void nothingIsRestoredOverAWorkshop() throws Exception {
        Files.createDirectories(home.resolve("workshop/postgres"));
        Path file = Files.writeString(home.resolve("some.dump"), "PGDMP");
        Said said = restis("restore", file.toString());
        assertThat(said.code()).isEqualTo(1);
        assertThat(said.words()).contains("is left alone", "restore --beside");
        assertThat(List.of(
                        restis("restore", home.resolve("none.dump").toString()).words()))
                .first()
                .asString()
                .contains("There is no file");
    }

    @Test
    void whereThereIsNoWorkshopThereIsNothingToBackUp() throws Exception {
        Said said = restis("backup");
        assertThat(said.code()).isEqualTo(1);
        assertThat(said.words()).contains("no workshop");
    }
}
