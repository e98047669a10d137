package dev.restis.app.patterns;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.restis.app.measures.Measures;
import dev.restis.app.patterns.PatternShelf.Shelved;
import dev.restis.app.patterns.PieceSpec.PartSpec;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.stock.Article;
import dev.restis.app.stock.ArticleReading;
import dev.restis.app.stock.Articles;
import dev.restis.app.stock.Articles.ConsumableUse;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.cord.Cord;
import dev.restis.core.cost.Estimate;
import dev.restis.core.cost.PieceCost;
import dev.restis.core.fit.SizeTable;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.HardwareSlot;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.picture.PictureDrawer.Detail;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.Learned;
import dev.restis.core.piece.MakingTime;
import dev.restis.core.piece.MarginPolicy;
import dev.restis.core.piece.Occasion;
import dev.restis.core.piece.PieceRequest;
import dev.restis.core.piece.PieceWorker;
import dev.restis.core.piece.WorkOut;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.piece.WorkedStrand;
import dev.restis.core.stock.Balance;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Where pieces are worked out: orders, forms, files, batches and costs all ask here. */
@Service
public class PieceDesk {

    private static final int MOST_VERDICTS = 20_000;
    private static final int MOST_LATELY = 500;

    private final Articles articles;
    private final Workshop workshop;
    private final Measures measures;
    private final PatternShelf shelf;
    private final CentreLineShelf lines;
    /** Lists show the verdicts of the same lines over and over; working them out again each time would be most of the work. */
    private final Cache<Asked, Verdict> verdicts =
            Caffeine.newBuilder().maximumSize(MOST_VERDICTS).build();

    PieceDesk(Articles articles, Workshop workshop, Measures measures, PatternShelf shelf, CentreLineShelf lines) {
        this.lines = lines;
        this.articles = articles;
        this.workshop = workshop;
        this.measures = measures;
        this.shelf = shelf;
    }

    /** Everything that a piece's verdict follows from; patterns never change under their version. */
    private record Asked(
            PieceSpec spec,
            List<Cord> cords,
            Map<String, PieceRequest.Part> parts,
            PieceRequest.Size size,
            MarginPolicy margin,
            Learned learned) {}

    /** A sitting at the desk: articles, patterns and the house's rules are read once for many pieces, articles as they are met. */
    public Sitting sit() {
        return new Sitting(articles.reading(), workshop.margin(), measures.house(), shelf, lines, verdicts);
    }

    /** A sitting that goes by geometry alone, for whoever ties: what was learned is told from what was expected before. */
    public Sitting sitByGeometry(Optional<String> maker) {
        Measures.House house = measures.house();
        Measures.House plain = new Measures.House(house.sizes(), house.eases(), Learned.NOTHING.by(maker));
        return new Sitting(articles.reading(), workshop.margin(), plain, shelf, lines, verdicts);
    }

    /** The smallest picture of a piece: a few repeats of its body, to be told apart in a list. */
    public String chip(PieceSpec spec) {
        Sitting sitting = sit();
        Worked worked = sitting.workOut(spec);
        return PieceView.picture(
                        worked.piece(), worked.colours(), worked.hardwareColours(), Detail.CHIP, sitting.drawing())
                .svg();
    }

    /** Either what was understood, or every field that was not. */
    public record Understood(Optional<PieceSpec> spec, List<Fault> faults) {}

    /**
     * A worked-out piece with the articles it is made of and what it should cost.
     *
     * @param parts the chosen article of each hardware slot, in the pattern's order
     * @param consumables what it uses up besides, as their units count
     */
    public record Worked(
            PieceSpec spec,
            WorkedPiece piece,
            List<Article> cords,
            Map<String, Article> parts,
            Map<Article, Long> consumables) {

        public PieceCost estimate() {
            BigDecimal hardware = picked().entrySet().stream()
                    .map(e -> e.getKey().price(e.getValue()))
                    .reduce(BigDecimal.ZERO.setScale(Balance.SCALE), BigDecimal::add);
            return Estimate.of(piece, cords.stream().map(Article::unitPrice).toList(), hardware);
        }

        /** How many of each article the piece takes; one article may serve in two slots. */
        public Map<Article, Integer> hardware() {
            Map<Article, Integer> counts = new LinkedHashMap<>();
            piece.hardware().forEach((slot, count) -> {
                Article article = parts.get(slot);
                if (article != null) {
                    counts.merge(article, count, Integer::sum);
                }
            });
            return counts;
        }

        /** What is laid out for one piece besides its cord: parts and consumables, as their units count. */
        public Map<Article, Long> picked() {
            Map<Article, Long> picked = new LinkedHashMap<>();
            hardware().forEach((article, count) -> picked.put(article, (long) count));
            consumables.forEach((article, quantity) -> picked.merge(article, quantity, Long::sum));
            return picked;
        }

        /** What one piece takes of each article, as their units count. */
        public Map<Article, Long> needed() {
            Map<Article, Long> needed = new LinkedHashMap<>();
            for (WorkedStrand strand : piece.strands()) {
                needed.merge(cords.get(strand.slot()), strand.cutLength().micrometres(), Long::sum);
            }
            picked().forEach((article, quantity) -> needed.merge(article, quantity, Long::sum));
            return needed;
        }

        public MakingTime time() {
            return MakingTime.of(piece);
        }

        public List<String> colours() {
            return cords.stream().map(Article::colour).toList();
        }

        /** A colour for each of the pattern's hardware slots. */
        public List<String> hardwareColours() {
            return piece.request().pattern().hardware().stream()
                    .map(slot -> Optional.ofNullable(parts.get(slot.code()))
                            .map(Article::colour)
                            .orElse("#8A969B"))
                    .toList();
        }
    }

