package dev.restis.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationContext;
import org.springframework.test.util.ReflectionTestUtils;
import tools.jackson.databind.JsonNode;

/** Papers that go with parcels, and messages that go before them. */
class PapersTest extends Outgoing {

    @Autowired
    private ApplicationContext context;

    private byte[] content(String path) throws Exception {
        return mvc().perform(get("/api/finished/" + order + "/" + path)
                        .with(user("Tove").roles("OWNER")))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
    }

    private String pdf(String path) throws Exception {
        try (PDDocument document = Loader.loadPDF(content(path))) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }

    private int pages(String path) throws Exception {
        try (PDDocument document = Loader.loadPDF(content(path))) {
            return document.getNumberOfPages();
        }
    }

    @Test
    void papersNameWhatLiesInTheParcel() throws Exception {
        finish(2);
        String packing = pdf("packing-list.pdf");
        assertThat(packing)
                .contains("Ullin Bench", "Net Lane 3", "Sefa Cards", "wrist 16.0 cm", "Pieces in this parcel: 2")
                .contains("to come later: 1", "#" + pieces.get(0), "#" + pieces.get(1))
                .doesNotContain("#" + pieces.get(2));
        assertThat(pdf("packing-list.pdf?paper=LETTER")).contains("Packing list");
        assertThat(pdf("delivery-note.pdf"))
                .contains("Still to come of this order: 1", "Batch: ")
                .doesNotContain("€");
        double agreed =
                ask("/api/orders/" + order + "/payments").body().path("agreed").asDouble();
        String each = String.format(Locale.ROOT, "€%.2f", agreed / 3);
        assertThat(pdf("delivery-note.pdf?prices=true")).contains(each);
        assertThat(pdf("care.pdf"))
                .contains("Polyester", "children under three", "no safety or climbing gear")
                .contains("Ullin Bench");
        String tags = pdf("tags.pdf");
        assertThat(tags).contains("#" + pieces.get(0), "Small parts: not for children under 3", "Ullin Bench");
        assertThat(pdf("tags.pdf?paper=A4")).contains("#" + pieces.get(1));
        long parcel = parcel(pieces.subList(0, 1), ", \"tracking\": \"SQ 9\"")
                .body()
                .path("id")
                .asLong();
        assertThat(pdf("delivery-note.pdf?parcel=" + parcel)).contains("parcel 1", "no. SQ 9");
    }

    @Test
    void sixtyPiecesForTheLongestNameFitOnPaper() throws Exception {
        String name = "Sefa Cards of the Lower Lock and the Upper Lock and of every lock between them, "
                + "Rowing, Knotting and Splicing Club, 4th";
        receive("CAC", "CAC-60", "300 m", "");
        long many = tell("/api/orders", order(name, 60, choices()))
                .body()
                .path("id")
                .asLong();
        confirm(sheet(batchOf(many, 60)));
        List<Long> all = jdbc.sql("""
                        select p.id from piece p join order_line l on l.id = p.line_id where l.order_id = ? order by p.number
                        """).param(many).query(Long.class).list();
        assertThat(pieceAct("FINISH", all).status()).isEqualTo(204);
        long first = order;
        order = many;
        try {
            for (String paper : List.of("A4", "LETTER")) {
                assertThat(pdf("packing-list.pdf?paper=" + paper))
                        .contains(name, "Pieces in this parcel: 60", "#" + all.get(0), "and 20 more");
                assertThat(pdf("delivery-note.pdf?prices=true&paper=" + paper)).contains(name, "60");
                assertThat(pdf("tags.pdf?paper=" + paper)).contains("#" + all.get(59));
            }
            assertThat(pages("tags.pdf?paper=LABEL"))
                    .as("a label for each piece")
                    .isEqualTo(60);
            assertThat(pages("packing-list.pdf")).isEqualTo(1);
        } finally {
            order = first;
            forgetOrders("id = " + many);
        }
    }

    @Test
    void nothingMadeHasNoPapers() throws Exception {
        assertThat(ask("/api/finished/" + order + "/care.pdf").status()).isEqualTo(409);
        finish(1);
        assertThat(ask("/api/finished/" + order + "/care.pdf?parcel=999999").status())
                .isEqualTo(404);
    }

    @Test
    void aMessageIsReadChangedAndPutInTheOutboxByAPerson(@TempDir Path home) throws Exception {
        Object files = context.getBean("outboxFiles");
        Object before = ReflectionTestUtils.getField(files, "folder");
        ReflectionTestUtils.setField(files, "folder", home);
        try {
            finish(3);
            parcel(pieces, ", \"way\": \"Post\", \"tracking\": \"SQ 77\"");
            JsonNode draft = ask("/api/finished/" + order + "/letters/SENT").body();
            assertThat(draft.path("body").asString())
                    .contains("Sefa Cards", "3 x", "It comes by Post.", "Its number is SQ 77.");
            for (String kind : List.of("READY", "LATER", "QUOTE")) {
                assertThat(ask("/api/finished/" + order + "/letters/" + kind).status())
                        .isEqualTo(200);
            }
            assertThat(letter("", "A subject", 0).text()).contains("\"field\":\"recipient\"");
            assertThat(letter("nobody", "A subject", 0).text()).contains("\"field\":\"recipient\"");
            assertThat(letter("sefa@quay.example", "On its way, gr\u00fc\u00dfe", 0)
                            .status())
                    .isEqualTo(201);
            assertThat(letter("sefa@quay.example", "Once more", 0).status())
                    .as("the second of two is told")
                    .isEqualTo(409);
            await().until(() -> finished().path("letters").path(0).hasNonNull("handedOverAt"));
            List<Path> found;
            try (var all = Files.list(home)) {
                found = all.toList();
            }
            assertThat(found).hasSize(1);
            String mail = Files.readString(found.get(0));
            assertThat(mail).contains("To: sefa@quay.example", "=?UTF-8?", "Ullin Bench");
        } finally {
            ReflectionTestUtils.setField(files, "folder", before);
        }
    }

    private Answer letter(String to, String subject, long seen) throws Exception {
        return tell("/api/finished/" + order + "/letters", """
                {"kind": "SENT", "recipient": "%s", "subject": "%s", "body": "Dear Sefa,\\nit left.", "before": %d}
                """.formatted(to, subject, seen));
    }
}
