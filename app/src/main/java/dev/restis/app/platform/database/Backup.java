package dev.restis.app.platform.database;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToLongFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The whole database in one file, by PostgreSQL's own dump, compressed. A file counts as a backup only after it was read back
 * to its end. Who is signed in where is left out.
 */
public final class Backup {

    /** How many of those in the folder for backups stay. */
    public static final int KEPT = 7;

    private static final String ENDING = ".dump";
    private static final Pattern VERSION = Pattern.compile("\\(PostgreSQL\\) (\\d+)");
    private static final DateTimeFormatter MOMENT =
            DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss", Locale.ROOT).withZone(ZoneOffset.UTC);
    /** Rows and their indexes take up to this much more room than the text that they are restored from. */
    private static final int ROOM_FOR_INDEXES = 3;

    private final Programs programs;
    private final Clock clock;
    private final ToLongFunction<Path> freeIn;

    public Backup(Clock clock) {
        this(PostgresPrograms.find(), clock, Backup::usable);
    }

    /**
     * @param freeIn how many bytes are free in a folder
     */
    Backup(Programs programs, Clock clock, ToLongFunction<Path> freeIn) {
        this.programs = programs;
        this.clock = clock;
        this.freeIn = freeIn;
    }

    /**
     * Makes a backup in a folder for them and removes the oldest there, so that {@link #KEPT} stay.
     *
     * @param occasion what its name begins with
     */
    public Path makeIn(Path folder, String occasion, Database from) {
        try {
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw new UncheckedIOException("The folder for backups " + folder + " cannot be made", e);
        }
        Path made = make(folder.resolve(occasion + "-" + MOMENT.format(clock.instant()) + ENDING), from);
        tidy(folder);
        return made;
    }

    /**
     * Makes a backup.
     *
     * @param file to write to; one that is there is replaced, once the new one is known to be whole
     * @throws IllegalStateException with the remedy when it cannot be made; then {@code file} is as it was
     */
    public Path make(Path file, Database from) {
        Path whole = file.toAbsolutePath();
        Path folder = whole.getParent() == null ? whole : whole.getParent();
        checkPrograms(from);
        checkRoom(folder, Long.parseLong(ask(from, "select pg_database_size(current_database())")));
        Path part = whole.resolveSibling(whole.getFileName() + ".part");
        try {
            Files.deleteIfExists(part);
            Files.createFile(part, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            programs.run(
                    List.of(
                            "pg_dump",
                            "--format=custom",
                            "--no-owner",
                            "--no-privileges",
                            "--exclude-table-data=spring_session*",
                            "--file=" + part),
                    from.environment());
            readBack(part);
            Files.move(part, whole, StandardCopyOption.REPLACE_EXISTING);
            return whole;
        } catch (IOException e) {
            throw new UncheckedIOException("The backup " + whole + " cannot be written", e);
        } finally {
            deleteQuietly(part);
        }
    }

    /**
     * Fills an empty database from a backup: all of it, or nothing.
     *
     * @param data folder that the database's files lie in, where it lies on this machine
     * @throws IllegalStateException with the remedy when the database is not empty, the file is no backup, or there is no room
     */
    public void restore(Path file, Database into, Path data) {
        checkPrograms(into);
        long text = readBack(file.toAbsolutePath());
        checkRoom(data, ROOM_FOR_INDEXES * text);
        if (!"0".equals(ask(into, "select count(*) from pg_tables where schemaname = 'public'"))) {
            throw new IllegalStateException(
                    "The database " + into + " is not empty, and a backup is restored only into an"
                            + " empty one. Name another, or restore beside what is there.");
        }
        programs.run(
                List.of(
                        "pg_restore",
                        "--exit-on-error",
                        "--single-transaction",
                        "--no-owner",
                        "--no-privileges",
                        "--dbname=" + into.name(),
                        file.toAbsolutePath().toString()),
                into.environment());
    }

    /**
     * Reads a backup to its end.
     *
     * @return how many bytes of text it would be restored from
     * @throws IllegalStateException when it is no backup, or not whole
     */
    private long readBack(Path file) {
        if (!Files.isReadable(file)) {
            throw new IllegalStateException("The file " + file + " is not there or cannot be read.");
        }
        try {
            return programs.size(List.of("pg_restore", "--file=-", file.toString()), Map.of());
        } catch (IllegalStateException e) {
            throw new IllegalStateException("The file " + file + " is no whole backup. " + e.getMessage(), e);
        }
    }

    /** A dump can be made and read only by programs as new as the server. */
    private void checkPrograms(Database database) {
        Matcher version = VERSION.matcher(programs.run(List.of("pg_dump", "--version"), Map.of()));
        int ours = version.find() ? Integer.parseInt(version.group(1)) : 0;
        int servers = Integer.parseInt(ask(database, "show server_version_num")) / 10_000;
        if (ours < servers) {
            throw new IllegalStateException("The database server is PostgreSQL " + servers + ", the pg_dump here is of "
                    + ours + ". Install postgresql-client-" + servers + " (apt-get install postgresql-client-" + servers
                    + ") and try again.");
        }
    }

    private String ask(Database database, String sql) {
        return programs.run(
                        List.of("psql", "--no-psqlrc", "--tuples-only", "--no-align", "--command=" + sql),
                        database.environment())
                .strip();
    }

    private void checkRoom(Path folder, long bytes) {
        long free = freeIn.applyAsLong(folder);
        if (free < bytes) {
            throw new IllegalStateException(String.format(
                    Locale.ROOT,
                    "There is not enough room in %s: %d MB are free, up to %d MB are needed. Make room, or name a file elsewhere.",
                    folder,
                    free >> 20,
                    (bytes >> 20) + 1));
        }
    }

    private static long usable(Path folder) {
        try {
            return Files.getFileStore(folder).getUsableSpace();
        } catch (IOException e) {
            throw new UncheckedIOException("The folder " + folder + " cannot be used", e);
        }
    }

    private static void tidy(Path folder) {
        try (Stream<Path> files = Files.list(folder)) {
            files.filter(f -> f.toString().endsWith(ENDING))
                    .sorted(Comparator.comparing(Backup::moment).reversed())
                    .skip(KEPT)
                    .forEach(Backup::deleteQuietly);
        } catch (IOException e) {
            throw new UncheckedIOException("The folder for backups " + folder + " cannot be read", e);
        }
    }

    /** Names end with the moment they were made in. */
    private static String moment(Path file) {
        String name = String.valueOf(file.getFileName());
        int length = MOMENT.format(java.time.Instant.EPOCH).length() + ENDING.length();
        return name.length() < length ? name : name.substring(name.length() - length);
    }

    private static void deleteQuietly(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            // It takes room and does no other harm; the next backup tries again.
            System.err.println("The file " + file + " could not be deleted: " + e.getMessage());
        }
    }
}
