package dev.restis.app.shop;

import dev.restis.app.shop.Deliveries.DeliveryState;
import dev.restis.core.measure.UnitSystem;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** What a shop delivered; lists read parts of it only, as its body may be long. */
@Entity
@Table(name = "delivery")
@SuppressWarnings("NullAway.Init")
class DeliveryRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    private String source;
    private Instant sentAt;
    private Instant arrivedAt;
    private int times = 1;
    private String digest;

    /** Kept until it is taken. */
    private byte @Nullable [] body;

    private String[] orderReferences;

    @Enumerated(EnumType.STRING)
    private UnitSystem units;

    @Enumerated(EnumType.STRING)
    private DeliveryState state;

    @JdbcTypeCode(SqlTypes.JSON)
    String reasons = "[]";

    @Nullable
    private String settledBy;

    @Nullable
    private Instant settledAt;

    protected DeliveryRow() {}

    /** One that was looked at by nobody: its body is not kept. */
    DeliveryRow(
            ShopFeeds.Feed feed,
            Instant sentAt,
            Instant arrivedAt,
            String digest,
            String[] references,
            DeliveryState state) {
        this.source = feed.source();
        this.units = feed.units();
        this.sentAt = sentAt;
        this.arrivedAt = arrivedAt;
        this.digest = digest;
        this.orderReferences = references;
        this.state = state;
    }

    String source() {
        return source;
    }

    UnitSystem units() {
        return units;
    }

    byte[] body() {
        return body == null ? new byte[0] : body;
    }

    DeliveryState state() {
        return state;
    }

    /** Somebody settled it; what was taken needs its body no more. */
    void settled(DeliveryState as, String who, Instant at) {
        state = as;
        settledBy = who;
        settledAt = at;
        if (as == DeliveryState.TAKEN) {
            body = null;
        }
    }

    void waitsAgain() {
        state = DeliveryState.WAITING;
        settledBy = null;
        settledAt = null;
    }
}
