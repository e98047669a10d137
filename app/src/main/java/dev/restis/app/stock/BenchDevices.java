package dev.restis.app.stock;

import dev.restis.app.platform.Problems.Conflict;
import java.io.IOException;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The scale, the cord counter and the label printer on the bench. A device is asked over HTTP for what it shows: {@code GET /scale} answers
 * milligrams, {@code GET /counter} micrometres, as plain digits; {@code POST /labels} takes labels
 * as PDF, one to a page.
 */
@Component
public class BenchDevices {

    /** What can be asked. */
    enum Device {
        SCALE,
        COUNTER
    }

    private static final Duration PATIENCE = Duration.ofSeconds(3);

    private final String address;
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(PATIENCE).build();

    /**
     * @param address where the devices answer; empty when there are none
     */
    BenchDevices(@Value("${restis.devices:}") String address) throws UnknownHostException {
        this.address = address.strip();
        if (there()
                && !InetAddress.getByName(URI.create(this.address).getHost()).isLoopbackAddress()) {
            throw new IllegalArgumentException("restis.devices must be an address of this machine but was " + address);
        }
    }

    /** Prints labels, one to a page. */
    public void print(byte[] pdf) {
        send(request("/labels")
                .header("Content-Type", "application/pdf")
                .POST(HttpRequest.BodyPublishers.ofByteArray(pdf)));
    }

    /** Micrometres of cord that have run through the counter. */
    public long counter() {
        return read(Device.COUNTER);
    }

    public boolean there() {
        return !address.isBlank();
    }

    /** What a device shows in this moment. */
    long read(Device device) {
        String shown = send(request("/" + device.name().toLowerCase(java.util.Locale.ROOT)))
                .strip();
        if (!shown.matches("\\d{1,12}")) {
            throw new Conflict("device.silent");
        }
        return Long.parseLong(shown);
    }

    private HttpRequest.Builder request(String path) {
        if (!there()) {
            throw new Conflict("device.silent");
        }
        return HttpRequest.newBuilder(URI.create(address + path));
    }

    private String send(HttpRequest.Builder request) {
        try {
            HttpResponse<String> answer =
                    http.send(request.timeout(PATIENCE).build(), HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() >= 300) {
                throw new Conflict("device.silent");
            }
            return answer.body();
        } catch (IOException silent) {
            throw new Conflict("device.silent");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Conflict("device.silent");
        }
    }
}
