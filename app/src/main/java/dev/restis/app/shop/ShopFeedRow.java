package dev.restis.app.shop;

import dev.restis.core.measure.UnitSystem;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A shop that may deliver. */
@Entity
@Table(name = "shop_feed")
@SuppressWarnings("NullAway.Init")
class ShopFeedRow {

    @Id
    private String source;

    private String keyDigest;

    @Enumerated(EnumType.STRING)
    private UnitSystem units;

    private Instant madeAt;

    protected ShopFeedRow() {}

    ShopFeedRow(String source, String keyDigest, UnitSystem units, Instant madeAt) {
        this.source = source;
        this.keyDigest = keyDigest;
        this.units = units;
        this.madeAt = madeAt;
    }
}
