package dev.restis.app.plan;

import dev.restis.app.learning.Folding.LearnedAnew;
import dev.restis.app.learning.LearnedShelf;
import dev.restis.app.orders.LinesAnew;
import dev.restis.app.orders.LinesAnew.Change;
import dev.restis.app.pieces.PieceNeeds;
import dev.restis.app.platform.jobs.Jobs;
import dev.restis.app.platform.jobs.Jobs.Asked;
import dev.restis.app.platform.jobs.RunningJob;
import dev.restis.app.platform.jobs.Work;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Works pieces out anew that are not cut, when what was learned would change them noticeably. Lengths go by the cutting step, so that
 * what lies below it changes nothing. What somebody is cutting stays as it is on their list.
 */
@Service
public class LearnedReckoning implements Work {

    private static final String KIND = "work-out-learned";
    private static final String SUBJECT = "open";
    private static final String WHO = "restis";
    private static final int PAGE = 50;

    /** Strands of planned pieces may be longer or shorter than their lists have them. */
    public record LengthsMoved() {}

    private final Jobs jobs;
    private final LearnedShelf shelf;
    private final LinesAnew lines;
    private final PieceNeeds needs;
    private final Changed changed;
    private final ApplicationEventPublisher listeners;
    private final TransactionTemplate transaction;

    LearnedReckoning(
            Jobs jobs,
            LearnedShelf shelf,
            LinesAnew lines,
            PieceNeeds needs,
            Changed changed,
            ApplicationEventPublisher listeners,
            PlatformTransactionManager transactions) {
        this.jobs = jobs;
        this.shelf = shelf;
        this.lines = lines;
        this.needs = needs;
        this.changed = changed;
        this.listeners = listeners;
        this.transaction = new TransactionTemplate(transactions);
    }

    @EventListener
    public void learned(LearnedAnew learned) {
        if (shelf.movedOn()) {
            jobs.askAgain(Asked.of(KIND, SUBJECT, 0), WHO);
        }
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public String work(RunningJob job) {
        AtomicInteger moved = new AtomicInteger();
        int orders = 0;
        while (Boolean.TRUE.equals(transaction.execute(status -> shelf.moveOn()))) {
            orders += job.throughPages(PAGE, lines::uncut, page -> {
                Integer some = transaction.execute(status -> anew(page));
                moved.addAndGet(some == null ? 0 : some);
            });
        }
        if (moved.get() > 0) {
            listeners.publishEvent(new LengthsMoved());
        }
        return "{\"orders\": %d, \"changed\": %d}".formatted(orders, moved.get());
    }

    private int anew(List<Long> orders) {
        List<Change> changes = lines.work(orders, needs::learnedAnew);
        changed.keep(Changed.LEARNED, changes);
        return changes.size();
    }
}
