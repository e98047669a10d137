package dev.restis.app.plan;

import dev.restis.app.orders.LinesAnew;
import dev.restis.app.orders.LinesAnew.Change;
import dev.restis.app.pieces.PieceNeeds;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.jobs.Jobs;
import dev.restis.app.platform.jobs.Jobs.Asked;
import dev.restis.app.platform.jobs.RunningJob;
import dev.restis.app.platform.jobs.Work;
import dev.restis.core.piece.Formulas;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Works everything out anew that is not cut yet when formulas were corrected, a page of orders at a time, and keeps what changed.
 * Nothing is planned or cut before that is done.
 */
@Service
public class Reckoning implements Work {

    private static final String KIND = "reckon-anew";
    private static final String WHO = "restis";
    private static final int PAGE = 100;

    private final Jobs jobs;
    private final LinesAnew lines;
    private final PieceNeeds needs;
    private final JdbcClient jdbc;
    private final Changed changed;
    private final TransactionTemplate transaction;
    /** It is never undone, so once it was seen nobody need look again. */
    private volatile boolean done;

    Reckoning(
            Jobs jobs,
            LinesAnew lines,
            PieceNeeds needs,
            Changed changed,
            JdbcClient jdbc,
            PlatformTransactionManager transactions) {
        this.jobs = jobs;
        this.lines = lines;
        this.needs = needs;
        this.jdbc = jdbc;
        this.changed = changed;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** After the lines that lack their needs got them. */
    @EventListener(ApplicationStartedEvent.class)
    @Order(2)
    public void begin() {
        if (upToDate()) {
            return;
        }
        if (lines.uncut(0, 1).isEmpty()) {
            finished();
        } else {
            jobs.askAnew(Asked.of(KIND, "formulas", Formulas.VERSION), WHO);
        }
    }

    /**
     * Lets nobody plan or cut on what is being worked out anew.
     *
     * @throws Conflict while it is
     */
    public void mustBeDone() {
        if (!upToDate()) {
            throw new Conflict("cut.reckoning");
        }
    }

    private boolean upToDate() {
        if (!done) {
            done = jdbc.sql("select formulas >= ? from reckoned")
                    .param(Formulas.VERSION)
                    .query(Boolean.class)
                    .single();
        }
        return done;
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public String work(RunningJob job) {
        AtomicInteger changed = new AtomicInteger();
        int orders = job.throughPages(PAGE, lines::uncut, page -> {
            Integer some = transaction.execute(status -> anew(page));
            changed.addAndGet(some == null ? 0 : some);
        });
        finished();
        return "{\"orders\": %d, \"changed\": %d}".formatted(orders, changed.get());
    }

    private int anew(List<Long> orders) {
        List<Change> changes = lines.work(orders, needs::workedAnew);
        changed.keep(Formulas.VERSION, changes);
        return changes.size();
    }

    private void finished() {
        jdbc.sql("update reckoned set formulas = greatest(formulas, ?)")
                .param(Formulas.VERSION)
                .update();
    }
}
