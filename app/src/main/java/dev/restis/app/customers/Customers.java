package dev.restis.app.customers;

import dev.restis.app.customers.OfCustomers.Measures;
import dev.restis.app.customers.OfCustomers.Ordered;
import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.LockOrder.Rank;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Who orders. The same letters are the same customer; that two names are one, somebody says by hand. */
@Service
public class Customers {

    /** Another name of the same customer. */
    record OtherName(long id, String name) {}

    /**
     * A customer.
     *
     * @param language as a tag, such as {@code nl}; empty when nobody said
     * @param wristUm as last given, in an order or here
     * @param handUm likewise, over the knuckles
     * @param measuredOn when they were given
     * @param nameless whether everything that told who it was is forgotten
     * @param version of what is changed
     */
    record CustomerView(
            long id,
            String name,
            String address,
            String email,
            String language,
            @Nullable Long wristUm,
            @Nullable Long handUm,
            @Nullable LocalDate measuredOn,
            List<OtherName> otherNames,
            long orders,
            boolean nameless,
            int version) {}

    private final CustomerStore store;
    private final OfCustomers others;
    private final EntityManager entities;
    private final Clock clock;

    Customers(CustomerStore store, OfCustomers others, EntityManager entities, Clock clock) {
        this.store = store;
        this.others = others;
        this.entities = entities;
        this.clock = clock;
    }

    /**
     * Whose names these are, for an order that is taken now. A name that nobody has yet is a new customer's.
     *
     * @return their numbers by name
     * @throws LockOrder.Overtaken when one was made nameless meanwhile
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public Map<String, Long> named(Collection<String> names) {
        Map<String, Long> known = known(names);
        TreeSet<String> fresh = new TreeSet<>(names);
        fresh.removeAll(known.keySet());
        if (!fresh.isEmpty()) {
            store.add(fresh.toArray(String[]::new), clock.instant());
            Map<String, Long> added = known(fresh);
            LockOrder.next(Rank.CUSTOMER, added.values());
            known.putAll(added);
        }
        if (!known.keySet().containsAll(names)) {
            throw new LockOrder.Overtaken();
        }
        return known;
    }

    private Map<String, Long> known(Collection<String> names) {
        Map<String, Long> known = new TreeMap<>();
        if (!names.isEmpty()) {
            store.known(names).forEach(k -> known.put(k.getName(), k.getId()));
        }
        return known;
    }

    /**
     * Where a customer is reached.
     *
     * @param name as they are called now
     * @param language as a tag; empty when nobody said
     */
    public record Contact(String name, String address, String email, String language) {}

    /** @param customer the number of any of their names */
    @Transactional(readOnly = true)
    public Contact contact(long customer) {
        Customer one = of(customer);
        return new Contact(one.name, one.address, one.email, one.language);
    }

    /** @param customer the number of one of their names */
    @Transactional(readOnly = true)
    public List<Long> namesOf(long customer) {
        Customer one = of(customer);
        return Stream.concat(Stream.of(one), store.otherNames(List.of(one.id())).stream())
                .map(Customer::id)
                .toList();
    }

    /** @param customer the number of any of their names */
    @Transactional(readOnly = true)
    CustomerView look(long customer) {
        Customer one = of(customer);
        List<Customer> otherNames = store.otherNames(List.of(one.id()));
        List<Long> all = Stream.concat(Stream.of(one), otherNames.stream())
                .map(Customer::id)
                .toList();
        Optional<Measures> measures = measures(one, all);
        return new CustomerView(
                one.id(),
                one.name,
                one.address,
                one.email,
                one.language,
                measures.map(Measures::wristUm).orElse(null),
                measures.map(Measures::handUm).orElse(null),
                measures.map(Measures::on).orElse(null),
                otherNames.stream().map(o -> new OtherName(o.id(), o.name)).toList(),
                others.ordered(all).values().stream().mapToLong(Ordered::orders).sum(),
                one.namelessAt != null,
                one.version());
    }

    /** What was typed here, and be it nothing, unless an order gave something later. */
    private Optional<Measures> measures(Customer one, Collection<Long> all) {
        Optional<LocalDate> typed = Optional.ofNullable(one.measuredAt).map(this::day);
        Optional<Measures> given = others.measures(all).filter(m -> typed.isEmpty() || m.on().isAfter(typed.get()));
        Long wrist = one.wristUm;
        return given.isPresent() || typed.isEmpty() || wrist == null
                ? given
                : Optional.of(new Measures(wrist, one.handUm, typed.get()));
    }

    private LocalDate day(Instant at) {
        return LocalDate.ofInstant(at, clock.getZone());
    }

    @Transactional
    long add(CustomerDetails typed) {
        List<Fault> faults = new ArrayList<>();
        Customer made = new Customer(typed.name(faults), clock.instant());
        store.named(made.name).ifPresent(other -> faults.add(taken(other)));
        typed.write(made, Optional.empty(), clock.instant(), faults);
        made.findable(List.of());
        return store.save(made).id();
    }

    private static Fault taken(Customer other) {
        return Fault.of("name", "customer.taken", other.name);
    }

    /** What became of a customer out of a file. */
    enum Put {
        ADDED,
        CHANGED,
        SAME
    }

    /** Those whose names these are, by name. */
    Map<String, Customer> byName(Collection<String> names) {
        Map<String, Customer> byName = new HashMap<>();
        store.called(names).forEach(c -> byName.put(c.name, c.mergedInto == null ? c : c.mergedInto));
        return byName;
    }

