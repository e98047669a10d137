package dev.restis.app.workshop;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A way in which parcels go. */
@Entity
@Table(name = "way")
@SuppressWarnings("NullAway.Init")
class WayRow {

    @Id
    private int place;

    private String name;
    private int days;

    protected WayRow() {}

    WayRow(int place, Ways.Way way) {
        this.place = place;
        become(way);
    }

    final void become(Ways.Way way) {
        name = way.name().strip();
        days = way.days();
    }

    Ways.Way way() {
        return new Ways.Way(name, days);
    }
}
