package dev.restis.app;

import dev.restis.app.platform.database.Database;
import dev.restis.app.platform.database.LocalPostgres;
import dev.restis.app.platform.database.LocalPostgres.Durability;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** The one PostgreSQL server of all tests in this process, fast and forgetful; it ends with the process. */
public final class TestServer {

    private static final LocalPostgres SERVER = start();

    private TestServer() {}

    private static LocalPostgres start() {
        LocalPostgres server = LocalPostgres.start(folder("restis-test"), Durability.FORGETFUL);
        Runtime.getRuntime().addShutdownHook(new Thread(server::close));
        return server;
    }

    public static LocalPostgres server() {
        return SERVER;
    }

    /** An empty database of this name, in place of an earlier one; one after the other, since all copy the same template. */
    public static synchronized Database empty(String name) {
        JdbcClient server = client(SERVER.database());
        server.sql("drop database if exists " + name + " with (force)").update();
        server.sql("create database " + name).update();
        return SERVER.database(name);
    }

    public static JdbcClient client(Database database) {
        return JdbcClient.create(new DriverManagerDataSource(database.url(), database.user(), database.password()));
    }

    /** A folder that PostgreSQL's own user may look into. */
    public static Path folder(String name) {
        try {
            Path folder = Files.createTempDirectory(name);
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwxr-xr-x"));
            return folder;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
