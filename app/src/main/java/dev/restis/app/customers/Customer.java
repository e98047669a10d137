package dev.restis.app.customers;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.StringJoiner;
import org.jspecify.annotations.Nullable;

/** A customer by one of their names; the other names of the same one are rows that are merged into it. */
@Entity
@SuppressWarnings("NullAway.Init")
class Customer {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "customer_number", allocationSize = 50)
    private long id;

    @Version
    private int version;

    String name;
    String address = "";
    String email = "";
    String language = "";

    @Nullable
    Long wristUm;

    @Nullable
    Long handUm;

    @Nullable
    Instant measuredAt;

    @ManyToOne
    @JoinColumn(name = "merged_into")
    @Nullable
    Customer mergedInto;

    @Nullable
    Instant namelessAt;

    private String search = "";
    private Instant createdAt;

    protected Customer() {}

    Customer(String name, Instant createdAt) {
        this.name = name;
        this.createdAt = createdAt;
    }

    long id() {
        return id;
    }

    int version() {
        return version;
    }

    Instant createdAt() {
        return createdAt;
    }

    /** @param otherNames of the same customer */
    void findable(Collection<String> otherNames) {
        StringJoiner text = new StringJoiner(" ");
        text.add(name).add(email).add(address);
        otherNames.forEach(text::add);
        search = text.toString().strip().toLowerCase(Locale.ROOT);
    }

    /** What somebody said of them. */
    List<String> told() {
        return List.of(address, email, language, String.valueOf(wristUm), String.valueOf(handUm));
    }

    /** As the other was measured. */
    void measured(Customer other) {
        wristUm = other.wristUm;
        handUm = other.handUm;
        measuredAt = other.measuredAt;
    }

    /** Nothing that tells who it was is left. */
    void forget(Instant now) {
        name = "";
        address = "";
        email = "";
        language = "";
        wristUm = null;
        handUm = null;
        measuredAt = null;
        search = "";
        namelessAt = now;
    }
}
