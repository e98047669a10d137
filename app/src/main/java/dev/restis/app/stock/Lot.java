package dev.restis.app.stock;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.LocalDate;

@Entity
@SuppressWarnings("NullAway.Init")
class Lot {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Version
    private int version;

    private long articleId;
    private String code;
    private LocalDate receivedOn;

    protected Lot() {}

    Lot(long articleId, String code, LocalDate receivedOn) {
        this.articleId = articleId;
        this.code = code;
        this.receivedOn = receivedOn;
    }

    long id() {
        return id;
    }
}
