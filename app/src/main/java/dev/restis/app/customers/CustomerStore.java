package dev.restis.app.customers;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.NativeQuery;
import org.springframework.data.jpa.repository.Query;

interface CustomerStore extends JpaRepository<Customer, Long> {

    /** A name and whose it is. */
    interface Known {
        String getName();

        long getId();
    }

    /** Held against being made nameless until the transaction ends. */
    @NativeQuery("select name, id from customer where name in (:names) and nameless_at is null for key share")
    List<Known> known(Collection<String> names);

    /** In the order of the names, so that two who add the same ones do not wait for each other in a circle. */
    @Modifying
    @NativeQuery("""
            insert into customer (name, search, created_at)
            select n, lower(n), :at from unnest(cast(:names as text[])) n order by n
            on conflict (name) where nameless_at is null do nothing
            """)
    void add(String[] names, Instant at);

    /** Held, from the lowest number to the highest, so that nobody changes them or orders for them meanwhile. */
    @NativeQuery("select id from customer where id in (:ids) or merged_into in (:ids) order by id for update")
    List<Long> hold(Collection<Long> ids);

    @Query("select c from Customer c where c.name = :name and c.namelessAt is null")
    Optional<Customer> named(String name);

    @Query("select c from Customer c left join fetch c.mergedInto where c.name in :names and c.namelessAt is null")
    List<Customer> called(Collection<String> names);

    @Query("select c from Customer c where c.mergedInto is null and c.namelessAt is null order by lower(c.name), c.id")
    List<Customer> list(Limit limit);

    @Query("select c from Customer c where c.mergedInto.id in :ids order by lower(c.name), c.id")
    List<Customer> otherNames(Collection<Long> ids);
}
