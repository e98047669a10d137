package dev.restis.app.workshop;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface People extends JpaRepository<Person, Long> {
    Optional<Person> findByNameIgnoreCase(String name);
}
