package dev.restis.app.workshop;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The people of the house after they came: their roles, their passwords, and how they leave. */
@Service
class Household {

    private final People people;
    private final PasswordEncoder passwords;
    private final ObjectProvider<FindByIndexNameSessionRepository<?>> sessions;
    private final Clock clock;

    Household(
            People people,
            PasswordEncoder passwords,
            ObjectProvider<FindByIndexNameSessionRepository<?>> sessions,
            Clock clock) {
        this.people = people;
        this.passwords = passwords;
        this.sessions = sessions;
        this.clock = clock;
    }

    /** How whoever is signed in works. */
    @Transactional(readOnly = true)
    public Optional<Habits> habits() {
        return people.findByName(Workshop.whoever()).map(p -> new Habits(p.hand, p.language, p.units));
    }

    /**
     * Keeps how whoever is signed in works.
     *
     * @throws Rejected when the language is none
     */
    @Transactional
    public void keep(Habits habits) {
        Person person = people.findByName(Workshop.whoever()).orElseThrow(() -> new NotFound("notFound"));
        String language = Texts.language(habits.language())
                .orElseThrow(() -> new Rejected(Fault.of("language", "language.unread", habits.language())));
        person.hand = habits.hand();
        person.language = language;
        person.units = habits.units();
    }

    /** Gives somebody another role. Whoever is signed in as them comes in anew, because a session knows its role. */
    @Transactional
    public void role(long id, Role role) {
        Person person = person(id);
        if (role != Role.OWNER) {
            anotherOwner(person);
        }
        person.role = role;
        signOut(person);
    }

    /** Sets a new password for somebody who forgot theirs. */
    @Transactional
    public void password(long id, String password) {
        keep(person(id), password);
    }

    /** Ends somebody's access at once; their name stays in the books. */
    @Transactional
    public void end(long id) {
        Person person = person(id);
        anotherOwner(person);
        person.endedAt = clock.instant();
        signOut(person);
    }

    /** Lets somebody in again who left. */
    @Transactional
    public void back(long id) {
        person(id).endedAt = null;
    }

    /**
     * Changes one's own password; everybody signed in with the old one is signed out.
     *
     * @throws Rejected when the old one is not right
     */
    @Transactional
    public void ownPassword(String before, String password) {
        Person person = people.findByNameIgnoreCase(
                        SecurityContextHolder.getContext().getAuthentication() == null ? "" : Workshop.whoever())
                .orElseThrow(() -> new NotFound("notFound"));
        if (!passwords.matches(before, person.passwordHash)) {
            throw new Rejected(Fault.of("before", "password.wrong"));
        }
        keep(person, password);
    }

    private void keep(Person person, String password) {
        List<Fault> faults = new ArrayList<>();
        Workshop.checkPassword(password, faults);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        person.passwordHash = String.valueOf(passwords.encode(password));
        signOut(person);
    }

    private Person person(long id) {
        return people.findById(id).orElseThrow(() -> new NotFound("notFound"));
    }

    /** Somebody must be left who may manage the house; the owners are looked at one after the other. */
    private void anotherOwner(Person leaving) {
        boolean another = people.owners().stream().anyMatch(p -> p.id() != leaving.id() && p.endedAt == null);
        if (leaving.role == Role.OWNER && !another) {
            throw new Conflict("people.lastOwner");
        }
    }

    private void signOut(Person person) {
        sessions.ifAvailable(
                all -> all.findByPrincipalName(person.name).keySet().forEach(all::deleteById));
    }
}
