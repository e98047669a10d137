package dev.restis.app.plan;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;

@Entity
@SuppressWarnings("NullAway.Init")
class Batch {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Version
    private int version;

    private String name;
    private Instant createdAt;
    private String createdBy;

    protected Batch() {}

    Batch(String name, Instant createdAt, String createdBy) {
        this.name = name;
        this.createdAt = createdAt;
        this.createdBy = createdBy;
    }

    long id() {
        return id;
    }
}
