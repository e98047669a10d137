package dev.restis.app.workshop;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpMethod;

/** The table of who may do what: {@code rights.txt}, one line for each operation. */
public final class Rights {

    /** Who may do something. */
    public enum Who {
        /** Without signing in. */
        ANYONE,
        /** Whoever shows a shop's key, which its own door looks at. */
        SHOP,
        PERSON,
        OWNER
    }

    /** @param path with names in braces for what stands for any */
    public record Right(HttpMethod method, String path, Who who) {}

    private Rights() {}

    public static List<Right> all() {
        try {
            return new ClassPathResource("rights.txt")
                    .getContentAsString(StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.isBlank() && !line.startsWith("#"))
                    .map(Rights::read)
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException("The table of rights cannot be read", e);
        }
    }

    private static Right read(String line) {
        String[] cells = line.strip().split(" +");
        return new Right(HttpMethod.valueOf(cells[0]), cells[1], Who.valueOf(cells[2]));
    }
}
