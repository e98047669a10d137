package dev.restis.app.platform;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Where Restis listens, and how others reach it. On its own it listens on loopback only, without TLS; anywhere else it
 * wants TLS, because passwords come in by this way.
 *
 * @param listen the address that it listens on
 * @param port 1 to 65535
 * @param address what people open, and codes on tags carry; without a slash at its end
 * @param named whether the house says what people open; else it is where this machine happens to listen
 * @param keystore what TLS is proved with, where it is used
 */
record Doorway(InetAddress listen, int port, String address, boolean named, Optional<Keystore> keystore) {

    /** A PKCS12 file with a key and its certificate. */
    record Keystore(Path file, String password) {}

    static final int FIRST_PORT = 8420;
    private static final int PORTS_TRIED = 20;

    /**
     * Reads RESTIS_LISTEN, RESTIS_ADDRESS, RESTIS_KEYSTORE and RESTIS_KEYSTORE_PASSWORD_FILE.
     *
     * @param first the port to take; others may take it where nobody is told the address
     * @throws CannotStart naming the setting that cannot be used, and the remedy
     */
    static Doorway of(Map<String, String> environment, int first) {
        InetAddress listen =
                listen(environment.getOrDefault("RESTIS_LISTEN", "127.0.0.1").strip());
        Optional<Keystore> keystore = Optional.ofNullable(environment.get("RESTIS_KEYSTORE"))
                .map(file -> keystore(Path.of(file), environment.get("RESTIS_KEYSTORE_PASSWORD_FILE")));
        if (keystore.isEmpty() && !listen.isLoopbackAddress()) {
            throw new CannotStart(
                    "RESTIS_LISTEN is " + listen.getHostAddress() + ", which others can reach, and passwords"
                            + " must not cross a network in the open. Name a keystore with RESTIS_KEYSTORE and"
                            + " RESTIS_KEYSTORE_PASSWORD_FILE; the README says how to make one.");
        }
        Optional<String> known =
                Optional.ofNullable(environment.get("RESTIS_ADDRESS")).map(Doorway::address);
        int port = freePort(listen, first, known.isPresent() ? 1 : PORTS_TRIED);
        String scheme = keystore.isPresent() ? "https" : "http";
        String host = listen.isAnyLocalAddress() ? "127.0.0.1" : listen.getHostAddress();
        return new Doorway(listen, port, known.orElse(scheme + "://" + host + ":" + port), known.isPresent(), keystore);
    }

    private static InetAddress listen(String typed) {
        try {
            return InetAddress.getByName(typed);
        } catch (IOException e) {
            throw new CannotStart(
                    "RESTIS_LISTEN is '" + typed
                            + "', which is no address of this machine. Write one, such as 192.168.1.20, or 0.0.0.0 for all.",
                    e);
        }
    }

    private static String address(String typed) {
        try {
            URI uri = URI.create(typed.strip());
            if (uri.getHost() != null && ("https".equals(uri.getScheme()) || "http".equals(uri.getScheme()))) {
                return uri.toString().replaceAll("/+$", "");
            }
        } catch (IllegalArgumentException e) {
            // Told below, with what is not an address for other reasons.
        }
        throw new CannotStart(
                "RESTIS_ADDRESS is '" + typed
                        + "', which nobody can open. Write what people type into a browser, such as https://bench.example:8420.");
    }

    private static Keystore keystore(Path file, @org.jspecify.annotations.Nullable String passwordFile) {
        if (!Files.isReadable(file)) {
            throw new CannotStart("RESTIS_KEYSTORE is " + file + ", which is not there or cannot be read.");
        }
        if (passwordFile == null) {
            throw new CannotStart(
                    "RESTIS_KEYSTORE_PASSWORD_FILE is missing. It names a file that holds the keystore's password.");
        }
        try {
            return new Keystore(
                    file.toAbsolutePath(),
                    Files.readString(Path.of(passwordFile)).strip());
        } catch (IOException e) {
            throw new CannotStart("RESTIS_KEYSTORE_PASSWORD_FILE is " + passwordFile + ", which cannot be read.", e);
        }
    }

    private static int freePort(InetAddress listen, int first, int tried) {
        for (int port = first; port < first + tried; port++) {
            try (ServerSocket socket = new ServerSocket(port, 1, listen)) {
                return socket.getLocalPort();
            } catch (IOException e) {
                System.err.println(
                        "Port " + port + " is taken" + (port + 1 < first + tried ? "; trying the next." : "."));
            }
        }
        throw new CannotStart(
                tried == 1
                        ? "Port " + first
                                + " is taken, and RESTIS_ADDRESS names what people open. Free it, or choose another"
                                + " with RESTIS_PORT."
                        : "Ports " + first + " to " + (first + tried - 1)
                                + " are all taken. Free one, or choose another with RESTIS_PORT.");
    }

    /** As Spring knows them. */
    Map<String, Object> properties() {
        Map<String, Object> properties = new LinkedHashMap<>();
        properties.put("server.address", listen.getHostAddress());
        properties.put("server.port", port);
        if (named) {
            properties.put("restis.known-address", address);
        }
        keystore.ifPresent(k -> {
            properties.put("server.ssl.key-store", k.file().toUri().toString());
            properties.put("server.ssl.key-store-password", k.password());
            properties.put("server.ssl.key-store-type", "PKCS12");
        });
        // Behind a proxy that speaks TLS, what people open says so.
        properties.put("server.servlet.session.cookie.secure", address.startsWith("https:"));
        return properties;
    }
}
