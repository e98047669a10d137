package dev.restis.app.workshop;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.batch.MakerCalendar;
import dev.restis.core.batch.OpenMinutes;
import dev.restis.core.measure.Fault;
import dev.restis.core.stitch.Family;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
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
     * @param ends when they are done for the day, where that is known
     * @param families what they tie; none is all
     * @param revision of what is changed
     */
    public record CalendarView(
            long person,
            String name,
            boolean shared,
            Map<DayOfWeek, Integer> week,
            List<OtherDay> days,
            @Nullable LocalTime ends,
            Set<Family> families,
            int revision) {
        /** Whether they are at the bench at all, from that day on. */
        public boolean comes(LocalDate from) {
            return calendar().perWeek() > 0
                    || days.stream().anyMatch(d -> d.minutes() > 0 && !d.day().isBefore(from));
        }

        /** As the plan reads it. */
        public MakerCalendar calendar() {
            return new MakerCalendar(week, days.stream().collect(Collectors.toMap(OtherDay::day, OtherDay::minutes)));
        }
    }

    /** A calendar as it shall be. */
    public record Calendar(
            Map<DayOfWeek, Integer> week,
            List<OtherDay> days,
            @Nullable LocalTime ends,
            @Nullable Set<Family> families,
            int revision) {}

    /** Somebody is at the bench at other times, or ties other things. */
    public record CalendarMoved(long person) {}

    /** As a new house begins: four hours on weekdays. */
    private static final int FIRST_MINUTES = 240;

    private static final int MOST_DAYS = 400;

    private final People people;
    private final SettingRevisions revisions;
    private final ApplicationEventPublisher listeners;

    Calendars(People people, SettingRevisions revisions, ApplicationEventPublisher listeners) {
        this.listeners = listeners;
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
        Person person = own(id);
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
        person.benchEnds = calendar.ends();
        Set<Family> families = calendar.families() == null ? Set.of() : calendar.families();
        person.families.retainAll(families);
        person.families.addAll(families);
        listeners.publishEvent(new CalendarMoved(id));
        return next;
    }

    /**
     * Somebody stays longer on one day.
     *
     * @return the revision that stands from now on
     */
    @Transactional
    public int longer(long id, LocalDate day, int minutes) {
        Person person = own(id);
        int next = revisions.next(Setting.OPEN_MINUTES, revisions.of(Setting.OPEN_MINUTES));
        int before = new MakerCalendar(person.week, person.days).on(day);
        List<Fault> faults = new ArrayList<>();
        check("minutes", before + minutes, faults);
        if (minutes < 1 || !faults.isEmpty()) {
            throw new Rejected(Fault.of("minutes", "minutes.range", before + minutes, MakerCalendar.MOST));
        }
        person.days.put(day, before + minutes);
        listeners.publishEvent(new CalendarMoved(id));
        return next;
    }

    private Person own(long id) {
        Person person = person(id);
        if (!person.name.equals(Workshop.whoever()) && !Workshop.mayForOthers()) {
            throw new Conflict("notYours", person.name);
        }
        return person;
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
                person.benchEnds,
                new TreeSet<>(person.families),
                revision);
    }

    private Person person(long id) {
        return people.findById(id).orElseThrow(() -> new NotFound("notFound"));
    }
}
