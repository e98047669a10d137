package dev.restis.e2e;

import dev.restis.app.RestisApplication;
import dev.restis.app.platform.database.Database;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import org.awaitility.Awaitility;

/** A Restis as a process of its own, on a database it did not start. */
final class Instance {
    private final Path home;
    private final Process process;
    private final String address;

    Instance(Path folder, String name, int port, Database database) throws Exception {
        home = Files.createDirectories(folder.resolve(name));
        ProcessBuilder builder = new ProcessBuilder(
                        ProcessHandle.current().info().command().orElse("java"),
                        "-Xmx512m",
                        "-XX:+UseSerialGC",
                        "-XX:TieredStopAtLevel=1",
                        "-Drestis.home=" + home,
                        "-Drestis.port=" + port,
                        "-Drestis.demo=true",
                        "-Drestis.demo-bench=false",
                        "-Drestis.demo-plan=false",
                        "-cp",
                        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                        RestisApplication.class.getName())
                .redirectErrorStream(true)
                .redirectOutput(home.resolve("log").toFile());
        builder.environment().put("RESTIS_DATABASE", database.host() + ":" + database.port() + "/" + database.name());
        builder.environment().put("RESTIS_DATABASE_USER", database.user());
        builder.environment()
                .put("RESTIS_DATABASE_PASSWORD_FILE", folder.resolve("password").toString());
        Path written = home.resolve("address");
        Files.deleteIfExists(written);
        process = builder.start();
        Awaitility.await()
                .atMost(Duration.ofMinutes(2))
                .pollInterval(Duration.ofMillis(100))
                .until(() -> Files.exists(written) && !Files.readString(written).isBlank());
        address = Files.readString(written).strip();
    }

    String address() {
        return address;
    }

    String log() throws IOException {
        return Files.readString(home.resolve("log"));
    }

    void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }
}
