package dev.restis.app.workplan;

import dev.restis.app.workplan.BenchFacts.Key;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** What of accepted orders waits to be tied, as it is stored. */
@Service
class OpenReads {

    private static final int MOST_SET_UPS = 60;
    private static final LocalDate LAST = LocalDate.of(9999, 12, 31);

    /** @param due the day that it is promised or wanted */
    record OpenOrder(long id, String reference, Optional<LocalDate> due, boolean must, boolean promised) {
        LocalDate dueOrLast() {
            return due.orElse(LAST);
        }
    }

    /**
     * A line of which pieces wait.
     *
     * @param seconds that tying one takes
     * @param together whether one maker is to tie all of it
     * @param parts articles of its hardware
     */
    record OpenLine(long line, long order, Key key, long gaugeUm, int seconds, boolean together, List<Long> parts) {
        String setUp() {
            return key.setUp();
        }
    }

    /** @param cut whether all of its strands are cut */
    record OpenPiece(long id, long line, boolean cut) {}

    /**
     * A piece that somebody is tying, or began and laid down.
     *
     * @param left the share of it that is left, 0 to 1
     */
    record InHand(long person, double left) {}

    private static final String WAITING =
            "o.stage = OrderStage.ACCEPTED and o.makingLeftSeconds > 0 and p.stage < PieceStage.MADE and l.verdict <> Verdict.NO";

    private final EntityManager entities;

    OpenReads(EntityManager entities) {
        this.entities = entities;
    }

    /** In the order in which they were taken. */
    List<OpenOrder> orders() {
        return entities.createQuery("""
                        select o.id as id, o.reference as reference, coalesce(o.promised, o.due) as due, o.must as must,
                               o.promised is not null as promised
                        from CustomerOrder o
                        where o.stage = OrderStage.ACCEPTED and o.makingLeftSeconds > 0 order by o.id
                        """, Tuple.class)
                .getResultStream()
                .map(t -> new OpenOrder(
                        t.get("id", Long.class),
                        t.get("reference", String.class),
                        Optional.ofNullable(t.get("due", LocalDate.class)),
                        t.get("must", Boolean.class),
                        t.get("promised", Boolean.class)))
                .toList();
    }

    List<OpenLine> lines() {
        return lines("exists (select p.id from Piece p where p.line = l and " + WAITING + ")", Map.of());
    }

    private List<OpenLine> lines(String which, Map<String, Object> params) {
        Map<Long, List<Long>> parts = new HashMap<>();
        var ofParts = entities.createQuery(
                "select l.id as line, h.article as article from OrderLine l join l.order o join l.parts h where "
                        + which,
                Tuple.class);
        params.forEach(ofParts::setParameter);
        ofParts.getResultStream()
                .forEach(t -> parts.computeIfAbsent(t.get("line", Long.class), k -> new ArrayList<>())
                        .add(t.get("article", Long.class)));
        var lines = entities.createQuery("""
                        select l.id as line, o.id as order, l.setUp as setUp, l.patternVersion as version, l.kit as kit,
                               l.gaugeUm as gauge, l.makingSeconds as seconds, l.oneHand as together
                        from OrderLine l join l.order o where %s order by o.id, l.number
                        """.formatted(which), Tuple.class);
        params.forEach(lines::setParameter);
        return lines.getResultStream()
                .map(t -> new OpenLine(
                        t.get("line", Long.class),
                        t.get("order", Long.class),
                        new Key(
                                t.get("setUp", String.class),
                                t.get("version", Integer.class),
                                t.get("kit", Boolean.class)),
                        t.get("gauge", Long.class),
                        t.get("seconds", Integer.class),
                        t.get("together", Boolean.class),
                        parts.getOrDefault(t.get("line", Long.class), List.of())))
                .toList();
    }

    /** By line, and then by their numbers. */
    List<OpenPiece> pieces() {
        return entities.createQuery("""
                        select p.id as id, l.id as line, p.stage >= PieceStage.CUT as cut
                        from Piece p join p.line l join l.order o where %s order by l.id, p.number
                        """.formatted(WAITING), Tuple.class)
                .getResultStream()
                .map(t ->
                        new OpenPiece(t.get("id", Long.class), t.get("line", Long.class), t.get("cut", Boolean.class)))
                .toList();
    }

