package dev.restis.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import org.junit.jupiter.api.Test;

class BenchDevicesTest {

    private final HttpClient http = HttpClient.newHttpClient();

    private HttpResponse<String> send(HttpRequest.Builder request) throws Exception {
        return http.send(request.build(), BodyHandlers.ofString());
    }

    @Test
    void theScaleShowsWhatLiesOnIt() throws Exception {
        try (BenchDevices devices = new BenchDevices(0)) {
            HttpRequest.Builder scale = HttpRequest.newBuilder(URI.create(devices.address() + "/scale"));
            assertThat(send(scale.copy().GET()).body()).isEqualTo("0");
            assertThat(send(scale.copy().PUT(BodyPublishers.ofString("280000"))).statusCode())
                    .isEqualTo(204);
            assertThat(send(scale.copy().PUT(BodyPublishers.ofString("a lot"))).statusCode())
                    .isEqualTo(400);
            assertThat(send(scale.copy().GET()).body()).isEqualTo("280000");
            HttpRequest.Builder counter = HttpRequest.newBuilder(URI.create(devices.address() + "/counter"));
            assertThat(send(counter.GET()).body()).isEqualTo("0");
        }
    }
}
