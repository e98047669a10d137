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
 * The scale and the cord counter on the bench. A device is asked over HTTP for what it shows: {@code GET /scale} answers
 * milligrams, {@code GET /counter} micrometres, as plain digits.
 */
@Component
class BenchDevices {

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

    boolean there() {
        return !address.isBlank();
    }

    /** What a device shows in this moment. */
    long read(Device device) {
        if (!there()) {
            throw new Conflict("device.silent");
        }
        try {
            HttpRequest request = HttpRequest.newBuilder(
                            URI.create(address + "/" + device.name().toLowerCase(java.util.Locale.ROOT)))
                    .timeout(PATIENCE)
                    .build();
            String shown = http.send(request, HttpResponse.BodyHandlers.ofString())
                    .body()
                    .strip();
            if (!shown.matches("\\d{1,12}")) {
                throw new Conflict("device.silent");
            }
            return Long.parseLong(shown);
        } catch (IOException silent) {
            throw new Conflict("device.silent");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Conflict("device.silent");
        }
    }
}
