package dev.restis.app.orders;

import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceDesk.Worked;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.batch.SetUp;
import dev.restis.core.piece.Check.Verdict;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Works lines out anew whose pieces are not cut, where the formulas changed since they were taken; prices stay as they are. */
@Service
public class LinesAnew {

    /**
     * What one piece of a line takes of an article now.
     *
     * @param before what it was said to take
     */
    public record Change(long line, long article, long before, long after) {}

    private final OrderLocks locks;
    private final LineSpecs specs;
    private final PieceDesk desk;
    private final Standing standing;
    private final JdbcClient jdbc;
    private final JdbcTemplate bulk;

    LinesAnew(
            OrderLocks locks, LineSpecs specs, PieceDesk desk, Standing standing, JdbcClient jdbc, JdbcTemplate bulk) {
        this.locks = locks;
        this.specs = specs;
        this.desk = desk;
        this.standing = standing;
        this.jdbc = jdbc;
        this.bulk = bulk;
    }

    /** The next orders with pieces that are not cut, by their ids. */
    @Transactional(readOnly = true)
    public List<Long> uncut(long after, int most) {
        return jdbc.sql("select id from customer_order where id > ? and pieces > cut order by id limit ?")
                .params(after, most)
                .query(Long.class)
                .list();
    }

    /**
     * Keeps what lines of these orders take now.
     *
     * @param planned does the same for their pieces in batches
     * @return what changed
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public List<Change> work(Collection<Long> orders, Consumer<Map<Long, Worked>> planned) {
        locks.hold(orders);
        Set<Long> open = new LinkedHashSet<>(jdbc.sql("""
                        select distinct l.id from order_line l join piece p on p.line_id = l.id
                        where l.order_id = any (?) and p.stage < 'CUT'
                        """)
                .param(orders.toArray(Long[]::new))
                .query(Long.class)
                .list());
        PieceDesk.Sitting sitting = desk.sit();
        Map<Long, Worked> worked = new LinkedHashMap<>();
        List<Object[]> impossible = new ArrayList<>();
        specs.of(orders)
                .values()
                .forEach(lines -> lines.stream()
                        .filter(l -> open.contains(l.id()))
                        .forEach(line -> {
                            try {
                                worked.put(line.id(), sitting.workOut(line.spec()));
                            } catch (Rejected | IllegalStateException cannotBeMade) {
                                // It stays as it was taken, but nobody plans what cannot be made.
                                impossible.add(new Object[] {Verdict.NO.name(), line.id()});
                            }
                        }));
        bulk.batchUpdate("update order_line set verdict = ? where id = ?", impossible);
        List<Change> changes = keep(worked);
        planned.accept(worked);
        standing.refresh(orders);
        return changes;
    }

    private List<Change> keep(Map<Long, Worked> worked) {
        Map<Long, Map<Long, Long>> before = needs(worked.keySet());
        List<Change> changes = new ArrayList<>();
        List<Object[]> lines = new ArrayList<>();
        List<Object[]> needs = new ArrayList<>();
        List<Object[]> changed = new ArrayList<>();
        worked.forEach((line, w) -> {
            Orders.Effort effort = Orders.Effort.of(w);
            SetUp setUp = effort.setUp();
            lines.add(new Object[] {
                setUp.key(),
                setUp.gauge().micrometres(),
                setUp.cord().micrometres(),
                setUp.verdict().name(),
                effort.making().toSeconds(),
                line
            });
            Map<Long, Long> was = before.getOrDefault(line, Map.of());
            if (!was.equals(effort.needs())) {
                changed.add(new Object[] {line});
                effort.needs().forEach((article, each) -> needs.add(new Object[] {line, article, each}));
                Set<Long> articles = new LinkedHashSet<>(was.keySet());
                articles.addAll(effort.needs().keySet());
                for (long article : articles) {
                    long then = was.getOrDefault(article, 0L);
                    long now = effort.needs().getOrDefault(article, 0L);
                    if (then != now) {
                        changes.add(new Change(line, article, then, now));
                    }
                }
            }
        });
        bulk.batchUpdate(
                "update order_line set set_up = ?, gauge_um = ?, cord_um = ?, verdict = ?, making_s = ? where id = ?",
                lines);
        bulk.batchUpdate("delete from order_line_need where line_id = ?", changed);
        bulk.batchUpdate("insert into order_line_need (line_id, article_id, quantity) values (?, ?, ?)", needs);
        return changes;
    }

    private Map<Long, Map<Long, Long>> needs(Collection<Long> lines) {
        Map<Long, Map<Long, Long>> needs = new LinkedHashMap<>();
        jdbc.sql("select line_id, article_id, quantity from order_line_need where line_id = any (?)")
                .param(lines.toArray(Long[]::new))
                .query(row -> {
                    needs.computeIfAbsent(row.getLong(1), l -> new TreeMap<>()).put(row.getLong(2), row.getLong(3));
                });
        return needs;
    }
}