    /** Works on one reading of the stock. */
    public static final class Sitting {
        private final ArticleReading articles;
        /** A piece is tried and then worked out, and rows of a file are often alike; nothing it follows from changes meanwhile. */
        private final Map<PieceSpec, WorkOut> lately = new LinkedHashMap<>() {
            @Override
            protected boolean removeEldestEntry(Map.Entry<PieceSpec, WorkOut> eldest) {
                return size() > MOST_LATELY;
            }
        };

        private final MarginPolicy margin;
        private final Measures.House house;
        private final PatternShelf shelf;
        private final Map<String, Shelved> latest;
        private final CentreLineShelf lines;
        private final Cache<Asked, Verdict> verdicts;

        private Sitting(
                ArticleReading articles,
                MarginPolicy margin,
                Measures.House house,
                PatternShelf shelf,
                CentreLineShelf lines,
                Cache<Asked, Verdict> verdicts) {
            this.verdicts = verdicts;
            this.lines = lines;
            this.articles = articles;
            this.margin = margin;
            this.house = house;
            this.shelf = shelf;
            this.latest = shelf.latest();
        }

        /** Reads choices as typed, and tries whether the piece can be worked out. */
        public Understood understand(PieceChoices choices) {
            Shelved shelved = latest.get(choices.pattern());
            if (shelved == null) {
                String known = String.join(", ", latest.keySet());
                return new Understood(
                        Optional.empty(), List.of(Fault.of("pattern", "pattern.unknown", choices.pattern(), known)));
            }
            ChoiceReader reader = new ChoiceReader(choices, shelved, house.sizes(), articles::byCode);
            PieceSpec spec = reader.read();
            if (!reader.faults().isEmpty()) {
                return new Understood(Optional.empty(), reader.faults());
            }
            return tryOut(spec)
                    .fold(
                            piece -> new Understood(Optional.of(spec), List.of()),
                            faults -> new Understood(Optional.empty(), faults));
        }

        public Worked workOut(PieceSpec spec) {
            WorkedPiece piece = tryOut(spec).fold(Function.identity(), faults -> {
                throw new Rejected(faults);
            });
            Map<String, Article> parts = new LinkedHashMap<>();
            spec.parts().forEach(p -> parts.put(p.slot(), article(p.article())));
            return new Worked(
                    spec, piece, spec.articles().stream().map(this::article).toList(), parts, consumables(piece));
        }

        private Map<Article, Long> consumables(WorkedPiece piece) {
            Map<Occasion, Integer> times = Occasion.of(piece);
            Map<Article, Long> used = new LinkedHashMap<>();
            for (ConsumableUse use : articles.uses()) {
                long quantity = use.quantity() * times.getOrDefault(use.occasion(), 0);
                if (quantity > 0) {
                    used.merge(article(use.article()), quantity, Long::sum);
                }
            }
            return used;
        }

        /** The worst of a piece's checks but for those of stock. */
        public Verdict verdict(PieceSpec spec) {
            Asked asked = new Asked(spec, cords(spec), parts(spec), size(spec), margin, house.learned());
            return verdicts.get(asked, a -> workOut(spec).piece().verdict());
        }

        /** What nobody else was promised: what is on hand but for the needs of other orders' pieces; below 0 when short. */
        public long free(Article article, @Nullable Long order) {
            return article.onHand() - articles.promised(article.id(), order);
        }

        /** Reads at once what is promised of all that these pieces need. */
        public void readyToJudge(Collection<Worked> pieces, @Nullable Long order) {
            articles.promisedAhead(
                    pieces.stream()
                            .flatMap(p -> p.needed().keySet().stream())
                            .map(Article::id)
                            .toList(),
                    order);
        }

        /** Other cords of the same material and gauge. */
        List<Articles.Tint> alike(Article cord) {
            return articles.alike(cord);
        }

        /** Reads these at once, and what of them is promised to other orders. */
        void ready(List<Long> ids, @Nullable Long order) {
            articles.ahead(ids);
            articles.promisedAhead(ids, order);
        }

