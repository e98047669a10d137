package dev.restis.app.orders;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
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

    Optional<CustomerOrder> findBySourceAndReference(String source, String reference);
}