    /**
     * As a file tells it, where what is left empty stays as it is; to be called within a transaction.
     *
     * @param byName those that there are; who is added is added to them
     */
    Put put(CustomerDetails typed, Map<String, Customer> byName) {
        List<Fault> faults = new ArrayList<>();
        String name = typed.name(faults);
        Customer known = byName.get(name);
        if (known == null) {
            Customer made = new Customer(name, clock.instant());
            typed.write(made, Optional.empty(), clock.instant(), faults);
            made.findable(List.of());
            byName.put(name, store.save(made));
            return Put.ADDED;
        }
        List<String> before = known.told();
        Optional<Measures> typedBefore = Optional.ofNullable(known.wristUm)
                .map(wrist -> new Measures(wrist, known.handUm, LocalDate.now(clock)));
        new CustomerDetails(
                        known.name,
                        Texts.given(typed.address()).orElse(known.address),
                        Texts.given(typed.email()).orElse(known.email),
                        Texts.given(typed.language()).orElse(known.language),
                        Texts.given(typed.wrist()).orElse(text(known.wristUm)),
                        Texts.given(typed.hand()).orElse(text(known.handUm)),
                        typed.units(),
                        known.version())
                .write(known, typedBefore, clock.instant(), faults);
        if (known.told().equals(before)) {
            return Put.SAME;
        }
        findable(known);
        return Put.CHANGED;
    }

    /** A name that is given up stays one of their names, so that who still uses it is known. */
    @Transactional
    void change(long customer, CustomerDetails typed) {
        hold(List.of(customer));
        Customer one = whole(customer);
        if (one.version() != typed.version()) {
            throw new Conflict("changedMeanwhile");
        }
        List<Fault> faults = new ArrayList<>();
        String name = typed.name(faults);
        Optional<Measures> shown = measures(one, namesOf(customer));
        Customer called = name.equals(one.name) ? one : called(one, name, faults);
        typed.write(called, shown, clock.instant(), faults);
        findable(called);
    }

    /** The row of another name of theirs, or a new one, before all others. */
    private Customer called(Customer one, String name, List<Fault> faults) {
        Customer called = store.named(name).orElseGet(() -> new Customer(name, clock.instant()));
        if (called.id() != 0 && called.mergedInto != one) {
            faults.add(taken(called));
            return called;
        }
        called.mergedInto = null;
        called.measured(one);
        store.save(called);
        store.otherNames(List.of(one.id())).forEach(other -> other.mergedInto = called);
        one.mergedInto = called;
        return called;
    }

    /** From now on one is another name of the other, who gets what was known only of the one. */
    @Transactional
    void merge(long from, long into) {
        hold(List.of(from, into));
        Customer one = whole(from);
        Customer other = whole(into);
        if (one == other) {
            throw new Rejected(Fault.of("into", "customer.itself"));
        }
        other.address = other.address.isEmpty() ? one.address : other.address;
        other.email = other.email.isEmpty() ? one.email : other.email;
        other.language = other.language.isEmpty() ? one.language : other.language;
        if (other.measuredAt == null) {
            other.measured(one);
        }
        store.otherNames(List.of(from)).forEach(name -> name.mergedInto = other);
        one.mergedInto = other;
        findable(other);
    }

    /** A name is a customer of its own again, with what was kept under it. */
    @Transactional
    void separate(long name) {
        Customer one = store.findById(name).orElseThrow(() -> new NotFound("notFound"));
        Customer other = one.mergedInto;
        if (other == null) {
            return;
        }
        hold(List.of(other.id()));
        entities.refresh(one);
        one.mergedInto = null;
        one.findable(List.of());
        findable(other);
    }

    /** Whatever there is of a customer, to be handed to them. */
    @Transactional(readOnly = true)
    Map<String, Object> everything(long customer) {
        CustomerView view = look(customer);
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("name", view.name());
        all.put("other names", view.otherNames().stream().map(OtherName::name).toList());
        all.put("address", view.address());
        all.put("e-mail", view.email());
        all.put("language", view.language());
        all.put("wrist", text(view.wristUm()));
        all.put("hand", text(view.handUm()));
        all.putAll(others.everything(namesOf(customer)));
        return all;
    }

    private static String text(@Nullable Long um) {
        return um == null ? "" : new Length(um).toString();
    }

    /**
     * Forgets who it was; what they ordered and what it came to stays.
     *
     * @throws Conflict while an order of theirs is neither sent nor cancelled
     */
    @Transactional
    void forget(long customer) {
        List<Long> all = namesOf(customer);
        long open = others.holdAndCountOpen(all);
        if (open > 0) {
            throw new Conflict("customer.open", open);
        }
        LockOrder.next(Rank.CUSTOMER, all);
        if (!new TreeSet<>(store.hold(all)).equals(new TreeSet<>(all))) {
            throw new LockOrder.Overtaken();
        }
        others.forget(all);
        store.findAllById(all).forEach(c -> {
            entities.refresh(c);
            c.forget(clock.instant());
        });
    }

    /** Held in the order of their numbers, with all their names, as they stand. */
    private void hold(Collection<Long> customers) {
        LockOrder.next(Rank.CUSTOMER, store.hold(customers));
    }

    /** One that orders go to, not another name of one. */
    private Customer whole(long customer) {
        Customer one = store.findById(customer).orElseThrow(() -> new NotFound("notFound"));
        entities.refresh(one);
        if (one.mergedInto != null || one.namelessAt != null) {
            throw new Conflict("changedMeanwhile");
        }
        return one;
    }

    private Customer of(long name) {
        Customer one = store.findById(name).orElseThrow(() -> new NotFound("notFound"));
        return one.mergedInto == null ? one : one.mergedInto;
    }

    private void findable(Customer one) {
        store.flush();
        one.findable(
                store.otherNames(List.of(one.id())).stream().map(o -> o.name).toList());
    }
}