        /** Reads what these pieces are made of at once. */
        public void ready(Stream<PieceSpec> specs) {
            articles.ahead(specs.flatMap(PieceSpec::allArticles).toList());
        }

        public Article article(long id) {
            return articles.byId(id)
                    .orElseThrow(() ->
                            new IllegalStateException("Impossible state: article " + id + " is used but not there"));
        }

        /** What its cords are called, each once, in their order. */
        public List<String> cordNames(PieceSpec spec) {
            return spec.articles().stream()
                    .map(id -> article(id).name())
                    .distinct()
                    .toList();
        }

        /** Choices as they could be typed; understanding them again gives the same. */
        public PieceChoices choices(PieceSpec spec) {
            Map<String, PieceChoices.PartChoice> parts = new TreeMap<>();
            spec.parts()
                    .forEach(p -> parts.put(
                            p.slot(),
                            new PieceChoices.PartChoice(article(p.article()).code(), p.count())));
            return new PieceChoices(
                    spec.pattern(),
                    spec.sizeName(),
                    spec.sizeName() == null ? typed(spec.wristUm()) : null,
                    spec.handAssumed() ? null : typed(spec.handUm()),
                    spec.ease().name(),
                    typed(spec.lengthUm()),
                    spec.articles().stream().map(a -> article(a).code()).toList(),
                    parts,
                    spec.kit(),
                    spec.wearer().name(),
                    spec.tapered(),
                    spec.units());
        }

        private static @Nullable String typed(@Nullable Long micrometres) {
            return micrometres == null ? null : new Length(micrometres).toString();
        }

        /** The name of the newest version of a pattern; its code when there is none. */
        public String patternName(String code) {
            Shelved shelved = latest.get(code);
            return shelved == null ? code : shelved.pattern().name();
        }

        /** The parts that a pattern takes, with beads always among them so that a stray number of them is noticed. */
        public List<String> hardwareSlots(String code) {
            List<String> slots = new ArrayList<>(List.of("bead"));
            Shelved shelved = latest.get(code);
            if (shelved != null) {
                shelved.pattern().hardware().stream()
                        .map(HardwareSlot::code)
                        .filter(c -> !slots.contains(c))
                        .forEach(slots::add);
            }
            return slots;
        }

        CentreLineShelf.Drawing drawing() {
            return lines.drawing();
        }

        /** All articles of a kind. */
        Collection<Article> articles(Article.ArticleKind kind) {
            return articles.ofKind(kind);
        }

        /** All articles there are. */
        public Collection<Article> articles() {
            return articles.all();
        }

        /** The newest versions of all patterns. */
        public List<Pattern> patterns() {
            return latest.values().stream().map(Shelved::pattern).toList();
        }

        Collection<Shelved> shelved() {
            return latest.values();
        }

        /** Names of the house sizes. */
        public List<String> sizes() {
            return house.sizes().rows().stream().map(SizeTable.Row::name).toList();
        }

        WorkOut tryOut(PieceSpec spec) {
            WorkOut known = lately.get(spec);
            if (known == null) {
                known = PieceWorker.workOut(request(spec));
                lately.put(spec, known);
            }
            return known;
        }

        private PieceRequest request(PieceSpec spec) {
            Shelved shelved = shelf.find(spec.pattern(), spec.patternVersion())
                    .orElseThrow(() -> new IllegalStateException(
                            "Impossible state: no pattern " + spec.pattern() + " in version " + spec.patternVersion()));
            return new PieceRequest(
                    shelved.pattern(),
                    cords(spec),
                    size(spec),
                    parts(spec),
                    new PieceRequest.House(margin, spec.units().cuttingStep(), house.learned(), spec.kit()),
                    spec.wearer(),
                    spec.tapered(),
                    spec.accepted() == null ? Set.of() : Set.of(spec.accepted().check()));
        }

        private List<Cord> cords(PieceSpec spec) {
            return spec.articles().stream().map(id -> article(id).cord()).toList();
        }

        private Map<String, PieceRequest.Part> parts(PieceSpec spec) {
            Map<String, PieceRequest.Part> parts = new HashMap<>();
            for (PartSpec part : spec.parts()) {
                parts.put(
                        part.slot(),
                        new PieceRequest.Part(article(part.article()).hardware(), part.count()));
            }
            return parts;
        }

        private PieceRequest.Size size(PieceSpec spec) {
            if (spec.wristUm() != null && spec.handUm() != null) {
                return new PieceRequest.Size.Wrist(
                        new Length(spec.wristUm()),
                        new Length(spec.handUm()),
                        spec.handAssumed(),
                        house.eases().getOrDefault(spec.ease(), spec.ease().length()));
            }
            if (spec.lengthUm() != null) {
                return new PieceRequest.Size.Finished(new Length(spec.lengthUm()));
            }
            throw new IllegalStateException("Impossible state: a piece with neither wrist nor length");
        }
    }
}
