package dev.restis.app.bench;

import dev.restis.app.bench.LeftOvers.SliderView;
import dev.restis.core.measure.Length;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What was said to be left over, and what waits for it. */
@Component
class LeftOverRows {

    private final EntityManager entities;

    LeftOverRows(EntityManager entities) {
        this.entities = entities;
    }

    /** The strand that waits for what is left of this one. */
    Optional<SliderView> slider(long strand) {
        return entities.createNativeQuery("""
                        select r.cut_list_id, n.piece_id, n.role, n.cut_um from cut_trimming r join strand n on n.id = r.strand_id
                        where r.source_id = :strand
                        """, Tuple.class)
                .setParameter("strand", strand)
                .getResultStream()
                .findFirst()
                .map(row -> {
                    Tuple of = (Tuple) row;
                    return new SliderView(
                            of.get(0, Number.class).longValue(),
                            of.get(1, Number.class).longValue(),
                            of.get(2, String.class),
                            of.get(3, Number.class).longValue());
                });
    }

    /** By article: the pieces of this one's batch of which nothing is kept yet. */
    Map<Long, List<Long>> together(long piece) {
        Map<Long, List<Long>> together = new HashMap<>();
        for (Object row : entities.createNativeQuery("""
                        select n.article_id, p.id from piece p join strand n on n.piece_id = p.id
                             left join left_over_now o on o.strand_id = n.id
                        where p.batch_id = (select batch_id from piece where id = :piece) and p.stage between 'MADE' and 'SENT'
                        group by n.article_id, p.id having count(o.strand_id) = 0 order by p.id
                        """, Tuple.class)
                .setParameter("piece", piece)
                .getResultList()) {
            Tuple of = (Tuple) row;
            List<Long> pieces = together.computeIfAbsent(of.get(0, Number.class).longValue(), a -> new ArrayList<>());
            if (pieces.size() < LeftOvers.MOST_WEIGHED) {
                pieces.add(of.get(1, Number.class).longValue());
            }
        }
        return together;
    }

    /** What was logged as left of a piece's strands, by their needs' ids. */
    Map<Long, Length> leftOf(long piece) {
        return standing(piece).values().stream()
                .collect(Collectors.toMap(LeftOverRow::strandId, row -> new Length(row.leftUm())));
    }

    /** What stands of a piece, by the strands' places on its card. */
    Map<Integer, LeftOverRow> standing(long piece) {
        Map<Integer, LeftOverRow> standing = new HashMap<>();
        List<LeftOverRow> rows = entities.createQuery(
                        "select l from LeftOverRow l where l.pieceId = :piece order by l.id", LeftOverRow.class)
                .setParameter("piece", piece)
                .getResultList();
        for (LeftOverRow row : rows) {
            if (row.isTakingBack()) {
                standing.values().removeIf(row::takesBack);
            } else {
                standing.put(row.strand(), row);
            }
        }
        return standing;
    }
}
