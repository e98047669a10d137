package dev.restis.app.platform;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/**
 * The letters of a file. A byte-order mark says which encoding it is; without one it is UTF-8 if it can be, and else what
 * old office programs write (windows-1252).
 *
 * @param encoding as it was recognised
 */
record FileText(String encoding, String text) {

    private static final Charset OLD_OFFICE = Charset.forName("windows-1252");

    static FileText of(byte[] bytes) {
        FileText read = marked(bytes)
                .or(() -> decode(bytes, StandardCharsets.UTF_8))
                .or(() -> decode(bytes, OLD_OFFICE))
                .orElseThrow(() -> new Rejected(Fault.of("file", "file.notText")));
        if (read.text().indexOf('\0') >= 0) {
            throw new Rejected(Fault.of("file", "file.notText"));
        }
        return read.text().startsWith("\uFEFF")
                ? new FileText(read.encoding(), read.text().substring(1))
                : read;
    }

    private static Optional<FileText> marked(byte[] bytes) {
        if (bytes.length < 2) {
            return Optional.empty();
        }
        int mark = (bytes[0] & 0xFF) << 8 | bytes[1] & 0xFF;
        return switch (mark) {
            case 0xFEFF -> decode(bytes, StandardCharsets.UTF_16BE);
            case 0xFFFE -> decode(bytes, StandardCharsets.UTF_16LE);
            default -> Optional.empty();
        };
    }

    private static Optional<FileText> decode(byte[] bytes, Charset charset) {
        try {
            return Optional.of(new FileText(
                    charset.name(),
                    charset.newDecoder()
                            .onMalformedInput(CodingErrorAction.REPORT)
                            .onUnmappableCharacter(CodingErrorAction.REPORT)
                            .decode(ByteBuffer.wrap(bytes))
                            .toString()));
        } catch (CharacterCodingException e) {
            return Optional.empty();
        }
    }
}
