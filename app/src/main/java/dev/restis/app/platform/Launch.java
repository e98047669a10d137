package dev.restis.app.platform;

import dev.restis.app.platform.database.Database;
import dev.restis.app.platform.database.LocalPostgres;
import dev.restis.app.platform.database.LocalPostgres.Durability;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.support.GenericApplicationContext;

/** Starts Restis: its own database, where no other is named, then the server, on the first free port. */
public final class Launch {

    private Launch() {}

    /**
     * Reads {@code restis.home}, {@code restis.port}, {@code restis.demo} and {@code restis.fresh} from the system properties,
     * and what the environment says of the {@linkplain Database database} and the {@linkplain Doorway way in}; with {@code
     * restis.rehearsal} it stops as soon as it has started, for the class archive that makes later starts quick.
     */
    public static ConfigurableApplicationContext run(Class<?> application, String... args) {
        Path home = Path.of(System.getProperty("restis.home", ".restis"));
        Database database;
        Doorway doorway;
        try {
            doorway = Doorway.of(System.getenv(), Integer.getInteger("restis.port", Doorway.FIRST_PORT));
            database = Database.named(System.getenv()).orElseGet(() -> own(home));
        } catch (CannotStart | IllegalStateException | IllegalArgumentException e) {
            System.err.println("Restis cannot start. " + e.getMessage());
            System.exit(1);
            throw e;
        }
        SpringApplication spring = new SpringApplication(application);
        Map<String, Object> defaults = new LinkedHashMap<>(doorway.properties());
        defaults.put("spring.datasource.url", database.url());
        defaults.put("spring.datasource.username", database.user());
        defaults.put("spring.datasource.password", database.password());
        defaults.putAll(requestLog(home));
        spring.setDefaultProperties(defaults);
        spring.addInitializers(
                context -> ((GenericApplicationContext) context).registerBean(Database.class, () -> database));
        try {
            ConfigurableApplicationContext context = spring.run(args);
            if (Boolean.getBoolean("restis.rehearsal")) {
                System.exit(SpringApplication.exit(context));
            }
            Files.writeString(home.resolve("address"), doorway.address() + "\n");
            return context;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What was asked, how it ended and how long it took: without what was searched for, and for five days. */
    private static Map<String, Object> requestLog(Path home) {
        return Map.of(
                "server.tomcat.accesslog.enabled",
                true,
                "server.tomcat.accesslog.directory",
                home.resolve("requests").toAbsolutePath().toString(),
                "server.tomcat.accesslog.prefix",
                "requests",
                "server.tomcat.accesslog.suffix",
                ".log",
                "server.tomcat.accesslog.max-days",
                5,
                "server.tomcat.accesslog.pattern",
                "%{yyyy-MM-dd HH:mm:ss}t %s %Dus %m %U %{X-Request-Id}o");
    }

    private static Database own(Path home) {
        if (Boolean.getBoolean("restis.fresh")) {
            if (!Boolean.getBoolean("restis.demo")) {
                throw new CannotStart("Only the demo is begun anew; a workshop's data is never deleted by a start.");
            }
            LocalPostgres.forget(home);
        }
        LocalPostgres server = LocalPostgres.start(home, Durability.SAFE);
        SpringApplication.getShutdownHandlers().add(server::close);
        return server.database();
    }
}
