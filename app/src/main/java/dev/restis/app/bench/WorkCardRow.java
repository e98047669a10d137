package dev.restis.app.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A card as it was when a piece was begun; never rewritten. */
@Entity
@Immutable
@Table(name = "work_card")
@SuppressWarnings("NullAway.Init")
class WorkCardRow {

    @Id
    private long id;

    private String digest;

    @JdbcTypeCode(SqlTypes.JSON)
    private String card;

    protected WorkCardRow() {}

    String card() {
        return card;
    }
}
