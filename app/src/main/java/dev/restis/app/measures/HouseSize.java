package dev.restis.app.measures;

import dev.restis.core.fit.SizeTable;
import dev.restis.core.measure.Length;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;

/** A size of the house's table. */
@Entity
@SuppressWarnings("NullAway.Init")
class HouseSize {

    /** Its place in the table, from 1. */
    @Id
    private int number;

    private String name;
    private long wristUm;
    private long handUm;

    protected HouseSize() {}

    HouseSize(int number, SizeTable.Row row) {
        this.number = number;
        this.name = row.name();
        this.wristUm = row.wrist().micrometres();
        this.handUm = row.hand().micrometres();
    }

    SizeTable.Row row() {
        return new SizeTable.Row(name, new Length(wristUm), new Length(handUm));
    }
}
