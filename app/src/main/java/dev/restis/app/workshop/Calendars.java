package dev.restis.app.workshop;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.batch.MakerCalendar;
import dev.restis.core.batch.OpenMinutes;
import dev.restis.core.measure.Fault;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** When each maker is at the bench. */
@Service
public class Calendars {

    /** A day that is not as its week. */
    public record OtherDay(LocalDate day, int minutes) {}

    /**
     * When a maker is at the bench.
     *
     * @param shared whether their minutes were shared out from the house's, and nobody has looked at them yet
     * @param revision of what is changed
     */
    public record CalendarView(
            long person,
            String name,
            boolean shared,
            Map<DayOfWeek, Integer> week,
            List<OtherDay> days,
            int revision) {}

    /** A calendar as it shall be. */
    public record Calendar(Map<DayOfWeek, Integer> week, List<OtherDay> days, int revision) {}

    /** As a new house begins: four hours on weekdays. */
    private static final int FIRST_MINUTES = 240;

    private static final int MOST_DAYS = 400;

    private final People people;
    private final SettingRevisions revisions;

    Calendars(People people, SettingRevisions revisions) {
        this.people = people;
        this.revisions = revisions;
    }

    /** All who may come in, by name. */
    @Transactional(readOnly = true)
    public List<CalendarView> all() {
        int revision = revisions.of(Setting.OPEN_MINUTES);
        return people.present().stream().map(p -> view(p, revision)).toList();
    }

    @Transactional(readOnly = true)
    public CalendarView of(long person) {
        return view(person(person), revisions.of(Setting.OPEN_MINUTES));
    }

    /** All of them together, from which days are promised until there is a plan. */
    @Transactional(readOnly = true)
    public OpenMinutes openMinutes() {
        return new OpenMinutes(people.present().stream()
                .map(p -> new MakerCalendar(p.week, p.days))
                .toList());
    }

    /**
     * Makers keep their own; owners also others'.
     *
     * @return the revision that stands from now on
     */
    @Transactional
    public int keep(long id, Calendar calendar) {
        Person person = person(id);
        if (!person.name.equals(Workshop.whoever()) && !Workshop.mayForOthers()) {
            throw new Conflict("notYours", person.name);
        }
        List<Fault> faults = new ArrayList<>();
        calendar.week().forEach((day, minutes) -> check("week." + day, minutes, faults));
        Map<LocalDate, Integer> days = new TreeMap<>();
        for (OtherDay other : calendar.days()) {
            check("days." + other.day(), other.minutes(), faults);
            days.put(other.day(), other.minutes());
        }
        if (days.size() > MOST_DAYS) {
            faults.add(Fault.of("days", "days.many", days.size(), MOST_DAYS));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        int next = revisions.next(Setting.OPEN_MINUTES, calendar.revision());
        put(person.week, calendar.week());
        put(person.days, days);
        person.minutesShared = false;
        return next;
    }

    /** The first owner of a new house. */
    @Transactional
    public void begin(String name) {
        Person person = people.findByName(name).orElseThrow(() -> new NotFound("notFound"));
        for (DayOfWeek day : List.of(
                DayOfWeek.MONDAY, DayOfWeek.TUESDAY, DayOfWeek.WEDNESDAY, DayOfWeek.THURSDAY, DayOfWeek.FRIDAY)) {
            person.week.put(day, FIRST_MINUTES);
        }
    }

    private static <K> void put(Map<K, Integer> kept, Map<K, Integer> wanted) {
        kept.keySet().retainAll(wanted.keySet());
        kept.putAll(wanted);
    }

    private static void check(String field, int minutes, List<Fault> faults) {
        if (minutes < 0 || minutes > MakerCalendar.MOST) {
            faults.add(Fault.of(field, "minutes.range", minutes, MakerCalendar.MOST));
        }
    }

    private static CalendarView view(Person person, int revision) {
        return new CalendarView(
                person.id(),
                person.name,
                person.minutesShared,
                new TreeMap<>(person.week),
                new TreeMap<>(person.days)
                        .entrySet().stream()
                                .map(e -> new OtherDay(e.getKey(), e.getValue()))
                                .toList(),
                revision);
    }

    private Person person(long id) {
        return people.findById(id).orElseThrow(() -> new NotFound("notFound"));
    }
}
