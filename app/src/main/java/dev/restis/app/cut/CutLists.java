package dev.restis.app.cut;

import dev.restis.app.cut.CutList.Pin;
import dev.restis.app.pieces.PieceNeeds;
import dev.restis.app.pieces.PieceNeeds.StrandNeed;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.LockOrder;
import dev.restis.app.platform.LockOrder.Rank;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.Stock;
import dev.restis.core.cutting.CutPlan.StepKind;
import dev.restis.core.measure.Fault;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Cut lists as they are kept: locked, put in another order, and with what the bench wants of them. */
@Service
class CutLists {

    /** What a piece is to be cut from. */
    record PinInput(long piece, long holding) {}

    private final PieceNeeds needs;
    private final Pieces pieces;
    private final Stock stock;
    private final EntityManager entities;
    private final JdbcClient jdbc;

    CutLists(PieceNeeds needs, Pieces pieces, Stock stock, EntityManager entities, JdbcClient jdbc) {
        this.needs = needs;
        this.pieces = pieces;
        this.stock = stock;
        this.entities = entities;
        this.jdbc = jdbc;
    }

    /** Keeps what the bench wants of the list; it is to be planned accordingly. */
    @Transactional
    public void wish(long listId, Collection<Long> forbidden, Collection<PinInput> pins) {
        CutList list = open(listId);
        Set<Long> there = new HashSet<>();
        list.batches().forEach(b -> there.addAll(pieces.uncut(b)));
        if (!pins.stream().allMatch(p -> there.contains(p.piece()))) {
            throw new Rejected(Fault.of("pins", "cut.pinGone"));
        }
        checkThere("forbidden", forbidden);
        checkThere("pins", pins.stream().map(PinInput::holding).toList());
        if (pins.stream().anyMatch(p -> forbidden.contains(p.holding()))) {
            throw new Rejected(Fault.of("pins", "cut.pinForbidden"));
        }
        list.wishes(
                forbidden,
                pins.stream().map(p -> new Pin(p.piece(), p.holding())).toList());
    }

    private void checkThere(String field, Collection<Long> holdings) {
        Set<Long> asked = Set.copyOf(holdings);
        long known = jdbc.sql("select count(*) from holding where id = any (?)")
                .param(asked.toArray(Long[]::new))
                .query(Long.class)
                .single();
        if (known < asked.size()) {
            throw new Rejected(Fault.of(field, "cut.noHolding"));
        }
    }

    /** Puts the spools in this order; those that are not named follow as they were. */
    @Transactional
    public void order(long listId, List<Long> spools) {
        CutList list = open(listId);
        List<CutSpool> sorted = new ArrayList<>(list.spools());
        sorted.sort(Comparator.comparingInt(s -> {
            int at = spools.indexOf(s.id());
            return at < 0 ? spools.size() : at;
        }));
        number(sorted);
    }

    static void number(List<CutSpool> sorted) {
        int n = 1;
        for (CutSpool spool : sorted) {
            spool.number(n++);
        }
    }

    /** Decides what becomes of a leftover. */
    @Transactional
    public void keep(long listId, long step, boolean keep) {
        CutList list = open(listId);
        list.spools().stream()
                .flatMap(s -> s.toDo().stream())
                .filter(s -> s.id() == step && s.kind() != StepKind.STRAND)
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"))
                .keep(keep);
    }

    static int cutsDone(CutList list) {
        return (int) list.spools().stream()
                .flatMap(s -> s.steps().stream())
                .filter(s -> s.done() && s.kind() == StepKind.STRAND)
                .count();
    }

    /** Strands that a tail serves. */
    Set<Long> trimmings(CutList list) {
        return Set.copyOf(jdbc.sql("select strand_id from cut_trimming where cut_list_id = ?")
                .param(list.id())
                .query(Long.class)
                .list());
    }

    /** What is cut for these pieces goes back on the shelf; the list cuts for them no more. */
    void giveUp(CutList list, Set<Long> given) {
        Set<Long> strands = needs.strandsOf(given).stream().map(StrandNeed::id).collect(Collectors.toSet());
        List<CutStep> cut = list.spools().stream()
                .flatMap(s -> s.steps().stream())
                .filter(s -> s.done() && s.strandId() != null && strands.contains(s.strandId()))
                .toList();
        stock.giveBack(cut.stream().map(CutStep::id).toList());
        cut.forEach(CutStep::giveUp);
        given.forEach(stock::takeBackPicked);
        entities.flush();
    }

    /** Whether something of one of these lists is cut. */
    boolean begun(Set<Long> ids) {
        return jdbc.sql("""
                        select exists (select 1 from cut_spool s join cut_step t on t.cut_spool_id = s.id
                                       where s.cut_list_id = any (?) and t.done_at is not null)
                        """)
                .param(ids.toArray(Long[]::new))
                .query(Boolean.class)
                .single();
    }

    /** The list, held until the transaction ends, for work on what is left to cut. */
    CutList open(long id) {
        CutList list = unconfirmed(id);
        list.replanned();
        return list;
    }

    /** The list, held, to be cut. */
    CutList cutting(long id) {
        CutList list = unconfirmed(id);
        list.touched();
        return list;
    }

    /** The list, held, for what does not change what is left to cut. */
    CutList unconfirmed(long id) {
        CutList list = held(id);
        if (list.confirmed()) {
            throw new Conflict("cut.confirmed");
        }
        return list;
    }

    CutList held(long id) {
        hold(Set.of(id));
        return look(id);
    }

    /** Locks lists until the transaction ends, so that what is done to them is done one after the other. */
    void hold(Collection<Long> ids) {
        List<Long> fresh = LockOrder.next(Rank.CUT_LIST, ids);
        if (!fresh.isEmpty()) {
            entities.createNativeQuery(
                            "select id from cut_list where id in (:ids) order by id for no key update", Long.class)
                    .setParameter("ids", fresh)
                    .getResultList();
        }
    }

    CutList look(long id) {
        CutList list = entities.find(CutList.class, id);
        if (list == null) {
            throw new NotFound("cut.replaced");
        }
        return list;
    }
}
