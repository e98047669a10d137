package dev.restis.app.platform;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * A PostgreSQL server of our own on loopback, from the system's packages, with its own data directory. PostgreSQL refuses
 * to run as root; then it runs as the user {@code postgres} that its package makes.
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
    private static final String SYSTEM_USER = "postgres";

    private final Path home;
    private final Path data;
    private final Path binaries;
    private final boolean asOtherUser;
    private final boolean tookOver;
    private final int port;

    private LocalPostgres(Path home, Durability durability) throws IOException {
        this.home = home;
        this.data = home.resolve("postgres");
        this.binaries = findBinaries();
        this.asOtherUser = "root".equals(System.getProperty("user.name"));
        if (!Files.exists(data.resolve("PG_VERSION"))) {
            initialise();
        }
        this.tookOver = running();
        this.port = tookOver ? portOfRunning() : start(durability);
    }

    /**
     * Starts the server, or takes over the one that already runs on this data directory.
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
        }
    }

    /** Whether the server was running before. */
    public boolean tookOver() {
        return tookOver;
    }

    public String url() {
        return "jdbc:postgresql://127.0.0.1:" + port + "/postgres";
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

    @Override
    public void close() {
        if (running()) {
            run(List.of("pg_ctl", "-D", data.toString(), "-m", "fast", "-w", "-t", "60", "stop"));
        }
    }

    private Path passwordFile() {
        return home.resolve("database-password");
    }

    private void initialise() throws IOException {
        byte[] secret = new byte[24];
        new SecureRandom().nextBytes(secret);
        Files.writeString(passwordFile(), HexFormat.of().formatHex(secret));
        Files.setPosixFilePermissions(passwordFile(), PosixFilePermissions.fromString("rw-------"));
        Files.createDirectories(data);
        Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwx------"));
        Path handover = passwordFile();
        if (asOtherUser) {
            handover = data.resolveSibling("handover");
            Files.copy(passwordFile(), handover, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
            give(data);
            give(handover);
        }
        run(List.of(
                "initdb",
                "-D",
                data.toString(),
                "-U",
                USER,
                "--pwfile=" + handover,
                "--auth=scram-sha-256",
                "--encoding=UTF8",
                "--locale=C.UTF-8"));
        if (asOtherUser) {
            Files.deleteIfExists(handover);
        }
    }

    private static void give(Path path) throws IOException {
        Files.setOwner(
                path, path.getFileSystem().getUserPrincipalLookupService().lookupPrincipalByName(SYSTEM_USER));
    }

    private int start(Durability durability) throws IOException {
        int free;
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            free = socket.getLocalPort();
        }
        List<String> options = new ArrayList<>(durability.options);
        options.add("-c listen_addresses=127.0.0.1");
        options.add("-c unix_socket_directories=''");
        options.add("-c max_connections=120");
        options.add("-p " + free);
        run(List.of(
                "pg_ctl",
                "-D",
                data.toString(),
                "-l",
                data.resolve("server.log").toString(),
                "-w",
                "-t",
                "60",
                "-o",
                String.join(" ", options),
                "start"));
        return free;
    }

    private boolean running() {
        return exec(List.of("pg_ctl", "-D", data.toString(), "status")).code() == 0;
    }

    private int portOfRunning() {
        Result file = exec(List.of("cat", data.resolve("postmaster.pid").toString()));
        return Integer.parseInt(
                file.output().lines().skip(3).findFirst().orElseThrow().strip());
    }

    private void run(List<String> command) {
        Result result = exec(command);
        if (result.code() != 0) {
            throw new IllegalStateException("The database command '" + String.join(" ", command) + "' failed with code "
                    + result.code() + ". Its last words: " + result.output().strip()
                    + ". If the folder belongs to another user, choose another with RESTIS_HOME.");
        }
    }

    private record Result(int code, String output) {}

    private Result exec(List<String> command) {
        List<String> full = new ArrayList<>();
        if (asOtherUser) {
            full.addAll(List.of("runuser", "-u", SYSTEM_USER, "--"));
        }
        Path program = binaries.resolve(command.get(0));
        full.add(Files.exists(program) ? program.toString() : command.get(0));
        full.addAll(command.subList(1, command.size()));
        try {
            Path output = Files.createTempFile("restis-postgres", ".out");
            // A file rather than a pipe: the server inherits it and would keep a pipe open for good.
            Process process = new ProcessBuilder(full)
                    .directory(Path.of("/").toFile())
                    .redirectErrorStream(true)
                    .redirectOutput(output.toFile())
                    .start();
            if (!process.waitFor(120, TimeUnit.SECONDS)) {
                process.destroyForcibly();
                return new Result(-1, "no answer within 120 s");
            }
            String text = Files.readString(output, StandardCharsets.UTF_8);
            Files.deleteIfExists(output);
            return new Result(process.exitValue(), text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Interrupted while waiting for the database", e);
        }
    }

    private static Path findBinaries() throws IOException {
        Path packages = Path.of("/usr/lib/postgresql");
        if (Files.isDirectory(packages)) {
            try (Stream<Path> versions = Files.list(packages)) {
                var newest = versions.filter(v -> Files.exists(v.resolve("bin/initdb")))
                        .max(Comparator.comparing(LocalPostgres::version));
                if (newest.isPresent()) {
                    return newest.get().resolve("bin");
                }
            }
        }
        throw new IllegalStateException(
                "PostgreSQL is not installed here. Install the package 'postgresql' (apt-get install postgresql).");
    }

    private static double version(Path folder) {
        try {
            return Double.parseDouble(String.valueOf(folder.getFileName()));
        } catch (NumberFormatException e) {
            return 0;
        }
    }
}
