package dev.restis.app.bench;

import dev.restis.app.bench.Bench.StepAct;
import dev.restis.app.bench.BenchReads.InWorkRow;
import dev.restis.app.bench.BenchReads.WaitingRow;
import dev.restis.app.bench.Between.MeasuredRequest;
import dev.restis.app.bench.Between.MeasuredView;
import dev.restis.app.bench.LeftOvers.LeftOverView;
import dev.restis.app.bench.LeftOvers.LeftRequest;
import dev.restis.app.bench.LeftOvers.WeighedRequest;
import dev.restis.app.bench.Mishaps.ChoiceView;
import dev.restis.app.bench.Mishaps.WayRequest;
import dev.restis.app.bench.Resizes.OtherSize;
import dev.restis.app.bench.Resizes.ResizeRequest;
import dev.restis.app.bench.Resizes.ResizeView;
import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.OpenedAt;
import dev.restis.app.platform.Pdf;
import dev.restis.core.make.Mishap;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/bench")
class CardsController {

    /** @param over also out of other people's hands */
    record TakeRequest(List<Long> pieces, boolean over) {}

    record LayDownRequest(List<Long> pieces) {}

    private final Bench bench;
    private final BenchReads reads;
    private final Between between;
    private final LeftOvers leftOvers;
    private final Mishaps mishaps;
    private final Resizes resizes;
    private final CardSheet sheet;
    private final OpenedAt openedAt;

    CardsController(
            Bench bench,
            BenchReads reads,
            Between between,
            LeftOvers leftOvers,
            Mishaps mishaps,
            Resizes resizes,
            CardSheet sheet,
            OpenedAt openedAt) {
        this.resizes = resizes;
        this.sheet = sheet;
        this.openedAt = openedAt;
        this.mishaps = mishaps;
        this.leftOvers = leftOvers;
        this.between = between;
        this.bench = bench;
        this.reads = reads;
    }

    @GetMapping("/waiting")
    Keyset<WaitingRow> waiting(@RequestParam(required = false) @Nullable String after) {
        return reads.waiting(after);
    }

    @GetMapping("/in-work")
    Keyset<InWorkRow> inWork(@RequestParam(required = false) @Nullable String after) {
        return reads.inWork(after);
    }

    @GetMapping("/pieces/{id}")
    WorkCardView card(@PathVariable long id) {
        return reads.card(id);
    }

    @PostMapping("/pieces/{id}/measured")
    MeasuredView measured(@PathVariable long id, @RequestBody MeasuredRequest body) {
        return between.measured(id, body);
    }

    /** The papers that cards are printed on. */
    enum CardPaper {
        A4(Pdf.Paper.A4_WIDE),
        LETTER(Pdf.Paper.LETTER_WIDE);

        private final Pdf.Paper turned;

        CardPaper(Pdf.Paper turned) {
            this.turned = turned;
        }
    }

    @GetMapping(value = "/cards.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> cards(@RequestParam List<Long> pieces, @RequestParam(defaultValue = "A4") CardPaper paper) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "inline; filename=cards.pdf")
                .body(sheet.pdf(pieces, paper.turned, openedAt.origin()));
    }

    @PostMapping("/pieces/{id}/resize/look")
    ResizeView resize(@PathVariable long id, @RequestBody OtherSize body) {
        return resizes.look(id, body);
    }

    @PostMapping("/pieces/{id}/resize")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void resize(@PathVariable long id, @RequestBody ResizeRequest body) {
        resizes.take(id, body);
    }

    @GetMapping("/pieces/{id}/mishaps/{mishap}")
    List<ChoiceView> choices(
            @PathVariable long id,
            @PathVariable Mishap mishap,
            @RequestParam(required = false) @Nullable Integer strand) {
        return mishaps.choices(id, mishap, strand);
    }

    @PostMapping("/pieces/{id}/mishaps")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void mishap(@PathVariable long id, @RequestBody WayRequest body) {
        mishaps.take(id, body);
    }

    @GetMapping("/pieces/{id}/left-over")
    List<LeftOverView> leftOver(@PathVariable long id) {
        return leftOvers.of(id);
    }

    @PostMapping("/pieces/{id}/left-over")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keepLeftOver(@PathVariable long id, @RequestBody LeftRequest body) {
        leftOvers.keep(id, body);
    }

    @PostMapping("/left-over/weighed")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void weighLeftOver(@RequestBody WeighedRequest body) {
        leftOvers.weighed(body);
    }

    @PostMapping("/left-over/{id}/take-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBackLeftOver(@PathVariable long id) {
        leftOvers.takeBack(id);
    }

    @PostMapping("/take")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void take(@RequestBody TakeRequest body) {
        bench.take(body.pieces(), body.over());
    }

    @PostMapping("/lay-down")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void layDown(@RequestBody LayDownRequest body) {
        bench.layDown(body.pieces());
    }

    @PostMapping("/acts")
    BenchStanding act(@RequestBody StepAct body) {
        bench.act(body);
        return reads.standing(body.piece());
    }

    /** Where a piece stands on its card. */
    record BenchStanding(long piece, int next, boolean heldUp, String inHandOf) {}
}
