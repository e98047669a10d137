package dev.restis.app.plan;

import dev.restis.app.orders.Pieces;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Made;
import dev.restis.app.stock.Article;
import dev.restis.core.piece.Check.Verdict;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Open pieces, grouped by what stays on the bench between them, and batches. */
@RestController
@RequestMapping("/api/plan")
class PlanController {

    record ColourView(String code, String name, String colour) {}

    record OpenLineView(
            long line,
            long order,
            String reference,
            String customer,
            @Nullable LocalDate due,
            int open,
            @Nullable String sizeName,
            @Nullable Long wristUm,
            @Nullable Long lengthUm,
            Verdict verdict) {}

    /** Lines that share pattern, cord gauge and colours. */
    record SetUpView(
            String patternName,
            long gaugeUm,
            List<ColourView> colours,
            int pieces,
            long cordUm,
            @Nullable LocalDate firstDue,
            List<OpenLineView> lines) {}

    record BatchView(
            long id,
            String name,
            Instant createdAt,
            String createdBy,
            int pieces,
            int cut,
            @Nullable LocalDate firstDue,
            @Nullable Long openCutList) {}

    record PlanView(List<SetUpView> open, List<BatchView> batches) {}

    record NewBatch(@Nullable String name, List<Batches.Pick> picks) {}

    /** What waits at the stages of the rail. */
    record WaitingView(int openOrders, int openPieces, int batchesToCut) {}

    private record Key(String pattern, List<Long> articles) {}

    private final Batches batches;
    private final Pieces pieces;
    private final PieceDesk desk;
    private final JdbcClient jdbc;

    PlanController(Batches batches, Pieces pieces, PieceDesk desk, JdbcClient jdbc) {
        this.batches = batches;
        this.pieces = pieces;
        this.desk = desk;
        this.jdbc = jdbc;
    }

    @GetMapping
    @Transactional(readOnly = true)
    public PlanView plan() {
        return new PlanView(openWork(), batchViews());
    }

    @GetMapping("/waiting")
    @Transactional(readOnly = true)
    public WaitingView waiting() {
        return jdbc.sql("""
                        select count(*) filter (where planned < pieces) as open_orders,
                               coalesce(sum(pieces - planned), 0) as open_pieces,
                               (select count(distinct batch_id) from piece where batch_id is not null and cut_at is null)
                                   as batches_to_cut
                        from customer_order where stage = 'ACCEPTED' and making_left_s > 0
                        """).query(WaitingView.class).single();
    }

    @PostMapping("/batches")
    @ResponseStatus(HttpStatus.CREATED)
    Made make(@RequestBody NewBatch body) {
        return new Made(batches.make(body.name(), body.picks()));
    }

    @PostMapping("/batches/{id}/dissolve")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void dissolve(@PathVariable long id) {
        batches.dissolve(id);
    }

    private List<SetUpView> openWork() {
        PieceDesk.Sitting sitting = desk.sit();
        List<Pieces.OpenLine> open = pieces.openLines();
        Map<Long, PieceSpec> specs =
                pieces.specsOf(open.stream().map(Pieces.OpenLine::line).toList());
        Map<Key, List<Pieces.OpenLine>> groups = new LinkedHashMap<>();
        for (Pieces.OpenLine line : open) {
            PieceSpec spec = specs.get(line.line());
            if (spec != null) {
                groups.computeIfAbsent(new Key(spec.pattern(), spec.articles()), k -> new ArrayList<>())
                        .add(line);
            }
        }
        return groups.values().stream().map(g -> setUp(g, specs, sitting)).toList();
    }

    private static SetUpView setUp(List<Pieces.OpenLine> group, Map<Long, PieceSpec> specs, PieceDesk.Sitting sitting) {
        List<OpenLineView> lines = new ArrayList<>();
        long cord = 0;
        PieceDesk.Worked sample = null;
        for (Pieces.OpenLine line : group) {
            PieceSpec spec = specs.get(line.line());
            if (spec == null) {
                continue;
            }
            PieceDesk.Worked worked = sitting.workOut(spec);
            sample = sample == null ? worked : sample;
            cord += line.open()
                    * worked.piece().strands().stream()
                            .mapToLong(s -> s.cutLength().micrometres())
                            .sum();
            lines.add(new OpenLineView(
                    line.line(),
                    line.order(),
                    line.reference(),
                    line.customer(),
                    line.due(),
                    line.open(),
                    spec.sizeName(),
                    spec.wristUm(),
                    spec.lengthUm(),
                    worked.piece().verdict()));
        }
        if (sample == null) {
            throw new IllegalStateException("Impossible state: a set-up without lines");
        }
        List<Article> cords = sample.cords();
        return new SetUpView(
                sample.piece().request().pattern().name(),
                cords.get(cords.size() - 1).diameterOf().micrometres(),
                cords.stream()
                        .map(a -> new ColourView(a.code(), a.name(), a.colour()))
                        .toList(),
                group.stream().mapToInt(Pieces.OpenLine::open).sum(),
                cord,
                group.get(0).due(),
                lines);
    }

    private List<BatchView> batchViews() {
        return jdbc.sql("""
                        select b.id, b.name, b.created_at, b.created_by, count(p.id) as pieces, count(p.cut_at) as cut,
                               min(o.due) as first_due,
                               (select max(c.id) from cut_list c join cut_list_batch cb on cb.cut_list_id = c.id
                                where cb.batch_id = b.id and c.confirmed_at is null) as open_cut_list
                        from batch b join piece p on p.batch_id = b.id join order_line l on l.id = p.line_id
                             join customer_order o on o.id = l.order_id
                        group by b.id order by count(p.id) = count(p.cut_at), b.id desc limit 200
                        """).query(BatchView.class).list();
    }
}
