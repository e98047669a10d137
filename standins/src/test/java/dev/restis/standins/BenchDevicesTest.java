package dev.restis.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BenchDevicesTest {

    private final HttpClient http = HttpClient.newHttpClient();

    private HttpResponse<String> send(HttpRequest.Builder request) throws Exception {
        return http.send(request.build(), BodyHandlers.ofString());
    }

    @TempDir
    Path labels = Path.of("");

    @Test
    void theLabelPrinterMakesAFileOfEachPdfAndOfNothingElse() throws Exception {
        try (BenchDevices devices = new BenchDevices(0, labels)) {
            HttpRequest.Builder print = HttpRequest.newBuilder(URI.create(devices.address() + "/labels"));
            assertThat(send(print.copy().POST(BodyPublishers.ofString("%PDF-1.7 and so on")))
                            .statusCode())
                    .isEqualTo(204);
            assertThat(send(print.copy().POST(BodyPublishers.ofString("hello"))).statusCode())
                    .isEqualTo(400);
            assertThat(labels).isDirectoryContaining("glob:**labels-0001.pdf");
            try (Stream<Path> files = Files.list(labels)) {
                assertThat(files).hasSize(1);
            }
        }
    }

    @Test
    void theScaleShowsWhatLiesOnIt() throws Exception {
        try (BenchDevices devices = new BenchDevices(0, labels)) {
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
