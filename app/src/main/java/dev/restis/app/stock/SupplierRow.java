package dev.restis.app.stock;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;

/** Who sells what the workshop uses. */
@Entity
@Table(name = "supplier")
@SuppressWarnings("NullAway.Init")
class SupplierRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Version
    private int version;

    private String name;
    private int leadDays;
    private BigDecimal minimum;
    private String note;

    protected SupplierRow() {}

    SupplierRow(String name, int leadDays, BigDecimal minimum, String note) {
        become(name, leadDays, minimum, note);
    }

    final void become(String called, int days, BigDecimal least, String remark) {
        name = called;
        leadDays = days;
        minimum = least;
        note = remark;
    }

    long id() {
        return id;
    }

    int version() {
        return version;
    }

    String name() {
        return name;
    }

    int leadDays() {
        return leadDays;
    }

    BigDecimal minimum() {
        return minimum;
    }
}
