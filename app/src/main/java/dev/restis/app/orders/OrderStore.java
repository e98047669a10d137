package dev.restis.app.orders;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface OrderStore extends JpaRepository<CustomerOrder, Long> {
    Optional<CustomerOrder> findBySourceAndReference(String source, String reference);
}
