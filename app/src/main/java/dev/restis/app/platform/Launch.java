package dev.restis.app.platform;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** Starts the database and the server, on loopback, on the first free port. */
public final class Launch {

    private static final int FIRST_PORT = 8420;
    private static final int PORTS_TRIED = 20;

    private Launch() {}

    /**
     * Reads {@code restis.home}, {@code restis.port} and {@code restis.demo} from the system properties; with {@code
     * restis.rehearsal} it stops as soon as it has started, for the class archive that makes later starts quick.
     */
    public static ConfigurableApplicationContext run(Class<?> application, String... args) {
        Path home = Path.of(System.getProperty("restis.home", ".restis"));
        LocalPostgres database = LocalPostgres.start(home, LocalPostgres.Durability.SAFE);
        SpringApplication spring = new SpringApplication(application);
        SpringApplication.getShutdownHandlers().add(database::close);
        Map<String, Object> defaults = new LinkedHashMap<>();
        int port = freePort(Integer.getInteger("restis.port", FIRST_PORT));
        defaults.put("server.port", port);
        defaults.put("spring.datasource.url", database.url());
        defaults.put("spring.datasource.username", database.user());
        defaults.put("spring.datasource.password", database.password());
        spring.setDefaultProperties(defaults);
        try {
            ConfigurableApplicationContext context = spring.run(args);
            if (Boolean.getBoolean("restis.rehearsal")) {
                System.exit(SpringApplication.exit(context));
            }
            Files.writeString(home.resolve("address"), "http://127.0.0.1:" + port + "\n");
            return context;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static int freePort(int first) {
        for (int port = first; port < first + PORTS_TRIED; port++) {
            try (ServerSocket socket = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
                return socket.getLocalPort();
            } catch (IOException e) {
                System.err.println("Port " + port + " is taken; trying the next.");
            }
        }
        throw new IllegalStateException("Ports " + first + " to " + (first + PORTS_TRIED - 1)
                + " are all taken. Free one, or choose another with RESTIS_PORT.");
    }
}
