package dev.restis.app.orders;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.NativeQuery;
import org.springframework.data.jpa.repository.Query;

interface OrderStore extends JpaRepository<CustomerOrder, Long> {

    @Query("select distinct o from CustomerOrder o left join fetch o.lines where o.id in :ids")
    List<CustomerOrder> withLines(Collection<Long> ids);

    @Query("""
            select distinct o from CustomerOrder o left join fetch o.lines
            where o.source = :source and o.reference in :references
            """)
    List<CustomerOrder> ofSource(String source, Collection<String> references);

    @Query("select o.id from CustomerOrder o where o.source = :source and o.reference in :references")
    List<Long> idsOfSource(String source, Collection<String> references);

    /** What a customer ordered by one of their names. */
    interface OrderedRow {
        long getCustomer();

        long getOrders();

        Instant getNewest();
    }

    @Query("""
            select o.customerId as customer, count(*) as orders, max(o.createdAt) as newest from CustomerOrder o
            where o.customerId in :customers group by o.customerId
            """)
    List<OrderedRow> ordered(Collection<Long> customers);

    @Query("select o.id from CustomerOrder o where o.customerId in :customers order by o.id desc")
    List<Long> newest(Collection<Long> customers, Limit limit);

    @Query("select o.id from CustomerOrder o where o.customerId in :customers order by o.id")
    List<Long> idsOf(Collection<Long> customers);

    @NativeQuery("""
            select count(*) from customer_order
            where customer_id in (:customers) and state not in ('DISPATCHED', 'CANCELLED')
            """)
    long countOpen(Collection<Long> customers);

    Optional<CustomerOrder> findBySourceAndReference(String source, String reference);
}
