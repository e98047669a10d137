package dev.restis.app.workshop;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.piece.MarginPolicy;
import dev.restis.core.work.WorkSteps;
import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The house: its people and its rules. */
@Service
public class Workshop {

    /** What the house has settled. */
    public record Settings(String name, String currency, String margin, String zone, String address) {}

    /**
     * The house as its owner settles it.
     *
     * @param currency of all prices, ISO 4217
     * @param zone where its days begin and end, of the IANA time zone database
     * @param address as papers have it, line by line; may be empty
     * @param revision of what is changed
     */
    public record House(
            String name,
            String currency,
            String zone,
            @Nullable String address,
            int revision) {}

    /** @param ended whether they may not come in any more */
    public record PersonView(long id, String name, Role role, boolean ended) {}

    private static final Map<String, MarginPolicy> MARGINS = margins(
            Map.entry("BY_COST", MarginPolicy.BY_COST),
            Map.entry("GENEROUS", MarginPolicy.GENEROUS),
            Map.entry("EVEN", MarginPolicy.EVEN),
            Map.entry("LEAN", MarginPolicy.LEAN));
    private static final int LONGEST_ADDRESS = 400;
    private static final int SHORTEST_PASSWORD = 10;
    /** bcrypt reads no more bytes than this. */
    private static final int LONGEST_PASSWORD = 72;

    /** In the order they are offered. */
    @SafeVarargs
    private static Map<String, MarginPolicy> margins(Map.Entry<String, MarginPolicy>... entries) {
        Map<String, MarginPolicy> margins = new LinkedHashMap<>();
        for (Map.Entry<String, MarginPolicy> entry : entries) {
            margins.put(entry.getKey(), entry.getValue());
        }
        return Collections.unmodifiableMap(margins);
    }

    private final People people;
    private final EntityManager entities;
    private final PasswordEncoder passwords;
    private final SettingRevisions revisions;
    private final Calendars calendars;

    Workshop(
            People people,
            EntityManager entities,
            PasswordEncoder passwords,
            SettingRevisions revisions,
            Calendars calendars) {
        this.revisions = revisions;
        this.calendars = calendars;
        this.people = people;
        this.entities = entities;
        this.passwords = passwords;
    }

    /** Which steps a piece goes through in this house before it is sent. */
    @Transactional(readOnly = true)
    public WorkSteps steps() {
        return row().map(HouseRow::steps).orElse(WorkSteps.SHORTEST);
    }

    @Transactional
    public int keepSteps(WorkSteps steps, int seen) {
        int next = revisions.next(Setting.WORK_STEPS, seen);
        row().orElseThrow().steps(steps);
        return next;
    }

    /**
     * How the house works at the bench.
     *
     * @param gatesRemind whether gates only remind, and are passed by going on
     * @param timer whether steps are timed
     */
    public record BenchRules(boolean gatesRemind, boolean timer) {
        static final BenchRules FIRST = new BenchRules(false, true);
    }

    @Transactional(readOnly = true)
    public BenchRules bench() {
        return row().map(HouseRow::bench).orElse(BenchRules.FIRST);
    }

    @Transactional
    public int keepBench(BenchRules rules, int seen) {
        int next = revisions.next(Setting.BENCH, seen);
        row().orElseThrow().bench(rules);
        return next;
    }

    /** Who has exactly this name. */
    @Transactional(readOnly = true)
    public Optional<Long> personOf(String name) {
        return people.findByName(name).map(Person::id);
    }

    /** Whoever makes everything, where there is one person only. */
    @Transactional(readOnly = true)
    public Optional<String> onlyMaker() {
        List<Person> present = people.present();
        return present.size() == 1 ? Optional.of(present.get(0).name) : Optional.empty();
    }

    @Transactional(readOnly = true)
    public boolean needsOwner() {
        return people.count() == 0;
    }

    @Transactional(readOnly = true)
    public Settings settings() {
        return row().map(h -> new Settings(h.name, h.currency, h.margin, h.zone, h.address))
                .orElse(new Settings(
                        "", "EUR", "BY_COST", ZoneId.systemDefault().getId(), ""));
    }

    private Optional<HouseRow> row() {
        return Optional.ofNullable(entities.find(HouseRow.class, HouseRow.KEY));
    }

    public MarginPolicy margin() {
        return MARGINS.getOrDefault(settings().margin(), MarginPolicy.BY_COST);
    }

    /** The policies a house may choose from, by key. */
    public static Map<String, MarginPolicy> margins() {
        return MARGINS;
    }

