package dev.restis.app.orders;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PieceStore extends JpaRepository<Piece, Long> {

    /** Open pieces of the lines. */
    @Query("""
            select p from Piece p where p.line.id in :lines and p.stage = dev.restis.core.work.PieceStage.OPEN
                and p.line.order.stage = dev.restis.core.order.OrderStage.ACCEPTED order by p.line.id, p.number
            """)
    List<Piece> open(Collection<Long> lines);

    /** What was to take the place of a piece that was given up, in whichever order it is now. */
    @Query("select p from Piece p where p.replaces.id = :piece")
    List<Piece> insteadOf(long piece);

    @Query("select p from Piece p join fetch p.line where p.id in :pieces")
    List<Piece> withLines(Collection<Long> pieces);

    @Query("select l from OrderLine l where l.id in :lines")
    List<OrderLine> linesById(Collection<Long> lines);
}
