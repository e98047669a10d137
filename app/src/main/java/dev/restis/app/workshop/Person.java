package dev.restis.app.workshop;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

@Entity
@SuppressWarnings("NullAway.Init")
class Person {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Version
    private int version;

    String name;
    String passwordHash;

    @Enumerated(EnumType.STRING)
    Role role;

    @Nullable
    Instant endedAt;

    protected Person() {}

    Person(String name, String passwordHash, Role role) {
        this.name = name;
        this.passwordHash = passwordHash;
        this.role = role;
    }

    long id() {
        return id;
    }
}
