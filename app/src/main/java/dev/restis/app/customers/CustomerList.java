package dev.restis.app.customers;

import dev.restis.app.customers.OfCustomers.Ordered;
import dev.restis.app.platform.Keyset;
import jakarta.persistence.EntityManager;
import jakarta.persistence.TypedQuery;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Customers by name, a page at a time. */
@Service
class CustomerList {

    /**
     * A line of the list.
     *
     * @param newest the day of their newest order
     */
    record CustomerRow(
            long id,
            String name,
            String email,
            long orders,
            @Nullable LocalDate newest) {}

    private static final int PAGE = 50;

    private final CustomerStore store;
    private final OfCustomers others;
    private final EntityManager entities;

    CustomerList(CustomerStore store, OfCustomers others, EntityManager entities) {
        this.store = store;
        this.others = others;
        this.entities = entities;
    }

    /**
     * By name.
     *
     * @param query words that all occur in a name, an address or an e-mail address
     */
    @Transactional(readOnly = true)
    Keyset<CustomerRow> page(String query, @Nullable String after) {
        List<String> place = Keyset.read(after, "\\d{1,18}", "(?s).*").orElse(List.of());
        List<String> words = Stream.of(query.strip().toLowerCase(Locale.ROOT).split("\\s+"))
                .filter(w -> !w.isEmpty())
                .map(w -> "%" + w.replaceAll("([\\\\%_])", "\\\\$1") + "%")
                .toList();
        StringBuilder where = new StringBuilder("c.mergedInto is null and c.namelessAt is null");
        for (int i = 0; i < words.size(); i++) {
            where.append(" and c.search like :word").append(i);
        }
        if (!place.isEmpty()) {
            where.append(" and (lower(c.name) > :name or lower(c.name) = :name and c.id > :id)");
        }
        TypedQuery<Listed> asked = entities.createQuery(
                        "select c, lower(c.name) from Customer c where " + where + " order by lower(c.name), c.id",
                        Listed.class)
                .setMaxResults(PAGE + 1);
        for (int i = 0; i < words.size(); i++) {
            asked.setParameter("word" + i, words.get(i));
        }
        if (!place.isEmpty()) {
            asked.setParameter("id", Long.parseLong(place.get(0))).setParameter("name", place.get(1));
        }
        Keyset<Listed> page =
                Keyset.of(asked.getResultList(), PAGE, l -> List.of(l.customer().id(), l.key()));
        return new Keyset<>(rows(page.rows().stream().map(Listed::customer).toList()), page.next());
    }

    /** @param key what the list is sorted by, as the database has it */
    private record Listed(Customer customer, String key) {}

    private List<CustomerRow> rows(List<Customer> page) {
        Map<Long, Long> byName = new TreeMap<>();
        page.forEach(c -> byName.put(c.id(), c.id()));
        if (!page.isEmpty()) {
            store.otherNames(page.stream().map(Customer::id).toList())
                    .forEach(o -> byName.put(o.id(), o.mergedInto == null ? o.id() : o.mergedInto.id()));
        }
        Map<Long, Ordered> ordered = new TreeMap<>();
        others.ordered(byName.keySet())
                .forEach((name, some) -> ordered.merge(byName.getOrDefault(name, name), some, CustomerList::sum));
        return page.stream()
                .map(c -> {
                    Optional<Ordered> some = Optional.ofNullable(ordered.get(c.id()));
                    return new CustomerRow(
                            c.id(),
                            c.name,
                            c.email,
                            some.map(Ordered::orders).orElse(0L),
                            some.map(Ordered::newest).orElse(null));
                })
                .toList();
    }

    private static Ordered sum(Ordered one, Ordered other) {
        return new Ordered(
                one.orders() + other.orders(), one.newest().isAfter(other.newest()) ? one.newest() : other.newest());
    }
}
