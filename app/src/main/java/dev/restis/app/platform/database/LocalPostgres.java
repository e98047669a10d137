package dev.restis.app.platform.database;

import dev.restis.app.platform.database.PostgresPrograms.Result;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A PostgreSQL server of our own on loopback, from the system's packages, with its own data directory. PostgreSQL refuses
 * to run as root; then it runs as the user {@code postgres} that its package makes.
 *
 * <p>It belongs to the process that started it, and ends with it; others may ask it meanwhile. A server whose owner was
 * killed belongs to whoever comes next.
 */
public final class LocalPostgres implements AutoCloseable {

    /** How the server writes. */
    public enum Durability {
        /** Survives a power cut: for use. */
        SAFE(List.of()),
        /** Fast and forgetful: for tests. */
        FORGETFUL(List.of("-c fsync=off", "-c synchronous_commit=off", "-c full_page_writes=off"));

        private final List<String> options;

        Durability(List<String> options) {
            this.options = options;
        }
    }

    private static final String USER = "restis";
    private static final String NAME = "postgres";
    /** PostgreSQL's own log turns over with the day of the week. */
    private static final List<String> LOG = List.of(
            "-c logging_collector=on",
            "-c log_directory=log",
            "-c log_filename=server-%a.log",
            "-c log_rotation_age=1d",
            "-c log_truncate_on_rotation=on",
            "-c log_lock_waits=on");

    private final Path home;
    private final Path data;
    private final PostgresPrograms programs;
    private final boolean ours;
    private final int port;

    private LocalPostgres(Path home, Durability durability) throws IOException {
        this.home = home;
        this.data = dataIn(home);
        this.programs = PostgresPrograms.ofServer();
        if (!Files.exists(data.resolve("PG_VERSION"))) {
            initialise();
        }
        boolean running = running(programs, data);
        this.ours = !running || !ownerLives(home);
        this.port = running ? portOfRunning() : start(durability);
        if (ours) {
            Files.writeString(ownerFile(home), identity(ProcessHandle.current()));
        }
    }

    /**
     * Starts the server, or asks the one that already runs on this data directory.
     *
     * @param home folder that holds the data directory, its password and its log; made if missing
     * @throws IllegalStateException with a remedy when the server cannot be started
     */
    public static LocalPostgres start(Path home, Durability durability) {
        try {
            Files.createDirectories(home);
            return new LocalPostgres(home.toRealPath(), durability);
        } catch (IOException e) {
            throw new UncheckedIOException("The database folder " + home + " cannot be used", e);
        } catch (IllegalStateException e) {
            throw new IllegalStateException(
                    e.getMessage() + " If the folder belongs to another user, choose another with RESTIS_HOME.", e);
        }
    }

    /** Whether a database was ever begun in this folder. */
    public static boolean isIn(Path home) {
        return Files.exists(dataIn(home));
    }

    /**
     * Ends the server that runs in this folder, if one does, and deletes its data.
     *
     * @throws IllegalStateException when another process is at work on it
     */
    public static void forget(Path home) {
        if (!isIn(home)) {
            return;
        }
        PostgresPrograms programs = PostgresPrograms.ofServer();
        try {
            if (running(programs, dataIn(home))) {
                if (ownerLives(home)) {
                    throw new IllegalStateException("Another Restis is at work in " + home + ". Stop it first.");
                }
                stop(programs, dataIn(home));
            }
            delete(dataIn(home));
            Files.deleteIfExists(home.resolve("database-password"));
        } catch (IOException e) {
            throw new UncheckedIOException("The database folder " + home + " cannot be deleted", e);
        }
    }

