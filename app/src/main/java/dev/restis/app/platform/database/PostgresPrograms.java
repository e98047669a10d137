package dev.restis.app.platform.database;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/** The programs of the newest PostgreSQL that the system's packages installed. */
final class PostgresPrograms implements Programs {

    /** The user that PostgreSQL's package makes; its server refuses to run as root. */
    static final String SYSTEM_USER = "postgres";

    private static final Path PACKAGES = Path.of("/usr/lib/postgresql");
    /** A large workshop takes minutes to dump; whatever takes longer than this hangs. */
    private static final int LONGEST_HOURS = 6;

    private final Path binaries;
    private final boolean asSystemUser;

    private PostgresPrograms(Path binaries, boolean asSystemUser) {
        this.binaries = binaries;
        this.asSystemUser = asSystemUser;
    }

    /** Run as whoever runs Restis. */
    static PostgresPrograms find() {
        return new PostgresPrograms(newest(), false);
    }

    /** Run as the system's user for PostgreSQL, where Restis runs as root. */
    static PostgresPrograms ofServer() {
        return new PostgresPrograms(newest(), "root".equals(System.getProperty("user.name")));
    }

    boolean asSystemUser() {
        return asSystemUser;
    }

    @Override
    public String run(List<String> command, Map<String, String> environment) {
        Result result = exec(command, environment);
        if (result.code() != 0) {
            throw failed(command, result.code(), result.output());
        }
        return result.output();
    }

    @Override
    public long size(List<String> command, Map<String, String> environment) {
        try {
            Path words = Files.createTempFile("restis-postgres", ".err");
            Process process =
                    builder(command, environment).redirectError(words.toFile()).start();
            long size;
            try (InputStream output = process.getInputStream()) {
                size = output.transferTo(OutputStream.nullOutputStream());
            }
            int code = await(process);
            String said = Files.readString(words, StandardCharsets.UTF_8);
            Files.deleteIfExists(words);
            if (code != 0) {
                throw failed(command, code, said);
            }
            return size;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    record Result(int code, String output) {}

    Result exec(List<String> command, Map<String, String> environment) {
        try {
            Path output = Files.createTempFile("restis-postgres", ".out");
            // A file rather than a pipe: a server that is started inherits it and would keep a pipe open for good.
            Process process = builder(command, environment)
                    .redirectErrorStream(true)
                    .redirectOutput(output.toFile())
                    .start();
            int code = await(process);
            String text = Files.readString(output, StandardCharsets.UTF_8);
            Files.deleteIfExists(output);
            return new Result(code, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private ProcessBuilder builder(List<String> command, Map<String, String> environment) {
        List<String> full = new ArrayList<>();
        if (asSystemUser) {
            full.addAll(List.of("runuser", "-u", SYSTEM_USER, "--"));
        }
        Path program = binaries.resolve(command.get(0));
        full.add(Files.exists(program) ? program.toString() : command.get(0));
        full.addAll(command.subList(1, command.size()));
        ProcessBuilder builder = new ProcessBuilder(full).directory(Path.of("/").toFile());
        builder.environment().putAll(environment);
        return builder;
    }

    private static int await(Process process) {
        try {
            if (!process.waitFor(LONGEST_HOURS, TimeUnit.HOURS)) {
                process.destroyForcibly();
                return -1;
            }
            return process.exitValue();
        } catch (InterruptedException e) {
            process.destroyForcibly();
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Interrupted while waiting for the database", e);
        }
    }

    private static IllegalStateException failed(List<String> command, int code, String words) {
        return new IllegalStateException("The database command '" + String.join(" ", command) + "' failed with code "
                + code + ". Its last words: " + words.strip());
    }

    private static Path newest() {
        if (Files.isDirectory(PACKAGES)) {
            try (Stream<Path> versions = Files.list(PACKAGES)) {
                Optional<Path> newest = versions.filter(v -> Files.exists(v.resolve("bin/initdb")))
                        .max(Comparator.comparing(PostgresPrograms::version));
                if (newest.isPresent()) {
                    return newest.get().resolve("bin");
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
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
