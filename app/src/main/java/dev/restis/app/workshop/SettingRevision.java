package dev.restis.app.workshop;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;

/** How often a setting was changed. */
@Entity
@SuppressWarnings("NullAway.Init")
class SettingRevision {

    @Id
    @Enumerated(EnumType.STRING)
    private Setting setting;

    private int revision;

    protected SettingRevision() {}

    void change() {
        revision++;
    }

    int revision() {
        return revision;
    }
}