    private static void delete(Path folder) throws IOException {
        Files.walkFileTree(folder, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
                Files.delete(file);
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult postVisitDirectory(Path dir, @Nullable IOException failed) throws IOException {
                if (failed != null) {
                    throw failed;
                }
                Files.delete(dir);
                return FileVisitResult.CONTINUE;
            }
        });
    }

    private static Path dataIn(Path home) {
        return home.resolve("postgres");
    }

    public Database database() {
        return database(NAME);
    }

    /** Another database of the same server. */
    public Database database(String name) {
        return new Database("127.0.0.1", port, name, USER, password());
    }

    public String url() {
        return database().url();
    }

    public String user() {
        return USER;
    }

    public String password() {
        try {
            return Files.readString(passwordFile()).strip();
        } catch (IOException e) {
            throw new UncheckedIOException("The database password " + passwordFile() + " cannot be read", e);
        }
    }

    /** Ends the server, where it is ours to end. */
    @Override
    public void close() {
        if (ours && running(programs, data)) {
            stop(programs, data);
        }
    }

    private static void stop(PostgresPrograms programs, Path data) {
        programs.run(List.of("pg_ctl", "-D", data.toString(), "-m", "fast", "-w", "-t", "60", "stop"), Map.of());
    }

    private Path passwordFile() {
        return home.resolve("database-password");
    }

    private static Path ownerFile(Path home) {
        return home.resolve("database-owner");
    }

    private static boolean ownerLives(Path home) throws IOException {
        if (!Files.exists(ownerFile(home))) {
            return false;
        }
        String owner = Files.readString(ownerFile(home)).strip();
        return ProcessHandle.of(Long.parseLong(owner.split(" ", -1)[0]))
                .filter(process -> identity(process).equals(owner))
                .isPresent();
    }

    /** A number alone may have been given to another process since. */
    private static String identity(ProcessHandle process) {
        return process.pid() + " "
                + process.info().startInstant().map(Instant::toEpochMilli).orElse(0L);
    }

    private void initialise() throws IOException {
        byte[] secret = new byte[24];
        new SecureRandom().nextBytes(secret);
        String password = HexFormat.of().formatHex(secret);
        writeSecret(passwordFile(), password);
        Files.createDirectories(data);
        Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwx------"));
        Path handover = home.resolve("handover");
        writeSecret(handover, password);
        try {
            if (programs.asSystemUser()) {
                give(data);
                give(handover);
            }
            run(
                    "initdb",
                    "-D",
                    data.toString(),
                    "-U",
                    USER,
                    "--pwfile=" + handover,
                    "--auth=scram-sha-256",
                    "--encoding=UTF8",
                    "--locale=C.UTF-8");
        } finally {
            Files.deleteIfExists(handover);
        }
    }

    /** Readable by its owner alone from its first byte on. */
    private static void writeSecret(Path file, String secret) throws IOException {
        Files.deleteIfExists(file);
        Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        Files.writeString(file, secret, StandardOpenOption.WRITE);
    }

    private static void give(Path path) throws IOException {
        Files.setOwner(
                path,
                path.getFileSystem()
                        .getUserPrincipalLookupService()
                        .lookupPrincipalByName(PostgresPrograms.SYSTEM_USER));
    }

    private int start(Durability durability) throws IOException {
        int free;
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            free = socket.getLocalPort();
        }
        List<String> options = new ArrayList<>(durability.options);
        options.addAll(LOG);
        options.add("-c listen_addresses=127.0.0.1");
        options.add("-c unix_socket_directories=''");
        options.add("-c max_connections=120");
        options.add("-p " + free);
        run(
                "pg_ctl",
                "-D",
                data.toString(),
                "-l",
                data.resolve("start.log").toString(),
                "-w",
                "-t",
                "60",
                "-o",
                String.join(" ", options),
                "start");
        return free;
    }

    private static boolean running(PostgresPrograms programs, Path data) {
        return programs.exec(List.of("pg_ctl", "-D", data.toString(), "status"), Map.of())
                        .code()
                == 0;
    }

    private int portOfRunning() {
        Result file = exec("cat", data.resolve("postmaster.pid").toString());
        return Integer.parseInt(
                file.output().lines().skip(3).findFirst().orElseThrow().strip());
    }

    private void run(String... command) {
        programs.run(List.of(command), Map.of());
    }

    private Result exec(String... command) {
        return programs.exec(List.of(command), Map.of());
    }

    /** Words of the server's own logs, for what the application never hears of. */
    public List<String> log() {
        return exec("sh", "-c", "cat '" + data + "'/log/*.log 2>/dev/null")
                .output()
                .lines()
                .toList();
    }
}
