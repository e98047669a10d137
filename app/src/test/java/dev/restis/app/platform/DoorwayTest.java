package dev.restis.app.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DoorwayTest {

    @TempDir
    private Path folder;

    private Map<String, String> withKeystore() throws IOException {
        Map<String, String> settings = new HashMap<>();
        settings.put(
                "RESTIS_KEYSTORE",
                Files.writeString(folder.resolve("door.p12"), "x").toString());
        settings.put(
                "RESTIS_KEYSTORE_PASSWORD_FILE",
                Files.writeString(folder.resolve("word"), "hush\n").toString());
        return settings;
    }

    @Test
    void onItsOwnItStaysOnLoopback() {
        Doorway doorway = Doorway.of(Map.of(), 18420);
        assertThat(doorway.listen().isLoopbackAddress()).isTrue();
        assertThat(doorway.address()).isEqualTo("http://127.0.0.1:" + doorway.port());
        assertThat(doorway.properties())
                .containsEntry("server.address", "127.0.0.1")
                .containsEntry("server.servlet.session.cookie.secure", false)
                .doesNotContainKeys("server.ssl.key-store", "restis.known-address");
    }

    @Test
    void takesTheNextPortWhereNobodyWasToldWhich() throws IOException {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            int first = taken.getLocalPort();
            assertThat(Doorway.of(Map.of(), first).port()).isGreaterThan(first);
            assertThatThrownBy(() -> Doorway.of(Map.of("RESTIS_ADDRESS", "http://bench.example:1"), first))
                    .isInstanceOf(CannotStart.class)
                    .hasMessageContaining("Port " + first + " is taken");
        }
    }

    @Test
    void othersReachItOverTlsOnly() throws IOException {
        assertThatThrownBy(() -> Doorway.of(Map.of("RESTIS_LISTEN", "0.0.0.0"), 18430))
                .isInstanceOf(CannotStart.class)
                .hasMessageContainingAll("RESTIS_LISTEN", "RESTIS_KEYSTORE");
        Map<String, String> settings = withKeystore();
        settings.put("RESTIS_LISTEN", "0.0.0.0");
        settings.put("RESTIS_ADDRESS", "https://bench.example:8420/");
        Doorway doorway = Doorway.of(settings, 18440);
        assertThat(doorway.address()).isEqualTo("https://bench.example:8420");
        assertThat(doorway.properties())
                .containsEntry("server.ssl.key-store-password", "hush")
                .containsEntry("server.servlet.session.cookie.secure", true)
                .containsEntry("restis.known-address", "https://bench.example:8420");
    }

    @ParameterizedTest
    @ValueSource(strings = {"bench", "ftp://bench.example", "https://", "http://a b"})
    void anAddressThatNobodyCanOpenIsRefused(String address) {
        assertThatThrownBy(() -> Doorway.of(Map.of("RESTIS_ADDRESS", address), 18450))
                .isInstanceOf(CannotStart.class)
                .hasMessageContaining("RESTIS_ADDRESS");
    }

    @Test
    void aKeystoreNeedsItsPassword() throws IOException {
        Map<String, String> settings = withKeystore();
        settings.remove("RESTIS_KEYSTORE_PASSWORD_FILE");
        assertThatThrownBy(() -> Doorway.of(settings, 18460)).hasMessageContaining("RESTIS_KEYSTORE_PASSWORD_FILE");
        Map<String, String> missing = withKeystore();
        missing.put("RESTIS_KEYSTORE", folder.resolve("none.p12").toString());
        assertThatThrownBy(() -> Doorway.of(missing, 18460)).hasMessageContaining("RESTIS_KEYSTORE is");
    }
}
