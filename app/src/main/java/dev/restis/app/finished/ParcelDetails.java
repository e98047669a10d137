package dev.restis.app.finished;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Ways;
import dev.restis.core.measure.Fault;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is known of a parcel.
 *
 * @param way empty where it was handed over
 * @param tracking the number by which it can be followed; may be empty
 */
record ParcelDetails(LocalDate sentOn, String way, String tracking, String note) {

    private static final int LONGEST_TRACKING = 80;
    private static final int LONGEST_NOTE = 400;
    private static final int MOST_DAYS_AGO = 365;

    /**
     * Reads them as typed.
     *
     * @param sentOn today where there is none
     * @throws Rejected with every field that cannot be so
     */
    static ParcelDetails read(
            @Nullable LocalDate sentOn,
            @Nullable String way,
            @Nullable String tracking,
            @Nullable String note,
            LocalDate today) {
        List<Fault> faults = new ArrayList<>();
        LocalDate day = sentOn == null ? today : sentOn;
        if (day.isAfter(today) || day.isBefore(today.minusDays(MOST_DAYS_AGO))) {
            faults.add(Fault.of("sentOn", "parcel.day", MOST_DAYS_AGO));
        }
        ParcelDetails details = new ParcelDetails(
                day,
                Texts.optional(way, "way", Ways.LONGEST, faults),
                Texts.optional(tracking, "tracking", LONGEST_TRACKING, faults),
                Texts.optional(note, "note", LONGEST_NOTE, faults));
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        return details;
    }
}
