package dev.restis.app.patterns;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.Article;
import dev.restis.app.stock.Articles;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cord.Cord;
import dev.restis.core.cost.Estimate;
import dev.restis.core.cost.PieceCost;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternBook;
import dev.restis.core.piece.MarginPolicy;
import dev.restis.core.piece.PieceRequest;
import dev.restis.core.piece.PieceWorker;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.stock.Balance;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Where pieces are worked out: orders, forms, files, batches and costs all ask here. */
@Service
public class PieceDesk {

    private final Articles articles;
    private final Workshop workshop;

    PieceDesk(Articles articles, Workshop workshop) {
        this.articles = articles;
        this.workshop = workshop;
    }

    /** A sitting at the desk: articles and the house's margin are read once for many pieces. */
    public Sitting sit() {
        return new Sitting(articles.all(), workshop.margin());
    }

    /** Either what was understood, or every field that was not. */
    public record Understood(Optional<PieceSpec> spec, List<Fault> faults) {}

    /** A worked-out piece with the articles it is made of and what it should cost. */
    public record Worked(
            PieceSpec spec, WorkedPiece piece, List<Article> cords, Optional<Article> bead, Optional<Article> ring) {

        public PieceCost estimate() {
            BigDecimal hardware = bead.map(Article::unitPrice)
                    .orElse(BigDecimal.ZERO)
                    .multiply(BigDecimal.valueOf(piece.beads()))
                    .add(ring.map(Article::unitPrice).orElse(BigDecimal.ZERO))
                    .setScale(Balance.SCALE, RoundingMode.HALF_EVEN);
            return Estimate.of(piece, cords.stream().map(Article::unitPrice).toList(), hardware);
        }

        public List<String> colours() {
            return cords.stream().map(Article::colour).toList();
        }

        public String beadColour() {
            return bead.map(Article::colour).orElse("#8A969B");
        }
    }

    /** Works on one reading of the stock. */
    public static final class Sitting {
        private final Map<String, Article> byCode;
        private final Map<Long, Article> byId;
        private final MarginPolicy margin;

        private Sitting(List<Article> all, MarginPolicy margin) {
            this.byCode = all.stream().collect(Collectors.toMap(Article::code, Function.identity()));
            this.byId = all.stream().collect(Collectors.toMap(Article::id, Function.identity()));
            this.margin = margin;
        }

        /** Reads choices as typed, and tries whether the piece can be worked out. */
        public Understood understand(PieceChoices choices) {
            ChoiceReader reader = new ChoiceReader(choices, byCode);
            Optional<PieceSpec> spec = reader.read();
            if (!reader.faults().isEmpty() || spec.isEmpty()) {
                return new Understood(Optional.empty(), reader.faults());
            }
            return PieceWorker.workOut(request(spec.get()))
                    .fold(piece -> new Understood(spec, List.of()), faults -> new Understood(Optional.empty(), faults));
        }

        public Worked workOut(PieceSpec spec) {
            WorkedPiece piece = PieceWorker.workOut(request(spec)).fold(Function.identity(), faults -> {
                throw new Rejected(faults);
            });
            return new Worked(
                    spec,
                    piece,
                    spec.articles().stream().map(this::article).toList(),
                    optional(spec.bead()),
                    optional(spec.ring()));
        }

        public Article article(long id) {
            Article article = byId.get(id);
            if (article == null) {
                throw new IllegalStateException("Impossible state: article " + id + " is used but not there");
            }
            return article;
        }

        private Optional<Article> optional(@Nullable Long id) {
            return Optional.ofNullable(id).map(this::article);
        }

        private PieceRequest request(PieceSpec spec) {
            Pattern pattern = PatternBook.byCode(spec.pattern()).orElseThrow();
            List<Cord> cords =
                    spec.articles().stream().map(id -> article(id).cord()).toList();
            return new PieceRequest(
                    pattern,
                    cords,
                    size(spec),
                    optional(spec.bead()).map(b -> new PieceRequest.Beads(b.bead(), spec.beadCount())),
                    optional(spec.ring()).map(Article::ring),
                    margin,
                    spec.units().cuttingStep());
        }

        private static PieceRequest.Size size(PieceSpec spec) {
            if (spec.wristUm() != null && spec.handUm() != null) {
                return new PieceRequest.Size.Wrist(
                        new Length(spec.wristUm()), new Length(spec.handUm()), spec.handAssumed(), spec.ease());
            }
            if (spec.lengthUm() != null) {
                return new PieceRequest.Size.Finished(new Length(spec.lengthUm()));
            }
            throw new IllegalStateException("Impossible state: a piece with neither wrist nor length");
        }
    }
}
