package dev.restis.app.bench;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BenchActStore extends JpaRepository<BenchActRow, Long> {

    @Query("select a from BenchActRow a where a.pieceId in :pieces order by a.pieceId, a.id")
    List<BenchActRow> of(Collection<Long> pieces);

    Optional<BenchActRow> findByKey(UUID key);
}
