package dev.restis.app.shop;

import dev.restis.app.platform.Digests;
import jakarta.persistence.EntityManager;
import java.time.Instant;
import org.hibernate.query.NativeQuery;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What of shops only PostgreSQL can say. */
@Component
class ShopSql {

    private final EntityManager entities;

    ShopSql(EntityManager entities) {
        this.entities = entities;
    }

    /** Puts a delivery into the tray; the same once more is counted, as long as it lies there: its key is one of a part of the table. */
    @Transactional
    public void intoTray(
            ShopFeeds.Feed feed, Instant sentAt, Instant arrivedAt, byte[] body, String[] references, String reasons) {
        entities.createNativeQuery("""
                        insert into delivery (source, sent_at, arrived_at, digest, body, order_references, units, state, reasons)
                        values (:source, :sent, :arrived, :digest, :body, :references, :units, 'WAITING', cast(:reasons as jsonb))
                        on conflict (source, digest) where state in ('WAITING', 'SET_ASIDE')
                        do update set times = delivery.times + 1, sent_at = greatest(delivery.sent_at, excluded.sent_at)
                        """)
                .unwrap(NativeQuery.class)
                .addSynchronizedEntityClass(DeliveryRow.class)
                .setParameter("source", feed.source())
                .setParameter("sent", sentAt)
                .setParameter("arrived", arrivedAt)
                .setParameter("digest", Digests.of(body))
                .setParameter("body", body)
                .setParameter("references", references)
                .setParameter("units", feed.units().name())
                .setParameter("reasons", reasons)
                .executeUpdate();
    }
}
