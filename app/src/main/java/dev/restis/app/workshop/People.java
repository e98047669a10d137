package dev.restis.app.workshop;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface People extends JpaRepository<Person, Long> {
    Optional<Person> findByNameIgnoreCase(String name);

    Optional<Person> findByName(String name);

    @Query("select distinct p from Person p left join fetch p.week where p.endedAt is null order by p.name")
    List<Person> present();

    /** All owners, held until the transaction ends, so that two do not make each other the last. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select p from Person p where p.role = dev.restis.app.workshop.Role.OWNER order by p.id")
    List<Person> owners();
}
