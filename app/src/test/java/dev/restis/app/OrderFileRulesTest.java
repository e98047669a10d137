package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** What an order file may look like, and what each row of it does. */
class OrderFileRulesTest extends RestisTest {

    private static final String HEAD = "reference,customer,quantity,pattern,colour 1,colour 2,wrist\n";

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    comma     | reference,customer,quantity,pattern,colour 1,colour 2,wrist~S-1,Ilka,2,snake,NT2,OA2,"16,5"
                    semicolon | reference;customer;quantity;pattern;colour 1;colour 2;wrist~S-1;Ilka;2;snake;NT2;OA2;16,5
                    tab       | reference^customer^quantity^pattern^colour 1^colour 2^wrist~S-1^Ilka^2^snake^NT2^OA2^16,5
                    any order | WRIST,Colour 2,colour 1,pattern,quantity,customer,Reference,shoe size~16.5,OA2,NT2,SNAKE,2,Ilka,S-1,44
                    quotes    | reference,customer,quantity,pattern,colour 1,colour 2,wrist~S-1,"Ilka",2,snake,"NT2","OA2","16.5 cm"
                    inches    | reference,customer,quantity,pattern,colour 1,colour 2,wrist~S-1,Ilka,2,snake,NT2,OA2,6 1/2 in
                    """)
    void oneRowIsReadAlikeHoweverItIsWritten(String way, String text) throws Exception {
        JsonNode row =
                preview(text.replace('~', '\n').replace('^', '\t')).path("rows").path(0);
        assertThat(row.path("state").asString()).as(way + ": " + row).isEqualTo("NEW");
        assertThat(row.path("customer").asString()).isEqualTo("Ilka");
        assertThat(row.path("quantity").asInt()).isEqualTo(2);
        assertThat(row.path("colours").asString()).isEqualTo("NT2, OA2");
    }

    @Test
    void aByteOrderMarkAndLettersBeyondAsciiAreKept() throws Exception {
        JsonNode row = preview("\uFEFF" + HEAD + "S-2,Åse & Jürgen,1,snake,NT2,OA2,16 cm")
                .path("rows")
                .path(0);
        assertThat(row.path("customer").asString()).isEqualTo("Åse & Jürgen");
    }

    @Test
    void emptyLinesAreNoRowsAndLackingCellsAreEmpty() throws Exception {
        JsonNode view = preview(HEAD + "\n,,,,,,\nS-3,Ilka,1,snake,NT2,OA2\n");
        assertThat(view.path("rows")).hasSize(1);
        assertThat(problem(view, 0)).isEqualTo("wrist wrist.missing");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    ,Ilka,1,snake,NT2,OA2,16                | reference missing
                    S-4,,1,snake,NT2,OA2,16                 | customer missing
                    S-4,Ilka,two,snake,NT2,OA2,16           | quantity quantity.unread
                    S-4,Ilka,1.5,snake,NT2,OA2,16           | quantity quantity.unread
                    S-4,Ilka,99999999999,snake,NT2,OA2,16   | quantity quantity.unread
                    S-4,Ilka,1001,snake,NT2,OA2,16          | quantity quantity.range
                    S-4,Ilka,1,macrame,NT2,OA2,16           | pattern pattern.unknown
                    S-4,Ilka,1,snake,XX1,OA2,16             | colour 1 article.unknown
                    S-4,Ilka,1,snake,NT2,HB9,16             | colour 2 article.unknown
                    S-4,Ilka,1,snake,NT2,OA2,16 hands       | wrist length.unread
                    S-4,Ilka,1,snake,NT2,OA2,-16            | wrist length.unread
                    """)
    void aBadCellIsNamedByItsColumn(String row, String problem) throws Exception {
        long orders = count("customer_order");
        JsonNode view = preview(HEAD + row);
        assertThat(view.path("bad").asInt()).isEqualTo(1);
        assertThat(problem(view, 0)).isEqualTo(problem);
        assertThat(upload(take("ALL"), bytes(HEAD + row)).status()).isEqualTo(422);
        assertThat(count("customer_order")).isEqualTo(orders);
    }

    @Test
    void aRowTwiceInOneFileIsOneLineAndADifferentOneIsShown() throws Exception {
        String same = "S-5,Ilka,1,snake,NT2,OA2,16,1\n";
        String file = HEAD.strip() + ",line\n" + same + same + "S-5,Ilka,1,snake,NT2,OA2,17,1\n";
        JsonNode view = preview(file);
        assertThat(states(view)).isEqualTo("NEW KNOWN DIFFERENT ");
        assertThat(upload(take("ALL"), bytes(file)).status()).isEqualTo(200);
        assertThat(linesOf("S-5")).isEqualTo(1);
        assertThat(states(preview(file))).isEqualTo("KNOWN KNOWN DIFFERENT ");
    }

    @Test
    void aLaterFileAddsLinesToAnOrderThatIsThere() throws Exception {
        upload(take("ALL"), bytes(HEAD + "S-6,Ilka,1,snake,NT2,OA2,16\n"));
        String longer = HEAD + "S-6,Ilka,1,snake,NT2,OA2,16\nS-6,Ilka,3,snake,OA2,NT2,18\n";
        assertThat(states(preview(longer))).isEqualTo("KNOWN NEW ");
        upload(take("ALL"), bytes(longer));
        assertThat(linesOf("S-6")).isEqualTo(2);
    }

    @Test
    void wordsOfAFileAreTextAndNothingElse() throws Exception {
        String name = "<b>Ilka</b>'; drop table lot; --";
        upload(take("ALL"), bytes(HEAD + "S-7,\"" + name + "\",1,snake,NT2,OA2,16\n"));
        assertThat(jdbc.sql("select customer from customer_order where reference = 'S-7'")
                        .query(String.class)
                        .single())
                .isEqualTo(name);
    }

    @Test
    void aFileOfTooManyRowsIsRefusedAndTheLargestIsRead() throws Exception {
        StringBuilder file = new StringBuilder(HEAD);
        for (int i = 0; i < 10_000; i++) {
            file.append("L-").append(i).append(",Ilka,1,snake,NT2,OA2,16\n");
        }
        assertThat(preview(file.toString()).path("fresh").asInt()).isEqualTo(10_000);
        file.append("L-10000,Ilka,1,snake,NT2,OA2,16\n");
        Answer tooMany = upload("/api/orders/import/preview", bytes(file.toString()));
        assertThat(tooMany.field("file").path("code").asString()).isEqualTo("file.rows");
        assertThat(tooMany.field("file").path("message").asString()).contains("10,000");
    }

    @ParameterizedTest
    @CsvSource({"windows-1252", "UTF-8", "UTF-16LE", "UTF-16BE"})
    void anyOfTheUsualEncodingsIsRecognisedAndShown(String encoding) throws Exception {
        String mark = encoding.startsWith("UTF-16") ? "\uFEFF" : "";
        byte[] bytes =
                (mark + HEAD + "S-8,Åse,1,snake,NT2,OA2,\"16,5\"").getBytes(java.nio.charset.Charset.forName(encoding));
        JsonNode view = upload("/api/orders/import/preview", bytes).body();
        assertThat(view.path("form").path("encoding").asString()).isEqualTo(encoding);
        assertThat(view.path("form").path("decimalComma").asBoolean()).isTrue();
        assertThat(view.path("rows").path(0).path("customer").asString()).isEqualTo("Åse");
    }

    @Test
    void ordersComeAsJsonTooOneALineOrWithLinesOfTheirOwn() throws Exception {
        JsonNode view = preview("""
                [{"reference": "J-1", "customer": "Ilka", "due": "2031-05-01", "lines": [
                    {"quantity": 2, "pattern": "snake", "colours": ["NT2", "OA2"], "wrist": "16 cm"},
                    {"quantity": 1, "pattern": "snake", "colours": ["OA2", "NT2"], "size": "M", "note": "=1+1"}]},
                 {"reference": "J-2", "customer": "Odo", "quantity": "1", "pattern": "snake", "colour 1": "NT2",
                  "colour 2": "OA2", "size": "L"}]
                """);
        assertThat(states(view)).isEqualTo("NEW NEW NEW ");
        assertThat(view.path("form").path("kind").asString()).isEqualTo("JSON");
        assertThat(upload("/api/orders/import/preview", bytes("[{]"))
                        .field("file")
                        .path("code")
                        .asString())
                .isEqualTo("file.json");
    }

    /** A shop calls its columns otherwise; what was chosen for it once is remembered for it alone. */
    @Test
    void columnsAreMappedOnceForEachSource() throws Exception {
        String shop = "Order No,Buyer,Qty,Item,A,B,Girth\nW-1,Ilka,2,snake,NT2,OA2,16\n";
        JsonNode first = preview(shop);
        assertThat(first.path("rows")).isEmpty();
        assertThat(column(first, "quantity"))
                .as("guessed by what others call it")
                .isEqualTo("Qty");
        assertThat(column(first, "colour 1")).isEmpty();
        String how =
                "{\"units\": \"METRIC\", \"source\": \"shop\", \"columns\": {\"colour 1\": \"A\", \"colour 2\": \"B\"}}";
        assertThat(upload(take("ALL"), bytes(shop), how).body().path("fresh").asInt())
                .isEqualTo(1);
        String later = "{\"units\": \"METRIC\", \"source\": \"shop\"}";
        assertThat(states(
                        upload("/api/orders/import/preview", bytes(shop), later).body()))
                .isEqualTo("KNOWN ");
        assertThat(preview(shop).path("rows"))
                .as("another source has not settled its columns")
                .isEmpty();
    }

    @Test
    void aBadCellIsMendedInPlace() throws Exception {
        String file = HEAD + "S-9,Ilka,1,snake,NT2,XX1,16\n";
        assertThat(problem(preview(file), 0)).isEqualTo("colour 2 article.unknown");
        String fixed = "{\"units\": \"METRIC\", \"fixes\": {\"1\": {\"colour 2\": \"OA2\"}}}";
        assertThat(states(
                        upload("/api/orders/import/preview", bytes(file), fixed).body()))
                .isEqualTo("NEW ");
        assertThat(upload(take("ALL"), bytes(file), fixed).status()).isEqualTo(200);
        assertThat(linesOf("S-9")).isEqualTo(1);
    }

    @Test
    void aChangedRowIsShownAndTakenOverOnlyWhenItIsAccepted() throws Exception {
        upload(take("ALL"), bytes(HEAD + "S-10,Ilka,1,snake,NT2,OA2,16\n"));
        byte[] changed = bytes(HEAD + "S-10,Ilka,3,snake,NT2,BR2,16\n");
        JsonNode row = upload("/api/orders/import/preview", changed)
                .body()
                .path("rows")
                .path(0);
        assertThat(row.path("state").asString()).isEqualTo("DIFFERENT");
        List<String> differences = new ArrayList<>();
        row.path("differences")
                .forEach(d -> differences.add(d.path("field").asString() + ": "
                        + d.path("now").asString() + " -> " + d.path("then").asString()));
        assertThat(differences)
                .containsExactly("quantity: 1 -> 3", "piece: snake 160 mm NT2 OA2 -> snake 160 mm NT2 BR2");
        upload(take("ALL"), changed);
        assertThat(piecesOf("S-10")).isEqualTo(1);
        assertThat(upload(take("ALL"), changed, "{\"units\": \"METRIC\", \"accepted\": [1]}")
                        .status())
                .isEqualTo(200);
        assertThat(piecesOf("S-10")).isEqualTo(3);
        assertThat(states(upload("/api/orders/import/preview", changed).body())).isEqualTo("KNOWN ");
    }

    /** An order that is over takes no more lines, however they come. */
    @Test
    void aSettledOrderGetsNoMoreLines() throws Exception {
        upload(take("ALL"), bytes(HEAD + "S-11,Ilka,1,snake,NT2,OA2,16\n"));
        tell("/api/orders/" + orderOf("S-11") + "/acts/CANCEL", "{}");
        byte[] more = bytes(
                HEAD + "S-11,Ilka,1,snake,NT2,OA2,16\nS-11,Ilka,1,snake,NT2,OA2,17\nS-12,Odo,1,snake,NT2,OA2,17\n");
        JsonNode preview = upload("/api/orders/import/preview", more).body();
        assertThat(states(preview)).isEqualTo("KNOWN BAD NEW ");
        assertThat(problem(preview, 1)).isEqualTo("reference file.settled");
        assertThat(upload(take("ALL"), more).status()).isEqualTo(422);
        assertThat(upload(take("GOOD_ROWS"), more).status()).isEqualTo(200);
        assertThat(linesOf("S-11")).isEqualTo(1);
        assertThat(linesOf("S-12")).isEqualTo(1);
    }

    @Test
    void anOrderGrowsToItsMostLinesAndIsToldSo() throws Exception {
        upload(take("ALL"), bytes(HEAD + "S-13,Ilka,1,snake,NT2,OA2,16\n"));
        StringBuilder file = new StringBuilder("line," + HEAD);
        for (int line = 2; line <= 502; line++) {
            file.append(line).append(",S-13,Ilka,1,snake,NT2,OA2,16\n");
        }
        JsonNode view =
                upload("/api/orders/import/preview", bytes(file.toString())).body();
        assertThat(view.path("fresh").asInt()).isEqualTo(499);
        assertThat(view.path("bad").asInt()).isEqualTo(2);
        assertThat(problem(view, 0)).isIn("reference lines.range", " ");
    }

    /** A yes fixes the price and the day, also when it comes in a file. */
    @Test
    void ordersFromFilesHaveAPriceADayAndAHistory() throws Exception {
        upload(take("ALL"), bytes(HEAD + "S-14,Ilka,2,snake,NT2,OA2,16\nS-15,Odo,1,snake,NT2,OA2,17\n"));
        JsonNode order = ask("/api/orders/" + orderOf("S-14")).body();
        JsonNode agreed = order.path("quote");
        assertThat(agreed.path("acceptedAt").isMissingNode())
                .as(order.toString())
                .isFalse();
        assertThat(agreed.path("price").path("gross").asDouble()).isPositive();
        assertThat(order.path("due").asString())
                .isEqualTo(agreed.path("price").path("ready").asString());
        assertThat(jdbc.sql("select what from order_event where order_id = ? order by id")
                        .param(orderOf("S-14"))
                        .query(String.class)
                        .list())
                .containsExactly("TAKEN", "ACCEPTED");
        upload(take("ALL"), bytes("line," + HEAD + "2,S-14,Ilka,1,snake,NT2,OA2,18\n"));
        assertThat(jdbc.sql("select count(*) from order_event where order_id = ? and what = 'CHANGED'")
                        .param(orderOf("S-14"))
                        .query(Long.class)
                        .single())
                .isEqualTo(1);
    }

    private long orderOf(String reference) {
        return jdbc.sql("select id from customer_order where reference = ?")
                .param(reference)
                .query(Long.class)
                .single();
    }

    @Test
    void aCancelledImportLeavesNothing() throws Exception {
        StringBuilder file = new StringBuilder(HEAD);
        for (int i = 0; i < 600; i++) {
            file.append("C-").append(i).append(",Ilka,1,snake,NT2,OA2,16\n");
        }
        long asked = send(take("ALL"), bytes(file.toString())).body().path("id").asLong();
        assertThat(tell("/api/jobs/" + asked + "/stop", "").status()).isEqualTo(204);
        JsonNode stopped = job(asked);
        assertThat(stopped.path("state").asString()).isEqualTo("STOPPED");
        assertThat(linesOf("C-0")).isZero();
        long again = send(take("ALL"), bytes(file.toString())).body().path("id").asLong();
        JsonNode done = job(again);
        assertThat(done.path("state").asString()).isEqualTo("DONE");
        assertThat(done.path("done").asInt()).isEqualTo(600);
        assertThat(done.path("result").path("fresh").asInt()).isEqualTo(600);
        forgetOrders("reference like 'C-%'");
    }

    /** What is exported can be read in again, and says the same then. */
    @Test
    void importingAnExportIsTheIdentity() throws Exception {
        tell("/api/orders", """
                {"customer": "Runa", "note": "Ring the bell, twice", "lines": [{"quantity": 1, "choices": %s}]}
                """.formatted(snake("17 cm")));
        String exported = ask("/api/orders/export.json?sort=CUSTOMER").text();
        String how = "{\"units\": \"METRIC\", \"source\": \"elsewhere\"}";
        JsonNode view =
                upload("/api/orders/import/preview", bytes(exported), how).body();
        assertThat(view.path("bad").asInt()).as(view.path("rows").toString()).isZero();
        assertThat(view.path("fresh").asInt())
                .isEqualTo(view.path("all").asInt())
                .isGreaterThanOrEqualTo(8);
        assertThat(upload(take("ALL"), bytes(exported), how).status()).isEqualTo(200);
        JsonNode again =
                upload("/api/orders/import/preview", bytes(exported), how).body();
        assertThat(again.path("known").asInt()).isEqualTo(again.path("all").asInt());
        assertThat(jdbc.sql("select note from customer_order where source = 'elsewhere' and customer = 'Runa'")
                        .query(String.class)
                        .list())
                .contains("Ring the bell, twice");
        forgetOrders("source = 'elsewhere'");
    }

    /** Whatever stands in a file, the answer is a judgement and nothing is half written. */
    @Test
    void garbledFilesAreJudgedAndChangeNothing() throws Exception {
        Random random = new Random(23);
        byte[] good = bytes(HEAD + "G-1,Ilka,1,snake,NT2,OA2,16\nG-2,Odo,2,snake,NT2,OA2,17\n");
        long orders = count("customer_order");
        for (int i = 0; i < 120; i++) {
            byte[] bytes = good.clone();
            for (int n = 1 + random.nextInt(6); n > 0; n--) {
                bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
            }
            int status = upload("/api/orders/import/preview", bytes).status();
            assertThat(status).isIn(200, 422);
        }
        assertThat(count("customer_order")).isEqualTo(orders);
    }

    private static String column(JsonNode view, String field) {
        for (JsonNode column : view.path("columns")) {
            if (column.path("field").asString().equals(field)) {
                return column.path("column").asString();
            }
        }
        throw new AssertionError("no column for " + field);
    }

    private long piecesOf(String reference) {
        return jdbc.sql("select pieces from customer_order where reference = ?")
                .param(reference)
                .query(Long.class)
                .single();
    }

    private JsonNode preview(String text) throws Exception {
        Answer answer = upload("/api/orders/import/preview", bytes(text));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.body();
    }

    private long linesOf(String reference) {
        return jdbc.sql("select count(*) from order_line l join customer_order o on o.id = l.order_id"
                        + " where o.reference = ?")
                .param(reference)
                .query(Long.class)
                .single();
    }

    private static String take(String mode) {
        return "/api/orders/import?mode=" + mode;
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private static String problem(JsonNode view, int row) {
        JsonNode problem = view.path("rows").path(row).path("problems").path(0);
        return problem.path("field").asString() + " " + problem.path("code").asString();
    }

    private static String states(JsonNode view) {
        StringBuilder states = new StringBuilder();
        view.path("rows").forEach(r -> states.append(r.path("state").asString()).append(' '));
        return states.toString();
    }
}
