package dev.restis.app.orders;

import dev.restis.app.platform.Problems.Conflict;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** How far imports are, for whoever watches; each has a transaction of its own, beside that of the import. */
@Service
class ImportProgress {

    /** Rows done of all there are. */
    record ProgressView(int done, int total, boolean cancelled) {}

    private final JdbcClient jdbc;

    ImportProgress(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * Says how far an import is.
     *
     * @throws Conflict when somebody cancelled it; then nothing of it is kept
     */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void at(String key, int done, int total) {
        boolean cancelled =
                jdbc.sql("""
                        insert into import_progress (key, done, total) values (?, ?, ?)
                        on conflict (key) do update set done = excluded.done, total = excluded.total, at = now()
                        returning cancelled
                        """).params(key, done, total).query(Boolean.class).single();
        if (cancelled) {
            throw new Conflict("import.cancelled");
        }
        jdbc.sql("delete from import_progress where at < now() - interval '1 day'")
                .update();
    }

    @Transactional(readOnly = true)
    public Optional<ProgressView> of(String key) {
        return jdbc.sql("select done, total, cancelled from import_progress where key = ?")
                .param(key)
                .query(ProgressView.class)
                .optional();
    }

    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void cancel(String key) {
        jdbc.sql("""
                        insert into import_progress (key, done, total, cancelled) values (?, 0, 0, true)
                        on conflict (key) do update set cancelled = true
                        """).param(key).update();
    }
}
