package dev.restis.app.patterns;

import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.Revision;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A version of a pattern; never rewritten. */
@Entity
@Immutable
@Table(name = "pattern_version")
@IdClass(PatternVersionRow.Key.class)
@SuppressWarnings("NullAway.Init")
class PatternVersionRow {

    /** Which version of which pattern. */
    record Key(String code, int version) {}

    @Id
    private String code;

    @Id
    private int version;

    private String name;
    private boolean shipped;

    @JdbcTypeCode(SqlTypes.JSON)
    private String definition;

    private Instant createdAt;
    private String createdBy;

    /** Of a shipped pattern, where it says so. */
    @Nullable
    @Enumerated(EnumType.STRING)
    private Revision why;

    protected PatternVersionRow() {}

    PatternVersionRow(Pattern pattern, int version, boolean shipped, Instant at, String by, @Nullable Revision why) {
        this.code = pattern.code();
        this.version = version;
        this.name = pattern.name();
        this.shipped = shipped;
        this.definition = PatternJson.write(pattern);
        this.createdAt = at;
        this.createdBy = by;
        this.why = why;
    }

    boolean shipped() {
        return shipped;
    }

    String definition() {
        return definition;
    }
}
