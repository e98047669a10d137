package dev.restis.app.workshop;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;

/** Wrong passwords of a name or an address. */
@Entity
@SuppressWarnings("NullAway.Init")
class SignInGuess {

    @Id
    private String key;

    @Column(name = "count")
    private int tries;

    private Instant since;

    protected SignInGuess() {}
}
