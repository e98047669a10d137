package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.http.HttpMethod;

/** Lists take as many statements for many rows as for few; each list says how many, and has at least five rows here. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class StatementCountTest extends RestisTest {

    private static final String WHO = "customer like 'Ilka Counted%'";

    private final List<Long> taken = new ArrayList<>();

    @BeforeAll
    void severalOfEach() throws Exception {
        addCord("SCT1", "#3A5F77", "2 mm");
        addCord("SCT2", "#3A5F78", "2 mm");
        for (int n = 0; n < 5; n++) {
            receive("SCT1", "SCT-" + n, "40 m", "");
            Answer order = tell(
                    "/api/orders", order("Ilka Counted " + n, 2, snake("16 cm").replace("NT2", "SCT1")));
            long id = order.body().path("id").asLong();
            taken.add(id);
            tell("/api/orders/" + id + "/acts/ACCEPT", "{}");
            if (n < 2) {
                send(HttpMethod.PUT, "/api/orders/" + id + "/for-shelf", "{\"shelf\": true}");
            }
            if (n > 0) {
                assertThat(confirm(sheet(batchOf(id, 1)))).isLessThan(300);
            }
        }
    }

    @AfterAll
    void goneAgain() {
        forgetOrders(WHO);
    }

    @ParameterizedTest
    @CsvSource({
        "/api/orders, 13",
        "/api/orders?query=counted, 13",
        "/api/plan, 10",
        "/api/plan/batches, 1",
        "/api/plan/waiting, 1",
        "/api/cut/batches, 1",
        "/api/cut/waste?by=ARTICLE, 2",
        "/api/cut/waste?by=MONTH, 2",
        "/api/cut/waste?by=BATCH, 3",
        "/api/today, 27",
        "/api/finished, 14",
        "/api/shelf, 14",
        "/api/shelf/sells-well, 18",
        "/api/costs/sums?by=PIECE, 21",
        "/api/costs/earnings, 13",
        "/api/costs, 1",
        "/api/costs/totals, 1",
        "/api/costs/books, 4",
        "/api/stock/articles, 2",
        "/api/stock/wall, 8",
        "/api/stock/ledger, 1",
        "/api/stock/receipts, 2",
        "/api/stock/purchases, 2",
        "/api/stock/buy, 12",
        "/api/stock/suppliers, 1",
        "/api/stock/stocktakes, 1",
        "/api/patterns, 9",
        "/api/stitches, 9",
        "/api/deliveries, 4",
        "/api/shop-feeds, 2",
        "/api/people, 1"
    })
    void aListTakesFewStatements(String path, int most) throws Exception {
        ask(path);
        CountedStatements.begin();
        Answer answer = ask(path);
        List<String> sent = CountedStatements.sent();
        assertThat(answer.status()).isEqualTo(200);
        assertThat(sent).as("statements of %s", path).hasSizeBetween(1, most);
    }

    /** As many for an order of many lines as for one, whether its cord is there or others like it must be looked for. */
    @ParameterizedTest
    @ValueSource(strings = {"SCT1", "SCT2"})
    void anOrderTakesAsManyStatementsForManyLines(String cord) throws Exception {
        int one = statementsOfAnOrder(cord, 1);
        assertThat(one).isBetween(1, 32);
        assertThat(statementsOfAnOrder(cord, 12)).isLessThanOrEqualTo(one);
    }

    /** Of twelve pieces, however many lines they stand in: both orders are as short of cord. */
    private int statementsOfAnOrder(String cord, int lines) throws Exception {
        StringBuilder body = new StringBuilder("{\"customer\": \"Ilka Counted lines\", \"lines\": [");
        for (int n = 0; n < lines; n++) {
            body.append(n == 0 ? "" : ",")
                    .append("{\"quantity\": %d, \"choices\": ".formatted(12 / lines))
                    .append(snake(15 + n % 4 + " cm").replace("NT2", cord))
                    .append("}");
        }
        Answer order = tell("/api/orders", body + "]}");
        assertThat(order.status()).as(order.text()).isEqualTo(201);
        String path = "/api/orders/" + order.body().path("id").asLong();
        ask(path);
        CountedStatements.begin();
        assertThat(ask(path).status()).isEqualTo(200);
        return CountedStatements.sent().size();
    }
}
