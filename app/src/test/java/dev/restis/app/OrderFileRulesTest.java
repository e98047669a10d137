package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
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
        Answer tooMany = upload("/api/orders/import/preview?units=METRIC", bytes(file.toString()));
        assertThat(tooMany.field("file").path("code").asString()).isEqualTo("file.rows");
        assertThat(tooMany.field("file").path("message").asString()).contains("10,000");
    }

    private JsonNode preview(String text) throws Exception {
        Answer answer = upload("/api/orders/import/preview?units=METRIC", bytes(text));
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
        return "/api/orders/import?units=METRIC&mode=" + mode;
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
