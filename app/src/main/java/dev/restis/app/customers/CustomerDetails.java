package dev.restis.app.customers;

import dev.restis.app.customers.OfCustomers.Measures;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What is kept of a customer, as typed.
 *
 * @param wrist with its unit, or in those of the house
 */
record CustomerDetails(
        String name,
        @Nullable String address,
        @Nullable String email,
        @Nullable String language,
        @Nullable String wrist,
        @Nullable String hand,
        UnitSystem units,
        int version) {

    private static final int LONGEST_NAME = 120;
    private static final int LONGEST_ADDRESS = 400;
    private static final Length LEAST = Length.ofMillimetres(60);
    private static final Length MOST = Length.ofMillimetres(400);
    private static final String MAIL = "[^\\s@]+@[^\\s@]+";

    /** The name, or an empty one with its fault. */
    String name(List<Fault> faults) {
        return Texts.required(name, "name", LONGEST_NAME, faults);
    }

    /**
     * Writes them to a customer.
     *
     * @param shown measures as they were shown; what is typed like them is no news
     * @throws Rejected with what was found before, and what cannot be so
     */
    void write(Customer one, Optional<Measures> shown, Instant now, List<Fault> faults) {
        String where = Texts.optional(address, "address", LONGEST_ADDRESS, faults);
        String mail = Texts.optional(email, "email", LONGEST_NAME, faults);
        if (!mail.isEmpty() && !mail.matches(MAIL)) {
            faults.add(Fault.of("email", "email.unread", mail));
        }
        Optional<String> tongue = Texts.language(language);
        if (tongue.isEmpty()) {
            faults.add(Fault.of("language", "language.unread", String.valueOf(language)));
        }
        Long wristUm = length("wrist", wrist, units, faults);
        Long handUm = length("hand", hand, units, faults);
        if (handUm != null && wristUm == null) {
            faults.add(Fault.of("wrist", "wrist.beforeHand"));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        one.address = where;
        one.email = mail;
        one.language = tongue.orElseThrow();
        if (!Objects.equals(wristUm, shown.map(Measures::wristUm).orElse(null))
                || !Objects.equals(handUm, shown.map(Measures::handUm).orElse(null))) {
            one.wristUm = wristUm;
            one.handUm = handUm;
            one.measuredAt = now;
        }
    }

    private static @Nullable Long length(String field, @Nullable String text, UnitSystem units, List<Fault> faults) {
        Optional<String> given = Texts.given(text);
        Optional<Length> length = given.flatMap(t -> LengthReader.read(t, units));
        if (given.isPresent() && length.isEmpty()) {
            faults.add(Fault.of(field, "length.unread", given.get()));
        }
        length.filter(l -> l.isLessThan(LEAST) || MOST.isLessThan(l))
                .ifPresent(l -> faults.add(Fault.of(field, "length.range", l, LEAST, MOST)));
        return length.map(Length::micrometres).orElse(null);
    }
}
