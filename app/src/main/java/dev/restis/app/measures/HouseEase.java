package dev.restis.app.measures;

import dev.restis.core.fit.Ease;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;

/** How much wider than the wrist a band is inside, for one fit. */
@Entity
@SuppressWarnings("NullAway.Init")
class HouseEase {

    @Id
    @Enumerated(EnumType.STRING)
    Ease ease;

    long um;

    protected HouseEase() {}
}
