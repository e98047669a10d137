package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Whatever is typed: a message that names the field and the remedy, nothing changed, no stack trace. */
class BadInputTest extends RestisTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    wrist     | wrist.range     | 1 | {"pattern": "snake", "wrist": "2 m", "colours": ["NT2", "OA2"], "units": "METRIC"}
                    wrist     | wrist.range     | 1 | {"pattern": "snake", "wrist": "1 cm", "colours": ["NT2", "OA2"], "units": "METRIC"}
                    wrist     | length.unread   | 1 | {"pattern": "snake", "wrist": "seven", "colours": ["NT2", "OA2"], "units": "METRIC"}
                    wrist     | wrist.missing   | 1 | {"pattern": "snake", "colours": ["NT2", "OA2"], "units": "METRIC"}
                    size      | size.unknown    | 1 | {"pattern": "snake", "size": "XXXL", "colours": ["NT2", "OA2"], "units": "METRIC"}
                    hand      | hand.smaller    | 1 | {"pattern": "snake", "wrist": "18 cm", "hand": "12 cm", "colours": ["NT2", "OA2"], "units": "METRIC"}
                    quantity  | quantity.range  | 0 | {"pattern": "snake", "wrist": "16 cm", "colours": ["NT2", "OA2"], "units": "METRIC"}
                    quantity  | quantity.range  | -3 | {"pattern": "snake", "wrist": "16 cm", "colours": ["NT2", "OA2"], "units": "METRIC"}
                    colours[1] | article.unknown | 1 | {"pattern": "snake", "wrist": "16 cm", "colours": ["NT2", "ZZ9"], "units": "METRIC"}
                    colours[0] | article.unknown | 1 | {"pattern": "snake", "wrist": "16 cm", "colours": ["HB9", "NT2"], "units": "METRIC"}
                    colours[1] | colour.missing  | 1 | {"pattern": "snake", "wrist": "16 cm", "colours": ["NT2"], "units": "METRIC"}
                    pattern   | pattern.unknown | 1 | {"pattern": "macaroni", "colours": ["NT2"], "units": "METRIC"}
                    parts[bead].count | beads.range     | 1 | {"pattern": "square-bar", "wrist": "16 cm", "colours": ["NT2", "OA2"], "parts": {"bead": {"article": "HB9", "count": 500}}, "units": "METRIC"}
                    parts[bead].count | beads.tooMany   | 1 | {"pattern": "square-bar", "wrist": "16 cm", "colours": ["NT2", "OA2"], "parts": {"bead": {"article": "HB9", "count": 15}}, "units": "METRIC"}
                    parts[bead] | bead.missing    | 1 | {"pattern": "square-bar", "wrist": "16 cm", "colours": ["NT2", "OA2"], "parts": {"bead": {"article": "", "count": 2}}, "units": "METRIC"}
                    parts[ring] | part.missing    | 1 | {"pattern": "spiral-fob", "length": "12 cm", "colours": ["NT2", "OA2"], "units": "METRIC"}
                    length    | length.noBody   | 1 | {"pattern": "spiral-fob", "length": "4 cm", "colours": ["NT2", "OA2"], "parts": {"ring": {"article": "RG25"}}, "units": "METRIC"}
                    """)
    void anOrderThatCannotBe(String field, String code, int quantity, String choices) throws Exception {
        long orders = count("customer_order");
        Answer answer = tell("/api/orders", order("Ilka", quantity, choices));
        assertRefused(answer, "lines[0]." + field, code);
        assertThat(count("customer_order")).isEqualTo(orders);
    }

    @Test
    void anArticleOrDeliveryThatCannotBe() throws Exception {
        assertRefused(tell("/api/stock/articles", """
                        {"code": "NT2", "kind": "CORD", "name": "x", "colour": "blue", "material": "steel",
                         "diameter": "2 km", "keep": "much", "units": "METRIC"}
                        """), "code", "article.taken");
        Answer receipt = tell("/api/stock/receipts", """
                {"lines": [{"article": %d, "lot": "", "putUps": 0, "each": "long", "price": "free", "units": "METRIC"}]}
                """.formatted(
                        ask("/api/stock/articles").body().path(0).path("id").asLong()));
        assertRefused(receipt, "lines[0].lot", "missing");
        assertRefused(receipt, "lines[0].putUps", "putUps.range");
        assertRefused(receipt, "lines[0].price", "price.unread");
    }

    @Test
    void aPictureIsNoOrderFile() throws Exception {
        byte[] picture = new byte[5000];
        new Random(4).nextBytes(picture);
        System.arraycopy(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10}, 0, picture, 0, 8);
        assertRefused(upload("/api/orders/import/preview", picture), "file", "file.notText");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    file.empty   | reference,customer,quantity,pattern,colour 1,colour 2
                    file.empty   | ''
                    """)
    void aFileWithoutOrdersSaysWhatItLacks(String code, String text) throws Exception {
        assertRefused(upload("/api/orders/import/preview", text.getBytes(StandardCharsets.UTF_8)), "file", code);
    }

    @Test
    void noFileOfRandomTextBreaksTheServer() throws Exception {
        Random random = new Random(9);
        String alphabet = "reference,customer;quantity\t\"\"'pattern\r\n=1+1 <b>colour 1é½\u0001";
        long orders = count("customer_order");
        for (int i = 0; i < 150; i++) {
            StringBuilder text = new StringBuilder("reference,customer,quantity,pattern,colour 1,colour 2,wrist\n");
            for (int c = random.nextInt(400); c > 0; c--) {
                text.append(alphabet.charAt(random.nextInt(alphabet.length())));
            }
            Answer answer =
                    upload("/api/orders/import?mode=GOOD_ROWS", text.toString().getBytes(StandardCharsets.UTF_8));
            assertThat(answer.status()).as(text.toString()).isIn(200, 422);
        }
        assertThat(count("customer_order")).isEqualTo(orders);
    }

    @ParameterizedTest
    @ValueSource(strings = {"{", "[]", "{\"lines\": 3}", "null", "\u0000"})
    void aBodyThatIsNoOrder(String body) throws Exception {
        Answer answer = tell("/api/orders", body);
        assertThat(answer.status()).isBetween(400, 499);
        assertThat(answer.text()).doesNotContain("Exception", "\tat ");
    }

    @ParameterizedTest
    @CsvSource({
        "/api/orders, customer",
        "/api/patterns/work-out, choices",
        "/api/plan/batches, picks",
        "/api/stock/articles, code",
        "/api/stock/receipts, lines",
        "/api/stock/holdings/1/adjust, reason",
        "/api/sign-in, name",
        "/api/setup, workshop",
        "/api/people, role"
    })
    void aBodyThatLacksAPartNamesIt(String path, String part) throws Exception {
        assertRefused(tell(path, "{}"), part, "missing");
    }

    @Test
    void aLineWithoutItsChoicesNamesThem() throws Exception {
        String order = "{\"customer\": \"Ilka\", \"lines\": [{\"quantity\": 1}, null]}";
        Answer answer = tell("/api/orders", order);
        assertRefused(answer, "lines[0].choices", "missing");
        assertRefused(answer, "lines[1]", "missing");
    }

    @Test
    void cellsThatLookLikeFormulasAreTextInExports() throws Exception {
        tell("/api/orders", order("=HYPERLINK(1)", 1, snake("16 cm")));
        assertThat(ask("/api/orders/export.csv").text()).contains(",'=HYPERLINK(1),");
    }

    private static void assertRefused(Answer answer, String field, String code) {
        assertThat(answer.status()).as(answer.text()).isEqualTo(422);
        assertThat(answer.field(field).path("code").asString()).isEqualTo(code);
        assertThat(answer.field(field).path("message").asString()).isNotBlank().doesNotContain("{");
        assertThat(answer.field(field).path("remedy").asString()).isNotBlank().doesNotContain("{");
        assertThat(answer.text()).doesNotContain("Exception", "\tat ", "dev.restis");
    }
}
