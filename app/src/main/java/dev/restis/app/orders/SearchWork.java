package dev.restis.app.orders;

import dev.restis.app.patterns.PatternRenamed;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.jobs.Jobs;
import dev.restis.app.platform.jobs.Jobs.Asked;
import dev.restis.app.platform.jobs.RunningJob;
import dev.restis.app.platform.jobs.Work;
import dev.restis.app.stock.ArticleRenamed;
import dev.restis.app.workshop.Workshop;
import jakarta.persistence.EntityManager;
import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes orders found by the new name of an article or a pattern, a page of them at a time. */
@Service
class SearchWork implements Work {

    private static final String KIND = "search-text";
    private static final int PAGE = 200;
    private static final String ARTICLE = "article/";
    private static final String PATTERN = "pattern/";

    private final Jobs jobs;
    private final OrderStore store;
    private final OrderLocks locks;
    private final PieceDesk desk;
    private final EntityManager entities;
    private final TransactionTemplate transaction;

    SearchWork(
            Jobs jobs,
            OrderStore store,
            OrderLocks locks,
            PieceDesk desk,
            EntityManager entities,
            PlatformTransactionManager transactions) {
        this.jobs = jobs;
        this.store = store;
        this.locks = locks;
        this.desk = desk;
        this.entities = entities;
        this.transaction = new TransactionTemplate(transactions);
    }

    @EventListener
    void renamed(ArticleRenamed named) {
        ask(ARTICLE + named.article());
    }

    @EventListener
    void renamed(PatternRenamed named) {
        ask(PATTERN + named.code());
    }

    private void ask(String subject) {
        jobs.askAnew(Asked.of(KIND, subject, 0), Workshop.whoever());
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public String work(RunningJob job) {
        int done = job.throughPages(
                PAGE,
                (after, most) -> page(job.subject(), after, most),
                orders -> transaction.executeWithoutResult(status -> rewrite(orders)));
        return "{\"orders\": %d}".formatted(done);
    }

    private void rewrite(List<Long> orders) {
        locks.hold(orders);
        PieceDesk.Sitting sitting = desk.sit();
        for (CustomerOrder order : store.withLines(orders)) {
            // Not a change of the order: whoever has it open goes on with the version they see.
            entities.createQuery("update CustomerOrder o set o.search = :text where o.id = :order")
                    .setParameter("text", SearchText.of(order, sitting))
                    .setParameter("order", order.id())
                    .executeUpdate();
        }
    }

    /** The next orders that name it, by their ids. */
    private List<Long> page(String subject, long after, int most) {
        boolean article = subject.startsWith(ARTICLE);
        String named = article
                ? """
                  select l.order.id from OrderLine l join l.colours c where c = :what and l.order.id > :after
                  union select l.order.id from OrderLine l join l.parts p where p.article = :what and l.order.id > :after
                  order by 1"""
                : "select distinct l.order.id from OrderLine l where l.pattern = :what and l.order.id > :after order by 1";
        return entities.createQuery(named, Long.class)
                .setParameter(
                        "what",
                        article
                                ? (Object) Long.valueOf(subject.substring(ARTICLE.length()))
                                : subject.substring(PATTERN.length()))
                .setParameter("after", after)
                .setMaxResults(most)
                .getResultList();
    }
}
