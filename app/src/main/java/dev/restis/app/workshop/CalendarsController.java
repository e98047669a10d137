package dev.restis.app.workshop;

import dev.restis.app.workshop.Calendars.Calendar;
import dev.restis.app.workshop.Calendars.CalendarView;
import java.time.LocalDate;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CalendarsController {

    record CalendarsView(List<CalendarView> makers) {}

    /** @param minutes more than they would be at the bench */
    record LongerDay(LocalDate day, int minutes) {}

    private final Calendars calendars;

    CalendarsController(Calendars calendars) {
        this.calendars = calendars;
    }

    @GetMapping("/api/calendars")
    CalendarsView calendars() {
        return new CalendarsView(calendars.all());
    }

    @GetMapping("/api/people/{id}/calendar")
    CalendarView calendar(@PathVariable long id) {
        return calendars.of(id);
    }

    @PostMapping("/api/people/{id}/calendar/longer")
    Revised longer(@PathVariable long id, @RequestBody LongerDay body) {
        return new Revised(calendars.longer(id, body.day(), body.minutes()));
    }

    @PutMapping("/api/people/{id}/calendar")
    Revised keep(@PathVariable long id, @RequestBody Calendar body) {
        return new Revised(calendars.keep(id, body));
    }
}
