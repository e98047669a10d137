package dev.restis.app.demo;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Primary;
import org.springframework.stereotype.Component;

/** The clock of the house, which whoever fills the demo may set for what they do; everybody else sees what time it is. */
@Component
@Primary
@ConditionalOnProperty(name = "restis.demo", havingValue = "true")
class DemoClock extends Clock {

    private final Clock house;
    private final ThreadLocal<@Nullable Instant> set = new ThreadLocal<>();

    DemoClock(@Qualifier("houseClock") Clock house) {
        this.house = house;
    }

    /** Sets it for this thread, or lets it go again; never ahead of the house's. */
    void set(@Nullable Instant instant) {
        set.set(instant);
    }

    @Override
    public Instant instant() {
        Instant now = house.instant();
        Instant wanted = set.get();
        return wanted == null || wanted.isAfter(now) ? now : wanted;
    }

    @Override
    public ZoneId getZone() {
        return house.getZone();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return house.withZone(zone);
    }
}
