package dev.restis.e2e;

import static java.util.stream.Collectors.joining;
import static org.awaitility.Awaitility.await;

import dev.restis.app.RestisApplication;
import dev.restis.app.platform.database.LocalPostgres;
import dev.restis.app.platform.database.LocalPostgres.Durability;
import dev.restis.standins.BenchDevices;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.util.function.SingletonSupplier;

/** A Restis of its own on a free port and an empty database. */
final class Server implements AutoCloseable {

    /** The demo as it is before its makers have tied anything. */
    static final String NOTHING_TIED = "--restis.demo-bench=false";

    /** And with the orders of a few days only. */
    static final String NOTHING_PLANNED = "--restis.demo-plan=false";

    /** Where the demo's bench prints its labels. */
    static final Path LABELS = folder("restis-labels");
    /** The scale, the cord counter and the printer of the demo's bench. */
    static final BenchDevices DEVICES = devices();

    /** Started once in each process of tests: a start costs more than most tests. */
    private static final Supplier<Server> DEMO = SingletonSupplier.of(() -> {
        Server demo = new Server(true, NOTHING_TIED, NOTHING_PLANNED, "--restis.devices=" + DEVICES.address());
        // A better plan is looked for as in any house, but not for as long: it would take the machine from the
        // browsers.
        demo.sql("update cut_weights set plan_seconds = 1");
        demo.keep();
        Runtime.getRuntime().addShutdownHook(new Thread(demo::close));
        return demo;
    });

    /** Every table but those of the schema's versions, with the columns that are written. */
    private static final String TABLES = """
            select format('%I', c.table_name) as name, string_agg(format('%I', c.column_name), ', ') as columns
            from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
            where t.table_schema = 'public' and t.table_type = 'BASE TABLE' and c.table_name <> 'flyway_schema_history'
              and c.is_generated = 'NEVER'
            group by c.table_name
            """;

    private record Table(String name, String columns) {}

    private final LocalPostgres database;
    private final String[] arguments;
    private ConfigurableApplicationContext context;

    /**
     * @param settings as on the command line
     */
    Server(boolean demo, String... settings) {
        database = LocalPostgres.start(folder("restis-e2e"), Durability.FORGETFUL);
        arguments = Stream.concat(Stream.of("--restis.demo=" + demo), Stream.of(settings))
                .toArray(String[]::new);
        try {
            context = start();
        } catch (RuntimeException e) {
            // Nobody else would stop it.
            database.close();
            throw e;
        }
    }

    private ConfigurableApplicationContext start() {
        SpringApplication application = new SpringApplication(RestisApplication.class);
        application.setDefaultProperties(Map.of(
                "server.port", 0,
                "spring.datasource.url", database.url(),
                "spring.datasource.username", database.user(),
                "spring.datasource.password", database.password()));
        return application.run(arguments);
    }

    /** Stops it and starts it again on the same data, at another address. */
    void startAgain() {
        context.close();
        context = start();
    }

    private static BenchDevices devices() {
        try {
            return new BenchDevices(0, LABELS);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A folder that PostgreSQL's own user may look into. */
    static Path folder(String name) {
        try {
            Path folder = Files.createTempDirectory(name);
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwxr-xr-x"));
            return folder;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The demo workshop of before anything is tied, with nothing in it that a test did before. */
    static Server demo() {
        Server demo = DEMO.get();
        demo.asItWas();
        return demo;
    }

    private List<Table> tables() {
        return jdbc().sql(TABLES).query(Table.class).list();
    }

    private void keep() {
        sql("create schema kept; "
                + tables().stream()
                        .map(table -> "create table kept.%1$s as table public.%1$s;".formatted(table.name()))
                        .collect(joining()));
    }

    /** Numbers go on where they were: the application has some of them in hand. */
    private void asItWas() {
        List<Table> tables = tables();
        await().atMost(Duration.ofSeconds(30))
                .until(() -> jdbc().sql("select count(*) from job where state in ('WAITING', 'RUNNING')")
                                .query(Long.class)
                                .single()
                        == 0);
        sql("begin; set local session_replication_role = replica; truncate "
                + tables.stream().map(Table::name).collect(joining(", ")) + ";"
                + tables.stream()
                        .map(table -> "insert into %1$s (%2$s) overriding system value select %2$s from kept.%1$s;"
                                .formatted(table.name(), table.columns()))
                        .collect(joining())
                + "commit");
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
