package dev.restis.app.cut;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps for each list that is done where its cord went; several instances share the work. */
@Component
class CutWasteSums {

    private static final int AT_ONCE = 50;

    private final JdbcClient jdbc;
    private final TransactionTemplate transaction;

    CutWasteSums(JdbcClient jdbc, PlatformTransactionManager transactions) {
        this.jdbc = jdbc;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** Sums what is done and not summed, a few lists at a time. */
    @Scheduled(initialDelay = 5_000, fixedDelay = 10_000)
    public void sum() {
        while (Boolean.TRUE.equals(transaction.execute(status -> sumSome()))) {
            // There may be more.
        }
    }

    private boolean sumSome() {
        // Whoever does something to a list that is done holds it, so that nothing moves between the sum and its mark.
        List<Long> lists = jdbc.sql("""
                        select id from cut_list where confirmed_at is not null and not summed order by id limit ?
                        for no key update skip locked
                        """).param(AT_ONCE).query(Long.class).list();
        if (lists.isEmpty()) {
            return false;
        }
        Long[] ids = lists.toArray(Long[]::new);
        // Days are summed by one instance after the other: each takes away what it adds anew.
        jdbc.sql("lock table cut_waste_day in share row exclusive mode").update();
        jdbc.sql("delete from cut_waste where cut_list_id = any (?)").param(ids).update();
        jdbc.sql("""
                        insert into cut_waste (cut_list_id, article_id, day, used_um, cut_um, scrap_um, scrap_value, made, made_um,
                            remnants, remnants_um)
                        select cut_list_id, article_id, day, used_um, cut_um, scrap_um, scrap_value, made, made_um, remnants, remnants_um
                        from cut_waste_now where cut_list_id = any (?)
                        """).param(ids).update();
        jdbc.sql("update cut_list set summed = true where id = any (?)")
                .param(ids)
                .update();
        return lists.size() == AT_ONCE;
    }
}
