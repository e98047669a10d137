package dev.restis.app.finished;

import dev.restis.app.workshop.Workshop;
import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.time.Clock;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Hands over what was put in the outbox, once it is kept; what could not be is tried again. */
@Component
class OutboxRound {

    private static final Logger LOG = LoggerFactory.getLogger(OutboxRound.class);
    private static final int SOME = 20;

    private final EntityManager entities;
    private final Outbox outbox;
    private final Workshop workshop;
    private final TransactionTemplate transactions;
    private final Clock clock;

    OutboxRound(
            EntityManager entities, Outbox outbox, Workshop workshop, TransactionTemplate transactions, Clock clock) {
        this.entities = entities;
        this.outbox = outbox;
        this.workshop = workshop;
        this.transactions = transactions;
        this.clock = clock;
    }

    /** What somebody else hands over at this moment is passed over. */
    @Scheduled(initialDelay = 2_000, fixedDelay = 2_000)
    void round() {
        transactions.executeWithoutResult(status -> {
            List<Letter> waiting = entities.createNativeQuery("""
                            select * from letter where handed_over_at is null order by id limit :some for update skip locked
                            """, Letter.class)
                    .setParameter("some", SOME)
                    .getResultList();
            if (waiting.isEmpty()) {
                return;
            }
            String house = workshop.settings().name();
            for (Letter letter : waiting) {
                try {
                    outbox.take(letter.id(), letter.message(), house, letter.putAt());
                    letter.handedOver(clock.instant());
                } catch (IOException e) {
                    LOG.warn("Message {} waits in the outbox: {}", letter.id(), e.getMessage());
                }
            }
        });
    }
}
