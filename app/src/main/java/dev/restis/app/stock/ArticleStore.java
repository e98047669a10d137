package dev.restis.app.stock;

import org.springframework.data.jpa.repository.JpaRepository;

interface ArticleStore extends JpaRepository<ArticleRow, Long> {
    boolean existsByCode(String code);
}
