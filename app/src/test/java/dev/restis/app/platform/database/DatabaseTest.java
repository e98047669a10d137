package dev.restis.app.platform.database;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DatabaseTest {

    @TempDir
    private Path folder;

    private Map<String, String> settings(String address) throws IOException {
        Map<String, String> settings = new HashMap<>();
        settings.put("RESTIS_DATABASE", address);
        settings.put("RESTIS_DATABASE_USER", "keeper");
        settings.put(
                "RESTIS_DATABASE_PASSWORD_FILE",
                Files.writeString(folder.resolve("password"), "hush-hush\n").toString());
        return settings;
    }

    @Test
    void withoutASettingRestisHasItsOwn() {
        assertThat(Database.named(Map.of())).isEmpty();
    }

    @Test
    void onThisMachineItIsAskedInTheOpen() throws IOException {
        Database database = Database.named(settings("127.0.0.1:5433/restis")).orElseThrow();
        assertThat(database.url()).isEqualTo("jdbc:postgresql://127.0.0.1:5433/restis");
        assertThat(database.password()).isEqualTo("hush-hush");
        assertThat(database.environment()).containsEntry("PGPORT", "5433").doesNotContainKey("PGSSLMODE");
        assertThat(Database.named(settings("[::1]/restis")).orElseThrow().url())
                .isEqualTo("jdbc:postgresql://[::1]:5432/restis");
    }

    @Test
    void anywhereElseItIsAskedOverTlsAndKnownByItsCertificate() throws IOException {
        Map<String, String> settings = settings("192.0.2.7/restis");
        assertThat(Database.named(settings).orElseThrow().url())
                .isEqualTo("jdbc:postgresql://192.0.2.7:5432/restis?sslmode=verify-full"
                        + "&sslfactory=org.postgresql.ssl.DefaultJavaSSLFactory");
        settings.put("RESTIS_DATABASE_CA", "/etc/house ca.pem");
        Database database = Database.named(settings).orElseThrow();
        assertThat(database.url()).endsWith("?sslmode=verify-full&sslrootcert=%2Fetc%2Fhouse+ca.pem");
        assertThat(database.environment())
                .containsEntry("PGSSLMODE", "verify-full")
                .containsEntry("PGSSLROOTCERT", "/etc/house ca.pem");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"restis", "host/", "host:0/restis", "host:70000/restis", "host/a?sslmode=disable", "a b:x/c"})
    void whatIsNoDatabaseIsRefusedByName(String address) throws IOException {
        Map<String, String> settings = settings(address);
        assertThatThrownBy(() -> Database.named(settings)).hasMessageContaining("RESTIS_DATABASE");
    }

    @Test
    void whatIsMissingIsNamed() throws IOException {
        Map<String, String> settings = settings("host/restis");
        settings.remove("RESTIS_DATABASE_USER");
        assertThatThrownBy(() -> Database.named(settings)).hasMessageContaining("RESTIS_DATABASE_USER is missing");
        Map<String, String> unreadable = settings("host/restis");
        unreadable.put("RESTIS_DATABASE_PASSWORD_FILE", folder.resolve("none").toString());
        assertThatThrownBy(() -> Database.named(unreadable)).hasMessageContaining("cannot be read");
    }

    @Test
    void itsPasswordIsNotShown() throws IOException {
        assertThat(Database.named(settings("host/restis")).orElseThrow())
                .asString()
                .isEqualTo("keeper at host:5432/restis");
    }
}