    @Transactional(readOnly = true)
    public House house() {
        Settings now = settings();
        return new House(now.name(), now.currency(), now.zone(), now.address(), revisions.of(Setting.HOUSE));
    }

    /** Amounts that are in the books keep their figures in whatever currency. */
    @Transactional
    public int keepHouse(House typed) {
        List<Fault> faults = new ArrayList<>();
        String name = Texts.required(typed.name(), "name", 80, faults);
        String currency = typed.currency().strip().toUpperCase(Locale.ROOT);
        if (Currency.getAvailableCurrencies().stream()
                .noneMatch(c -> c.getCurrencyCode().equals(currency))) {
            faults.add(Fault.of("currency", "currency.unknown", typed.currency()));
        }
        if (!isZone(typed.zone())) {
            faults.add(Fault.of("zone", "zone.unknown", typed.zone()));
        }
        String address = Texts.optional(typed.address(), "address", LONGEST_ADDRESS, faults);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        int next = revisions.next(Setting.HOUSE, typed.revision());
        HouseRow row = row().orElseThrow();
        row.name = name;
        row.currency = currency;
        row.zone = typed.zone();
        row.address = address;
        return next;
    }

    /** One that the database and browsers know too; those of System V are Java's alone. */
    static boolean isZone(String zone) {
        return ZoneId.getAvailableZoneIds().contains(zone) && !zone.startsWith("SystemV/");
    }

    @Transactional
    public int chooseMargin(String margin, int seen) {
        if (!MARGINS.containsKey(margin)) {
            throw new Rejected(Fault.of("margin", "margin.unknown", margin, String.join(", ", MARGINS.keySet())));
        }
        int next = revisions.next(Setting.MARGIN, seen);
        row().orElseThrow().margin = margin;
        return next;
    }

    /**
     * Makes the first owner; only while there is nobody yet.
     *
     * @param zone of whoever sets the house up; one that is not known counts as this machine's
     */
    @Transactional
    public void setUp(String workshopName, String ownerName, String password, String zone) {
        List<Fault> faults = new ArrayList<>();
        String house = Texts.required(workshopName, "workshop", 80, faults);
        // Of two who set the house up at once the second waits here, and then sees the first.
        entities.find(SettingRevision.class, Setting.HOUSE, LockModeType.PESSIMISTIC_WRITE);
        if (!needsOwner()) {
            throw new Conflict("alreadySetUp");
        }
        addPerson(ownerName, password, Role.OWNER, faults);
        calendars.begin(ownerName.strip());
        entities.persist(
                new HouseRow(house, isZone(zone) ? zone : ZoneId.systemDefault().getId()));
    }

    @Transactional
    public void addPerson(String name, String password, Role role) {
        addPerson(name, password, role, new ArrayList<>());
    }

    private void addPerson(String name, String password, Role role, List<Fault> faults) {
        String given = Texts.required(name, "name", 60, faults);
        checkPassword(password, faults);
        if (people.findByNameIgnoreCase(given).isPresent()) {
            faults.add(Fault.of("name", "name.taken", given));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        people.saveAndFlush(new Person(given, String.valueOf(passwords.encode(password)), role));
    }

    static void checkPassword(String password, List<Fault> faults) {
        if (password.length() < SHORTEST_PASSWORD) {
            faults.add(Fault.of("password", "password.short", SHORTEST_PASSWORD));
        } else if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_PASSWORD) {
            faults.add(Fault.of("password", "tooLong", LONGEST_PASSWORD));
        }
    }

    @Transactional(readOnly = true)
    public List<PersonView> people() {
        return people.findAll().stream()
                .map(p -> new PersonView(p.id(), p.name, p.role, p.endedAt != null))
                .sorted(java.util.Comparator.comparing(PersonView::name))
                .toList();
    }

    /** Whether whoever asks may also take back what others did; the house itself may. */
    public static boolean mayForOthers() {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        return signedIn == null
                || signedIn.getAuthorities().stream().anyMatch(a -> "ROLE_OWNER".equals(a.getAuthority()));
    }

    /**
     * Refuses to take back what somebody else did, to whoever is no owner.
     *
     * @param doneBy whoever did it
     */
    public static void mayTakeBack(String doneBy) {
        if (!doneBy.equals(whoever()) && !mayForOthers()) {
            throw new Conflict("notYours", doneBy);
        }
    }

    /** The name of whoever asks, for the books. */
    public static String whoever() {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        return signedIn == null ? "restis" : signedIn.getName();
    }
}
