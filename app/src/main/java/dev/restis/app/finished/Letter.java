package dev.restis.app.finished;

import dev.restis.app.finished.Letters.LetterKind;
import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** A message to a customer that somebody put in the outbox. */
@Entity
@SuppressWarnings("NullAway.Init")
class Letter {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "letter_number", allocationSize = 1)
    private long id;

    private long orderId;

    @Enumerated(EnumType.STRING)
    private LetterKind kind;

    private String recipient;
    private String subject;
    private String body;
    private Instant putAt;
    private String putBy;
    private @Nullable Instant handedOverAt;

    protected Letter() {}

    Letter(long order, LetterKind kind, Message message, Instant putAt, String putBy) {
        this.orderId = order;
        this.kind = kind;
        this.recipient = message.recipient();
        this.subject = message.subject();
        this.body = message.body();
        this.putAt = putAt;
        this.putBy = putBy;
    }

    /** What is read. */
    record Message(String recipient, String subject, String body) {

        /** Whether mail can be addressed so: to one, by the letters that addresses are made of. */
        static boolean reaches(String recipient) {
            try {
                InternetAddress address = new InternetAddress(recipient, true);
                return address.getAddress().equals(recipient) && recipient.indexOf('@') > 0;
            } catch (AddressException e) {
                return false;
            }
        }
    }

    long id() {
        return id;
    }

    Message message() {
        return new Message(recipient, subject, body);
    }

    Instant putAt() {
        return putAt;
    }

    void handedOver(Instant at) {
        handedOverAt = at;
    }

    Letters.LetterView view() {
        return new Letters.LetterView(id, kind, recipient, subject, body, putAt, putBy, handedOverAt);
    }
}
