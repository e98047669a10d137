package dev.restis.app.plan;

import dev.restis.app.orders.LinesAnew.Change;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what lines take otherwise than before, because formulas were corrected or hands learned. */
@Service
class Changed {

    /** What was learned changes figures again and again: one row keeps what they were at first and are now. */
    static final int LEARNED = 0;

    private final JdbcTemplate bulk;
    private final Clock clock;

    Changed(JdbcTemplate bulk, Clock clock) {
        this.bulk = bulk;
        this.clock = clock;
    }

    /** @param formulas the version that they were corrected with, or {@link #LEARNED} */
    @Transactional(propagation = Propagation.MANDATORY)
    public void keep(int formulas, List<Change> changes) {
        Timestamp now = Timestamp.from(clock.instant());
        bulk.batchUpdate(
                """
                insert into reckoned_anew (formulas, line_id, article_id, before_quantity, after_quantity, at)
                values (?, ?, ?, ?, ?, ?) on conflict (formulas, line_id, article_id)
                do update set after_quantity = excluded.after_quantity, at = excluded.at
                """,
                changes.stream()
                        .map(c -> new Object[] {formulas, c.line(), c.article(), c.before(), c.after(), now})
                        .toList());
    }
}
