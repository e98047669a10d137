package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import dev.restis.app.costs.Verification;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Who did something is a person, with the name beside; what is nobody's name stays a name. */
class NamesTest extends RestisTest {

    @AfterEach
    void goneAgain() {
        forgetOrders("customer = 'Named house'");
    }

    @Test
    void whoeverIsSignedInIsThePersonInTheBooks() throws Exception {
        long tove = jdbc.sql("select id from person where name = 'Tove'")
                .query(Long.class)
                .single();
        receive("PB6", "NAMED", "10", "");
        long order = tell("/api/orders", order("Named house", 1, """
                        {"pattern": "snake", "wrist": "16 cm", "colours": ["NT2", "NT2"], "units": "METRIC"}
                        """))
                .body()
                .path("id")
                .asLong();
        assertThat(jdbc.sql("""
                        select count(*) from ledger g join holding h on h.id = g.holding_id join lot on lot.id = h.lot_id
                        where lot.code = 'NAMED' and g.person_id = ? and g.who = 'Tove'
                        """).param(tove).query(Integer.class).single()).isEqualTo(1);
        assertThat(jdbc.sql("select created_by_id from customer_order where id = ?")
                        .param(order)
                        .query(Long.class)
                        .single())
                .isEqualTo(tove);
        assertThat(jdbc.sql("select distinct person_id from order_event where order_id = ?")
                        .param(order)
                        .query(Long.class)
                        .list())
                .containsExactly(tove);
    }

    @Test
    void aNameOfNobodyIsKeptListedAndNotGuessed() {
        long batch = jdbc.sql(
                        "insert into batch (name, created_at, created_by) values ('Of old', now(), 'tove') returning id")
                .query(Long.class)
                .single();
        try {
            assertThat(jdbc.sql("select created_by_id is null from batch where id = ?")
                            .param(batch)
                            .query(Boolean.class)
                            .single())
                    .as("a name that is written otherwise is another")
                    .isTrue();
            assertThat(new Verification(jdbc).namesOfNobody()).contains("batch.created_by: tove, 1");
            jdbc.sql("update batch set created_by = 'Bram' where id = ?")
                    .param(batch)
                    .update();
            assertThat(jdbc.sql("select p.name from batch b join person p on p.id = b.created_by_id where b.id = ?")
                            .param(batch)
                            .query(String.class)
                            .single())
                    .isEqualTo("Bram");
        } finally {
            jdbc.sql("delete from batch where id = ?").param(batch).update();
        }
    }
}
