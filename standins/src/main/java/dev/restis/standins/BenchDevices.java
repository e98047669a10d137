package dev.restis.standins;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * A bench scale, a cord counter and a label printer. {@code GET /scale} answers what lies on the scale in milligrams, {@code GET /counter}
 * what ran through the counter in micrometres; {@code PUT} to either lays something on it or runs cord through, in the same
 * plain digits. {@code POST /labels} prints: each PDF becomes a file.
 */
public final class BenchDevices implements AutoCloseable {

    private static final int LONGEST = 12;

    private static final int MOST_BYTES = 20_000_000;

    private final HttpServer server;
    private final Path labels;
    private final AtomicInteger printed = new AtomicInteger();
    private final Map<String, Long> shown = new ConcurrentHashMap<>(Map.of("/scale", 0L, "/counter", 0L));

    /**
     * @param port on this machine only; 0 for any that is free
     * @param labels where printed labels go
     */
    public BenchDevices(int port, Path labels) throws IOException {
        this.labels = Files.createDirectories(labels);
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        shown.keySet().forEach(path -> server.createContext(path, this::handle));
        server.createContext("/labels", this::print);
        server.start();
    }

    public String address() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    private void print(HttpExchange exchange) throws IOException {
        try (exchange) {
            byte[] pdf = exchange.getRequestBody().readNBytes(MOST_BYTES);
            boolean isPdf = new String(pdf, 0, Math.min(5, pdf.length), StandardCharsets.US_ASCII).equals("%PDF-");
            if (isPdf) {
                Files.write(labels.resolve("labels-%04d.pdf".formatted(printed.incrementAndGet())), pdf);
            }
            exchange.sendResponseHeaders(isPdf ? 204 : 400, -1);
        }
    }

    private void handle(HttpExchange exchange) throws IOException {
        try (exchange) {
            String path = exchange.getRequestURI().getPath();
            if (!shown.containsKey(path)) {
                exchange.sendResponseHeaders(404, -1);
            } else if (exchange.getRequestMethod().equals("PUT")) {
                String digits = new String(exchange.getRequestBody().readNBytes(LONGEST + 1), StandardCharsets.US_ASCII)
                        .strip();
                boolean readable = digits.matches("\\d{1," + LONGEST + "}");
                if (readable) {
                    shown.put(path, Long.parseLong(digits));
                }
                exchange.sendResponseHeaders(readable ? 204 : 400, -1);
            } else {
                byte[] answer = String.valueOf(shown.get(path)).getBytes(StandardCharsets.US_ASCII);
                exchange.sendResponseHeaders(200, answer.length);
                exchange.getResponseBody().write(answer);
            }
        }
    }

    @Override
    public void close() {
        server.stop(0);
    }

    /** Usage: port, directory for labels. Runs until it is stopped. */
    public static void main(String[] args) throws IOException {
        if (args.length != 2 || !args[0].matches("\\d{1,5}")) {
            System.err.println("Usage: BenchDevices PORT DIRECTORY");
            System.exit(2);
        }
        BenchDevices devices = new BenchDevices(Integer.parseInt(args[0]), Path.of(args[1]));
        System.out.println("Scale, counter and label printer answer at " + devices.address());
        System.out.println("Printed labels go to " + devices.labels);
        System.out.println("Lay 280 g on the scale:   curl -X PUT -d 280000 " + devices.address() + "/scale");
        System.out.println("Run 12.4 m through:       curl -X PUT -d 12400000 " + devices.address() + "/counter");
    }
}
