package dev.restis.app.platform;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 in hex, for telling bodies and keys apart without keeping them. */
public final class Digests {

    private Digests() {}

    public static String of(String text) {
        return of(text.getBytes(StandardCharsets.UTF_8));
    }

    public static String of(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible state: every Java has SHA-256", e);
        }
    }
}
