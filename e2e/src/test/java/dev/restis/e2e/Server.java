package dev.restis.e2e;

import dev.restis.app.RestisApplication;
import dev.restis.app.platform.database.LocalPostgres;
import dev.restis.app.platform.database.LocalPostgres.Durability;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A Restis of its own on a free port and an empty database. */
final class Server implements AutoCloseable {

    private final LocalPostgres database;
    private final ConfigurableApplicationContext context;

    /**
     * @param settings as on the command line
     */
    Server(boolean demo, String... settings) {
        try {
            Path home = Files.createTempDirectory("restis-e2e");
            Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwxr-xr-x"));
            database = LocalPostgres.start(home, Durability.FORGETFUL);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        SpringApplication application = new SpringApplication(RestisApplication.class);
        application.setDefaultProperties(Map.of(
                "server.port", 0,
                "spring.datasource.url", database.url(),
                "spring.datasource.username", database.user(),
                "spring.datasource.password", database.password()));
        context = application.run(Stream.concat(Stream.of("--restis.demo=" + demo), Stream.of(settings))
                .toArray(String[]::new));
    }

    String address() {
        return "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    JdbcClient jdbc() {
        return JdbcClient.create(new DriverManagerDataSource(database.url(), database.user(), database.password()));
    }

    /** Fills the database behind the application's back. */
    void sql(String statements) {
        try (Connection connection = DriverManager.getConnection(database.url(), database.user(), database.password());
                Statement statement = connection.createStatement()) {
            statement.execute(statements);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        context.close();
        database.close();
    }
}
