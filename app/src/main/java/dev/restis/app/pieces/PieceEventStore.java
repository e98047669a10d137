package dev.restis.app.pieces;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PieceEventStore extends JpaRepository<PieceEventRow, Long> {

    @Query("select e from PieceEventRow e where e.pieceId in :pieces order by e.pieceId, e.id")
    List<PieceEventRow> of(Collection<Long> pieces);
}
