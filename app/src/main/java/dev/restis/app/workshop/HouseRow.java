package dev.restis.app.workshop;

import dev.restis.core.work.WorkSteps;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** The house, in its one row. Each setting is changed by itself, so only what was changed is written. */
@Entity
@Table(name = "workshop")
@DynamicUpdate
@SuppressWarnings("NullAway.Init")
class HouseRow {

    /** The only one there can be. */
    static final boolean KEY = true;

    @Id
    private boolean id = KEY;

    String name;

    @JdbcTypeCode(SqlTypes.CHAR)
    @Column(length = 3)
    String currency = "EUR";

    String margin = "BY_COST";
    String zone;
    String address = "";
    private boolean checks;
    private boolean packs;
    private boolean gatesRemind;
    private boolean timer = true;

    protected HouseRow() {}

    HouseRow(String name, String zone) {
        this.name = name;
        this.zone = zone;
    }

    WorkSteps steps() {
        return new WorkSteps(checks, packs);
    }

    void steps(WorkSteps steps) {
        checks = steps.checks();
        packs = steps.packs();
    }

    Workshop.BenchRules bench() {
        return new Workshop.BenchRules(gatesRemind, timer);
    }

    void bench(Workshop.BenchRules rules) {
        gatesRemind = rules.gatesRemind();
        timer = rules.timer();
    }
}
