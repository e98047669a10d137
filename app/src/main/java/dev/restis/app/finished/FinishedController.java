package dev.restis.app.finished;

import dev.restis.app.finished.FinishedReads.FinishedOrder;
import dev.restis.app.finished.FinishedReads.FinishedRow;
import dev.restis.app.finished.Letters.LetterDraft;
import dev.restis.app.finished.Letters.LetterKind;
import dev.restis.app.finished.Letters.LetterRequest;
import dev.restis.app.finished.Parcels.ParcelChange;
import dev.restis.app.finished.Parcels.ParcelRequest;
import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Made;
import dev.restis.app.platform.OpenedAt;
import dev.restis.app.platform.Pdf;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/finished")
class FinishedController {

    /** Orders of which something is made, page by page. */
    record FinishedPage(List<FinishedRow> rows, @Nullable String next) {}

    private final FinishedReads reads;
    private final Parcels parcels;
    private final Letters letters;
    private final Contents contents;
    private final ParcelPapers papers;
    private final CareLeaflet care;
    private final PieceTags tags;
    private final OpenedAt openedAt;

    FinishedController(
            FinishedReads reads,
            Parcels parcels,
            Letters letters,
            Contents contents,
            ParcelPapers papers,
            CareLeaflet care,
            PieceTags tags,
            OpenedAt openedAt) {
        this.reads = reads;
        this.parcels = parcels;
        this.letters = letters;
        this.contents = contents;
        this.papers = papers;
        this.care = care;
        this.tags = tags;
        this.openedAt = openedAt;
    }

    @GetMapping
    FinishedPage page(
            @RequestParam(defaultValue = "") String query, @RequestParam(required = false) @Nullable String after) {
        Keyset<FinishedRow> page = reads.page(query, after);
        return new FinishedPage(page.rows(), page.next());
    }

    @GetMapping("/{order}")
    FinishedOrder order(@PathVariable long order) {
        return reads.order(order);
    }

    @PostMapping("/{order}/parcels")
    @ResponseStatus(HttpStatus.CREATED)
    Made send(@PathVariable long order, @RequestBody ParcelRequest body) {
        return new Made(parcels.send(order, body));
    }

    @PutMapping("/parcels/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(@PathVariable long id, @RequestBody ParcelChange body) {
        parcels.change(id, body);
    }

    @PostMapping("/parcels/{id}/take-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(@PathVariable long id) {
        parcels.takeBack(id);
    }

    /** A message to begin from. */
    @GetMapping("/{order}/letters/{kind}")
    LetterDraft draft(@PathVariable long order, @PathVariable LetterKind kind) {
        return letters.draft(order, kind);
    }

    @PostMapping("/{order}/letters")
    @ResponseStatus(HttpStatus.CREATED)
    Made put(@PathVariable long order, @RequestBody LetterRequest body) {
        return new Made(letters.put(order, body));
    }

    @GetMapping(value = "/{order}/packing-list.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> packingList(
            @PathVariable long order,
            @RequestParam(required = false) @Nullable Long parcel,
            @RequestParam(defaultValue = "A4") Pdf.Paper paper) {
        return pdf("packing-list", papers.packingList(contents.of(order, parcel), paper));
    }

    @GetMapping(value = "/{order}/delivery-note.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> deliveryNote(
            @PathVariable long order,
            @RequestParam(required = false) @Nullable Long parcel,
            @RequestParam(defaultValue = "false") boolean prices,
            @RequestParam(defaultValue = "A4") Pdf.Paper paper) {
        return pdf("delivery-note", papers.deliveryNote(contents.of(order, parcel), prices, paper));
    }

    @GetMapping(value = "/{order}/care.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> care(
            @PathVariable long order,
            @RequestParam(required = false) @Nullable Long parcel,
            @RequestParam(defaultValue = "A4") Pdf.Paper paper) {
        return pdf("care", care.pdf(contents.of(order, parcel), paper));
    }

    @GetMapping(value = "/{order}/tags.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> tags(
            @PathVariable long order,
            @RequestParam(required = false) @Nullable Long parcel,
            @RequestParam(defaultValue = "LABEL") Pdf.Paper paper) {
        return pdf("tags", tags.pdf(contents.of(order, parcel), paper, openedAt.origin()));
    }

    private static ResponseEntity<byte[]> pdf(String name, byte[] content) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "inline; filename=" + name + ".pdf")
                .body(content);
    }
}
