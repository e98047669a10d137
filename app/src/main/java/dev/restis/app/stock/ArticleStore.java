package dev.restis.app.stock;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface ArticleStore extends JpaRepository<ArticleRow, Long> {
    boolean existsByCode(String code);

    Optional<ArticleRow> findByCode(String code);
}
