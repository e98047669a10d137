package dev.restis.app.platform.database;

import java.io.IOException;
import java.net.InetAddress;
import java.net.URLEncoder;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Where a PostgreSQL database answers, and who asks it.
 *
 * @param port 1 to 65535
 * @param authority file of the certificate authorities that a server away from this machine is checked against; where it is
 *     empty, those of the Java installation
 */
public record Database(String host, int port, String name, String user, String password, Optional<Path> authority) {

    private static final Pattern ADDRESS =
            Pattern.compile("(\\[[0-9a-fA-F:]+]|[^:/\\[\\]]+)(?::(\\d{1,5}))?/([^/?#]+)");
    private static final int USUAL_PORT = 5432;

    /** A database on this machine. */
    public Database(String host, int port, String name, String user, String password) {
        this(host, port, name, user, password, Optional.empty());
    }

    /**
     * The server of one's own that the environment names, if it does.
     *
     * @param environment RESTIS_DATABASE as {@code host[:port]/name}, RESTIS_DATABASE_USER, RESTIS_DATABASE_PASSWORD_FILE
     *     and, for a server whose certificate no public authority signed, RESTIS_DATABASE_CA
     * @throws IllegalArgumentException naming the setting that cannot be used, and the remedy
     */
    public static Optional<Database> named(Map<String, String> environment) {
        String typed = environment.getOrDefault("RESTIS_DATABASE", "").strip();
        if (typed.isEmpty()) {
            return Optional.empty();
        }
        Matcher address = ADDRESS.matcher(typed);
        if (!address.matches()) {
            throw new IllegalArgumentException("RESTIS_DATABASE is '" + typed
                    + "', which is no database. Write host/name or host:port/name, such as db.example:5432/restis.");
        }
        int port = address.group(2) == null ? USUAL_PORT : Integer.parseInt(address.group(2));
        if (port < 1 || port > 65535) {
            throw new IllegalArgumentException("RESTIS_DATABASE names port " + port + "; ports go from 1 to 65535.");
        }
        Optional<Path> authority =
                Optional.ofNullable(environment.get("RESTIS_DATABASE_CA")).map(Path::of);
        return Optional.of(new Database(
                address.group(1).replaceAll("[\\[\\]]", ""),
                port,
                address.group(3),
                required(environment.get("RESTIS_DATABASE_USER"), "RESTIS_DATABASE_USER", "the user to sign in as"),
                password(environment.get("RESTIS_DATABASE_PASSWORD_FILE")),
                authority));
    }

    private static String required(@Nullable String value, String setting, String what) {
        if (value == null || value.isBlank()) {
            throw new IllegalArgumentException(
                    setting + " is missing. With RESTIS_DATABASE it must name " + what + ".");
        }
        return value.strip();
    }

    private static String password(@Nullable String file) {
        String path = required(file, "RESTIS_DATABASE_PASSWORD_FILE", "a file that holds the password");
        try {
            return Files.readString(Path.of(path)).strip();
        } catch (IOException e) {
            throw new IllegalArgumentException(
                    "RESTIS_DATABASE_PASSWORD_FILE is " + path
                            + ", which cannot be read. Name a file that holds nothing"
                            + " but the password and that the user who starts Restis may read.",
                    e);
        }
    }

    /** Whether it is reached without leaving this machine; anywhere else is asked over TLS only. */
    public boolean onThisMachine() {
        try {
            return InetAddress.getByName(host).isLoopbackAddress();
        } catch (UnknownHostException e) {
            return false;
        }
    }

    public String url() {
        String place = host.contains(":") ? "[" + host + "]" : host;
        String url = "jdbc:postgresql://" + place + ":" + port + "/" + URLEncoder.encode(name, StandardCharsets.UTF_8);
        if (onThisMachine()) {
            return url;
        }
        return url + "?sslmode=verify-full"
                + authority
                        .map(a -> "&sslrootcert=" + URLEncoder.encode(a.toString(), StandardCharsets.UTF_8))
                        .orElse("&sslfactory=org.postgresql.ssl.DefaultJavaSSLFactory");
    }

    /** What PostgreSQL's own programs read from their environment, so that no password stands in a command. */
    public Map<String, String> environment() {
        Map<String, String> environment = new LinkedHashMap<>();
        environment.put("PGHOST", host);
        environment.put("PGPORT", String.valueOf(port));
        environment.put("PGDATABASE", name);
        environment.put("PGUSER", user);
        environment.put("PGPASSWORD", password);
        environment.put("PGCONNECT_TIMEOUT", "20");
        if (!onThisMachine()) {
            environment.put("PGSSLMODE", "verify-full");
            environment.put(
                    "PGSSLROOTCERT", authority.map(Path::toString).orElse("/etc/ssl/certs/ca-certificates.crt"));
        }
        return environment;
    }

    /** Without the password. */
    @Override
    public String toString() {
        return user + " at " + host + ":" + port + "/" + name;
    }
}
