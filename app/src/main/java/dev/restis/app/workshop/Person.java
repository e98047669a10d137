package dev.restis.app.workshop;

import dev.restis.core.measure.UnitSystem;
import dev.restis.core.stitch.Family;
import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import jakarta.persistence.MapKeyEnumerated;
import jakarta.persistence.Version;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
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

    @Enumerated(EnumType.STRING)
    Habits.Hand hand = Habits.Hand.RIGHT;

    String language = "";

    @Enumerated(EnumType.STRING)
    UnitSystem units = UnitSystem.METRIC;

    /** Minutes at the bench by day of the week. */
    @ElementCollection
    @CollectionTable(name = "maker_minutes", joinColumns = @JoinColumn(name = "person_id"))
    @MapKeyColumn(name = "day")
    @MapKeyEnumerated(EnumType.STRING)
    @Column(name = "minutes")
    Map<DayOfWeek, Integer> week = new HashMap<>();

    /** And on days that are otherwise. */
    @ElementCollection
    @CollectionTable(name = "maker_day", joinColumns = @JoinColumn(name = "person_id"))
    @MapKeyColumn(name = "day")
    @Column(name = "minutes")
    Map<LocalDate, Integer> days = new HashMap<>();

    /** When they are done for the day, where that is known. */
    @Nullable
    LocalTime benchEnds;

    /** What they tie; none is all. */
    @ElementCollection
    @CollectionTable(name = "maker_family", joinColumns = @JoinColumn(name = "person_id"))
    @Column(name = "family")
    @Enumerated(EnumType.STRING)
    Set<Family> families = new HashSet<>();

    /** Whether their minutes were shared out from the house's, and nobody has looked at them yet. */
    boolean minutesShared;

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
