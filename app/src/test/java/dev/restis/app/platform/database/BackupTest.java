package dev.restis.app.platform.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.anyList;
import static org.mockito.ArgumentMatchers.anyMap;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.lenient;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.ArgumentMatcher;
import org.mockito.InOrder;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

/** What a backup asks of PostgreSQL's programs, and what it refuses before it asks. */
@ExtendWith(MockitoExtension.class)
class BackupTest {

    private static final Database HOUSE = new Database("127.0.0.1", 5432, "restis", "keeper", "hush-hush");
    private static final long MEGABYTE = 1 << 20;

    @TempDir
    private Path folder;

    @Mock
    private Programs programs;

    private Instant now = Instant.parse("2026-11-28T10:00:00Z");
    private long free = 1000 * MEGABYTE;

    @BeforeEach
    void aServerOfThreeMegabytes() {
        lenient()
                .when(programs.run(argThat(is("pg_dump", "--version")), anyMap()))
                .thenReturn("pg_dump (PostgreSQL) 15.18 (Debian)");
        lenient()
                .when(programs.run(argThat(is("psql", "server_version_num")), anyMap()))
                .thenReturn("150018\n");
        lenient()
                .when(programs.run(argThat(is("psql", "pg_database_size")), anyMap()))
                .thenReturn(3 * MEGABYTE + "\n");
        lenient().when(programs.run(argThat(is("psql", "pg_tables")), anyMap())).thenReturn("0\n");
        lenient().when(programs.size(anyList(), anyMap())).thenReturn(20 * MEGABYTE);
    }

    private Backup backup() {
        return new Backup(programs, Clock.fixed(now, ZoneOffset.UTC), asked -> free);
    }

    private static ArgumentMatcher<List<String>> is(String program, String word) {
        return command -> command != null
                && command.get(0).equals(program)
                && command.stream().anyMatch(part -> part.contains(word));
    }

    @Test
    void isDumpedThenReadBackAndOnlyThenTakesItsName() {
        Path file = folder.resolve("mine.dump");
        assertThat(backup().make(file, HOUSE)).isEqualTo(file);
        assertThat(file).exists();
        InOrder order = inOrder(programs);
        order.verify(programs)
                .run(
                        argThat(is("pg_dump", "--file=" + file + ".part")),
                        argThat(e -> "hush-hush".equals(e.get("PGPASSWORD"))));
        order.verify(programs).size(argThat(is("pg_restore", file + ".part")), anyMap());
        verify(programs, never()).run(argThat(command -> command.toString().contains("hush-hush")), anyMap());
    }

    @Test
    void aDumpThatCannotBeReadBackIsNoBackupAndTheEarlierOneStays() throws IOException {
        Path file = Files.writeString(folder.resolve("mine.dump"), "the earlier one");
        when(programs.size(anyList(), anyMap())).thenThrow(new IllegalStateException("unexpected end of file"));
        assertThatThrownBy(() -> backup().make(file, HOUSE))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContainingAll("no whole backup", "unexpected end of file");
        assertThat(file).hasContent("the earlier one");
        assertThat(folder.resolve("mine.dump.part")).doesNotExist();
    }

    @Test
    void isNotBegunWithoutRoomForAllOfIt() {
        free = 3 * MEGABYTE - 1;
        assertThatThrownBy(() -> backup().make(folder.resolve("mine.dump"), HOUSE))
                .hasMessageContainingAll("not enough room", folder.toString(), "2 MB are free");
        verify(programs, never()).run(argThat(is("pg_dump", "--format")), anyMap());
    }

    @Test
    void isNotMadeByProgramsOlderThanTheServer() {
        when(programs.run(argThat(is("psql", "server_version_num")), anyMap())).thenReturn("170002");
        assertThatThrownBy(() -> backup().make(folder.resolve("mine.dump"), HOUSE))
                .hasMessageContainingAll("PostgreSQL 17", "of 15", "apt-get install postgresql-client-17");
        verify(programs, never()).run(argThat(is("pg_dump", "--format")), anyMap());
    }

    @Test
    void theLastSevenStayWhateverTheyWereMadeFor() {
        for (int day = 1; day <= 9; day++) {
            now = Instant.parse("2026-11-0" + day + "T10:00:00Z");
            backup().makeIn(folder, day % 2 == 0 ? "restis" : "before-update", HOUSE);
        }
        try (Stream<Path> left = Files.list(folder)) {
            assertThat(left.map(f -> f.getFileName().toString()))
                    .containsExactlyInAnyOrder(
                            "before-update-20261103-100000.dump",
                            "restis-20261104-100000.dump",
                            "before-update-20261105-100000.dump",
                            "restis-20261106-100000.dump",
                            "before-update-20261107-100000.dump",
                            "restis-20261108-100000.dump",
                            "before-update-20261109-100000.dump");
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void isRestoredInOnePieceIntoAnEmptyDatabaseOnly() throws IOException {
        Path file = Files.writeString(folder.resolve("mine.dump"), "PGDMP");
        backup().restore(file, HOUSE, folder);
        verify(programs)
                .run(
                        argThat(is("pg_restore", "--single-transaction")),
                        argThat(e -> "restis".equals(e.get("PGDATABASE"))));
    }

    @Test
    void isNotRestoredOverWhatIsThere() throws IOException {
        Path file = Files.writeString(folder.resolve("mine.dump"), "PGDMP");
        when(programs.run(argThat(is("psql", "pg_tables")), anyMap())).thenReturn("54");
        assertThatThrownBy(() -> backup().restore(file, HOUSE, folder)).hasMessageContaining("is not empty");
        verify(programs, never()).run(argThat(is("pg_restore", "--single-transaction")), anyMap());
    }

    @Test
    void isNotRestoredWhereItWouldNotFit() throws IOException {
        Path file = Files.writeString(folder.resolve("mine.dump"), "PGDMP");
        free = 60 * MEGABYTE - 1;
        assertThatThrownBy(() -> backup().restore(file, HOUSE, folder)).hasMessageContaining("not enough room");
        verify(programs, never()).run(argThat(is("pg_restore", "--single-transaction")), anyMap());
    }

    @Test
    void aFileThatIsNotThereIsNamed() {
        assertThatThrownBy(() -> backup().restore(folder.resolve("none.dump"), HOUSE, folder))
                .hasMessageContainingAll("none.dump", "not there");
        verify(programs, never()).size(anyList(), anyMap());
    }
}