    /** Pieces that are begun, with whoever has or last had them. */
    Map<Long, InHand> inHand() {
        Stream<?> rows = entities.createNativeQuery("""
                        select b.piece_id, coalesce(b.person_id, (
                                   select a.person_id from bench_act a where a.piece_id = b.piece_id and a.act = 'TAKE'
                                   order by a.id desc limit 1)) as person,
                               1 - least(1, b.next_step / greatest(1, jsonb_array_length(c.card -> 'steps'))::float8) as part
                        from bench_piece b join piece p on p.id = b.piece_id join work_card c on c.id = b.card_id
                        where p.stage = 'MAKING'
                        """, Tuple.class).getResultStream();
        return rows.map(Tuple.class::cast)
                .filter(t -> t.get("person") != null)
                .collect(Collectors.toMap(
                        t -> t.get("piece_id", Number.class).longValue(),
                        t -> new InHand(
                                t.get("person", Number.class).longValue(),
                                t.get("part", Number.class).doubleValue())));
    }

    /** What accepted orders' uncut pieces take, by order and article. */
    Map<Long, Map<Long, Long>> needs() {
        Map<Long, Map<Long, Long>> needs = new HashMap<>();
        Stream<?> rows = entities.createNativeQuery(
                        "select order_id, article_id, sum(quantity)::bigint as quantity from article_reserved group by 1, 2",
                        Tuple.class)
                .getResultStream();
        rows.map(Tuple.class::cast)
                .forEach(t -> needs.computeIfAbsent(
                                t.get("order_id", Number.class).longValue(), o -> new HashMap<>())
                        .put(
                                t.get("article_id", Number.class).longValue(),
                                t.get("quantity", Number.class).longValue()));
        return needs;
    }

    /** The line of the piece that each maker had in hand last: what lies on their bench. */
    Map<Long, OpenLine> lastTied() {
        Map<Long, Long> lineOf = new HashMap<>();
        Stream<?> rows = entities.createNativeQuery("""
                        select m.id as person, p.line_id as line from person m cross join lateral (
                            select a.piece_id from bench_act a where a.person_id = m.id order by a.id desc limit 1) last
                            join piece p on p.id = last.piece_id
                        where m.ended_at is null
                        """, Tuple.class).getResultStream();
        rows.map(Tuple.class::cast)
                .forEach(t -> lineOf.put(
                        t.get("person", Number.class).longValue(),
                        t.get("line", Number.class).longValue()));
        Map<Long, OpenLine> lines = linesOf(lineOf.values());
        Map<Long, OpenLine> last = new HashMap<>();
        lineOf.forEach((person, line) -> Optional.ofNullable(lines.get(line)).ifPresent(l -> last.put(person, l)));
        return last;
    }

    /**
     * A set-up of the bench that was timed.
     *
     * @param line one of that set-up
     */
    record TimedSetUp(long person, long line, int seconds) {}

    /** The last that stand, the oldest first. */
    List<TimedSetUp> timedSetUps() {
        List<?> rows = entities.createNativeQuery("""
                        select s.person_id, s.seconds, l.id as line from (
                            select * from bench_set_up s where s.takes_back is null and s.person_id is not null
                                and not exists (select 1 from bench_set_up t where t.takes_back = s.id)
                            order by s.id desc limit :most) s
                            join lateral (select l.id from order_line l where l.set_up = s.set_up order by l.id desc limit 1) l on true
                        order by s.id
                        """, Tuple.class)
                .setParameter("most", MOST_SET_UPS)
                .getResultList();
        return rows.stream()
                .map(Tuple.class::cast)
                .map(t -> new TimedSetUp(
                        t.get("person_id", Number.class).longValue(),
                        t.get("line", Number.class).longValue(),
                        t.get("seconds", Number.class).intValue()))
                .toList();
    }

    /** Lines by their numbers. */
    Map<Long, OpenLine> linesOf(Collection<Long> ids) {
        return ids.isEmpty()
                ? Map.of()
                : lines("l.id in :lines", Map.of("lines", ids)).stream()
                        .collect(Collectors.toMap(OpenLine::line, Function.identity()));
    }

    /** Seconds that each maker has logged since then. */
    Map<Long, Integer> workedToday(Instant since) {
        return entities.createQuery("""
                        select a.personId as person, sum(a.seconds) as seconds from BenchActRow a
                        where a.at >= :since and a.personId is not null and a.seconds is not null group by a.personId
                        """, Tuple.class)
                .setParameter("since", since)
                .getResultStream()
                .collect(Collectors.toMap(
                        t -> t.get("person", Long.class),
                        t -> t.get("seconds", Number.class).intValue()));
    }

    /** The plan that people have seen. */
    List<PlanParcelRow> published() {
        return entities.createQuery(
                        "select r from PlanBook b join PlanParcelRow r on r.planId = b.published order by r.personId, r.place",
                        PlanParcelRow.class)
                .getResultList();
    }
}
