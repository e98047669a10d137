package dev.restis.app.cut;

import dev.restis.app.pieces.PieceNeeds;
import dev.restis.app.pieces.PieceNeeds.StrandNeed;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.plan.Batches;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.stock.PartPicks.PartTaken;
import dev.restis.app.stock.PartPicks.Picking;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Length;
import dev.restis.core.work.PieceAct;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What happens when the last strand of a piece, or of a list, is cut, or need not be cut any more. */
@Component
class CutFinish {

    private final CutLists lists;
    private final ListPieces inLists;
    private final CutCosts costs;
    private final Batches batches;
    private final PieceNeeds needs;
    private final Pieces pieces;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;

    CutFinish(
            CutLists lists,
            ListPieces inLists,
            CutCosts costs,
            Batches batches,
            PieceNeeds needs,
            Pieces pieces,
            EntityManager entities,
            JdbcClient jdbc,
            Clock clock) {
        this.lists = lists;
        this.inLists = inLists;
        this.costs = costs;
        this.batches = batches;
        this.needs = needs;
        this.pieces = pieces;
        this.entities = entities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Pieces no strand of which is left to cut, and the parts that they take. */
    record Ready(Set<Long> pieces, List<PartTaken> parts) {
        static final Ready NOTHING = new Ready(Set.of(), List.of());
    }

    /** Those of the pieces that are ready once these steps are made. */
    Ready ready(CutList list, Collection<Long> candidates, Collection<Long> steps) {
        Set<Long> all = new TreeSet<>(jdbc.sql("""
                        select p.id from piece p join strand n on n.piece_id = p.id
                            left join cut_step t on t.strand_id = n.id and (t.done_at is not null or t.id = any (:steps))
                            left join cut_trimming r on r.strand_id = n.id and r.cut_list_id = :list and r.tail_um >= n.cut_um
                        where p.id = any (:pieces) and p.stage < 'CUT'
                        group by p.id having count(*) = count(coalesce(t.id, r.strand_id))
                        """)
                .param("list", list.id())
                .param("steps", steps.toArray(Long[]::new))
                .param("pieces", candidates.toArray(Long[]::new))
                .query(Long.class)
                .list());
        return new Ready(
                all,
                needs.partsOf(all).stream()
                        .map(p -> new PartTaken(p.piece(), p.batch(), p.article(), p.quantity()))
                        .toList());
    }

    /** Takes the parts of pieces that are ready, and calls them cut; answers those that lack parts and are left for later. */
    Set<Long> complete(Ready ready, Picking picking) {
        Map<Long, List<PartTaken>> parts = ready.parts().stream().collect(Collectors.groupingBy(PartTaken::piece));
        Set<Long> cut = new HashSet<>();
        for (long piece : ready.pieces()) {
            List<PartTaken> needs = parts.getOrDefault(piece, List.of());
            if (picking.enough(needs)) {
                picking.take(needs);
                cut.add(piece);
            }
        }
        entities.flush();
        if (!cut.isEmpty()) {
            pieces.act(PieceAct.CUT, cut);
        }
        Set<Long> lacking = new HashSet<>(ready.pieces());
        lacking.removeAll(cut);
        return lacking;
    }

    /** Nothing of the list is left to cut; what had to wait goes back to the open work. */
    void close(CutList list) {
        List<Long> waiting = inLists.waiting(list.id());
        List<Long> left = inLists.uncut(list);
        left.removeAll(waiting);
        if (!left.isEmpty()) {
            mustBeLongEnough(list);
            return;
        }
        list.confirm(clock.instant(), Workshop.whoever());
        costs.workOut(list);
        entities.flush();
        list.batches().forEach(batch -> batches.release(batch, waiting));
    }

    /** A tail may be too short for what its strand is worked out to need by now. */
    private void mustBeLongEnough(CutList list) {
        record Longer(String role, long needed, long tail) {}
        jdbc.sql("""
                        select n.role, n.cut_um as needed, r.tail_um as tail from cut_trimming r join strand n on n.id = r.strand_id
                        where r.cut_list_id = ? and r.tail_um < n.cut_um order by n.id limit 1
                        """).param(list.id()).query(Longer.class).optional().ifPresent(longer -> {
            throw new Conflict("cut.longerNow", longer.role(), new Length(longer.needed()), new Length(longer.tail()));
        });
    }

    /** A list that was done is to be cut again, unless another has begun with the same batches. */
    void reopen(CutList list) {
        boolean another = jdbc.sql("""
                        select exists (select 1 from cut_list c join cut_list_batch b on b.cut_list_id = c.id
                                       where c.confirmed_at is null and b.batch_id in (:batches))
                        """)
                .param("batches", list.batches())
                .query(Boolean.class)
                .single();
        if (another) {
            throw new Conflict("cut.nothingToUndo");
        }
        list.reopen();
    }

    /**
     * Pieces left the list: what their spools still had to do is planned no more; a list that lost everything goes. All of the
     * list's orders are held, and the boxes of what is ready without them.
     */
    void leaveOut(CutList list, Set<Long> gone, Ready ready, Picking picking) {
        Set<Long> strands = needs.strandsOf(gone).stream().map(StrandNeed::id).collect(Collectors.toSet());
        list.spools().stream()
                .filter(s -> s.toDo().stream().anyMatch(t -> t.strandId() != null && strands.contains(t.strandId())))
                .forEach(CutSpool::unplan);
        list.spools().removeIf(s -> s.steps().isEmpty());
        entities.flush();
        if (list.spools().stream().allMatch(s -> s.lastDone().isEmpty())) {
            entities.remove(list);
            entities.flush();
        } else if (inLists.lastOf(list.id(), List.of())) {
            Set<Long> lacking = complete(ready, picking);
            costs.cut(list, ready.pieces(), List.of());
            if (lacking.isEmpty()) {
                close(list);
            }
        }
    }

    /** What is ready of a list when these pieces leave it. */
    Ready readyWithout(CutList list, Set<Long> gone) {
        List<Long> rest = inLists.uncut(list);
        rest.removeAll(gone);
        return ready(list, rest, List.of());
    }

    /** Parts of what becomes ready in other open lists when these pieces leave them. */
    List<PartTaken> partsReadyWithout(Set<Long> leaving, long list) {
        List<PartTaken> parts = new ArrayList<>();
        for (long id : inLists.listsOf(leaving)) {
            CutList other = lists.look(id);
            if (id != list && !other.confirmed()) {
                parts.addAll(readyWithout(other, leaving).parts());
            }
        }
        return parts;
    }
}
