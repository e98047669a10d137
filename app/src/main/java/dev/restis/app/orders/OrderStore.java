package dev.restis.app.orders;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface OrderStore extends JpaRepository<CustomerOrder, Long> {

    /** The order, held until the transaction ends, so that what is done to it is done one after the other. */
    @Lock(LockModeType.PESSIMISTIC_FORCE_INCREMENT)
    @Query("select o from CustomerOrder o where o.id = :id")
    Optional<CustomerOrder> lock(long id);

    @Query("select distinct o from CustomerOrder o left join fetch o.lines where o.id in :ids")
    List<CustomerOrder> withLines(Collection<Long> ids);

    @Query("""
            select distinct o from CustomerOrder o left join fetch o.lines
            where o.source = :source and o.reference in :references
            """)
    List<CustomerOrder> ofSource(String source, Collection<String> references);

    Optional<CustomerOrder> findBySourceAndReference(String source, String reference);
}
