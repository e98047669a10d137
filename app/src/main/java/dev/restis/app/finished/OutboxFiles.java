package dev.restis.app.finished;

import dev.restis.app.finished.Letter.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.Date;
import java.util.Properties;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Keeps messages as files in the form in which mail travels, so that any mail program opens them; nothing leaves by itself. */
@Component
class OutboxFiles implements Outbox {

    private static final String UTF_8 = StandardCharsets.UTF_8.name();
    /** For nobody answers here: whoever sends the file puts their own. */
    private static final String NOWHERE = "house@restis.invalid";

    private final Path folder;

    OutboxFiles(@Value("${restis.home:.restis}") Path home) {
        this.folder = home.resolve("outbox");
    }

    @Override
    public void take(long number, Message message, String from, Instant at) throws IOException {
        Files.createDirectories(folder);
        Path whole = folder.resolve(String.format("%08d.eml", number));
        Path part = folder.resolve(whole.getFileName() + ".part");
        try (OutputStream out = Files.newOutputStream(part)) {
            MimeMessage mail = new MimeMessage(Session.getInstance(new Properties()));
            mail.setFrom(new InternetAddress(NOWHERE, from, UTF_8));
            mail.setRecipients(MimeMessage.RecipientType.TO, InternetAddress.parse(message.recipient(), false));
            mail.setSubject(message.subject(), UTF_8);
            mail.setText(message.body(), UTF_8);
            mail.setSentDate(Date.from(at));
            mail.saveChanges();
            mail.writeTo(out);
        } catch (MessagingException e) {
            throw new IOException(e);
        }
        Files.move(part, whole, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    }
}
