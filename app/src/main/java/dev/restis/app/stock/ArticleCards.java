package dev.restis.app.stock;

import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.app.stock.Suppliers.PutUpView;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.PartFit;
import dev.restis.core.stock.Weighing;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.sql.Types;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Everything that is known of one article. */
@Service
public class ArticleCards {

    private static final int MOST_PROMISES = 200;
    private static final BigDecimal MICROGRAMS_IN_GRAM = BigDecimal.valueOf(1_000_000);

    record LotView(
            long id,
            String code,
            LocalDate receivedOn,
            long quantity,
            long received,
            BigDecimal value,
            @Nullable Long measuredUm) {}

    /** What is promised to an order: to the batch that took its pieces, or to those that no batch took yet. */
    record PromisedView(
            long orderId,
            String reference,
            String customer,
            @Nullable LocalDate due,
            @Nullable Long batchId,
            @Nullable String batch,
            long quantity) {}

    /**
     * A part that takes the cord, or a cord that the part takes.
     *
     * @param through strands that pass its hole as they are, and {@code tapered} those that pass with tapered ends
     * @param onBar strands that lie on its bar side by side, and {@code bunched} those that lie on it bunched
     */
    record GaugeFit(
            String code,
            String name,
            String colour,
            ArticleKind kind,
            long onHand,
            int through,
            int tapered,
            int onBar,
            int bunched) {}

    /**
     * An article's card.
     *
     * @param version for whoever changes it
     * @param densityUgM what a metre weighs, micrograms; only of cord, where it is known
     * @param uses of a consumable, how much of it a piece takes
     */
    record CardView(
            Article article,
            int version,
            @Nullable Long densityUgM,
            List<PutUpView> putUps,
            List<LotView> lots,
            List<PromisedView> promised,
            List<GaugeFit> fits,
            List<Articles.ConsumableUse> uses) {}

    private final Articles articles;
    private final Suppliers suppliers;
    private final JdbcClient jdbc;

    ArticleCards(Articles articles, Suppliers suppliers, JdbcClient jdbc) {
        this.articles = articles;
        this.suppliers = suppliers;
        this.jdbc = jdbc;
    }

    @Transactional(readOnly = true)
    CardView card(String code) {
        Article article = articles.coded(code.toUpperCase(Locale.ROOT)).stream()
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"));
        return new CardView(
                article,
                articles.version(article.id()),
                density(article.id()).orElse(null),
                suppliers.putUps(article.id()),
                jdbc.sql("""
                                select id, code, received_on, quantity, received, value, measured_um from lot
                                where article_id = ? order by received_on desc, id desc
                                """).param(article.id()).query(LotView.class).list(),
                promised(article.id()),
                fits(article),
                articles.consumableUses().stream()
                        .filter(u -> u.article() == article.id())
                        .toList());
    }

    /** What a metre of a cord weighs, micrograms, where it is known. */
    @Transactional(readOnly = true)
    public Optional<Long> density(long article) {
        return jdbc.sql("select density_ug_m from article where id = ?")
                .param(article)
                .query((row, n) -> Optional.ofNullable(row.getObject(1, Long.class)))
                .single();
    }

    private List<PromisedView> promised(long article) {
        return jdbc.sql("""
                        select r.order_id, o.reference, o.customer, o.due, r.batch_id, b.name as batch, r.quantity
                        from article_reserved r join customer_order o on o.id = r.order_id
                            left join batch b on b.id = r.batch_id
                        where r.article_id = ? order by o.due nulls last, r.order_id limit ?
                        """)
                .params(article, MOST_PROMISES)
                .query(PromisedView.class)
                .list();
    }

    /** Seen from a cord, the parts that take it; seen from a part, the cords it takes. */
    private List<GaugeFit> fits(Article article) {
        boolean cord = article.kind() == ArticleKind.CORD;
        List<GaugeFit> fits = new ArrayList<>();
        if (article.kind() == ArticleKind.CONSUMABLE) {
            return fits;
        }
        for (Article other : articles.all()) {
            if (cord ? other.kind().part() : other.kind() == ArticleKind.CORD) {
                PartFit fit = cord
                        ? PartFit.of(other.hardware(), article.cord())
                        : PartFit.of(article.hardware(), other.cord());
                if (fit.any()) {
                    fits.add(new GaugeFit(
                            other.code(),
                            other.name(),
                            other.colour(),
                            other.kind(),
                            other.onHand(),
                            fit.through(),
                            fit.tapered(),
                            fit.onBar(),
                            fit.bunched()));
                }
            }
        }
        fits.sort(Comparator.comparing((GaugeFit f) -> f.onHand() == 0)
                .thenComparing(GaugeFit::kind)
                .thenComparing(GaugeFit::code));
        return fits;
    }

    /**
     * What a metre weighs, as typed or told by a spool.
     *
     * @param perMetre grams a metre; nothing when it is told by a spool
     * @param gross weight of a spool, of which {@code length} is known, and {@code tare} of it when empty
     */
    public record NewDensity(
            @Nullable String perMetre,
            @Nullable String gross,
            @Nullable String tare,
            @Nullable String length,
            UnitSystem units) {}

    /** Keeps the linear density of a cord; none when nothing is typed. */
    @Transactional
    public @Nullable Long setDensity(long articleId, NewDensity typed) {
        Article article = articles.byId(articleId);
        List<Fault> faults = new ArrayList<>();
        if (article.kind() != ArticleKind.CORD) {
            faults.add(Fault.of("perMetre", "density.cordOnly"));
        }
        Optional<Long> density =
                Texts.given(typed.gross()).isPresent() ? bySpool(typed, faults) : byFigure(typed, faults);
        if (faults.isEmpty()
                && density.filter(d -> d < Weighing.LIGHTEST || d > Weighing.HEAVIEST)
                        .isPresent()) {
            faults.add(Fault.of(
                    "perMetre",
                    "density.range",
                    grams(density.get()),
                    grams(Weighing.LIGHTEST),
                    grams(Weighing.HEAVIEST)));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        jdbc.sql("update article set density_ug_m = :density, version = version + 1 where id = :id")
                .param("density", density.orElse(null), Types.BIGINT)
                .param("id", articleId)
                .update();
        return density.orElse(null);
    }

    private static String grams(long micrograms) {
        return BigDecimal.valueOf(micrograms)
                .divide(MICROGRAMS_IN_GRAM, 6, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }

    private static Optional<Long> byFigure(NewDensity typed, List<Fault> faults) {
        Optional<String> text = Texts.given(typed.perMetre()).map(t -> t.replace(',', '.'));
        if (text.filter(t -> !t.matches("\\d{1,4}(\\.\\d{1,6})?")).isPresent()) {
            faults.add(Fault.of("perMetre", "density.unread", text.get()));
            return Optional.empty();
        }
        return text.map(t -> new BigDecimal(t)
                .multiply(MICROGRAMS_IN_GRAM)
                .setScale(0, RoundingMode.HALF_UP)
                .longValueExact());
    }

    private static Optional<Long> bySpool(NewDensity typed, List<Fault> faults) {
        Optional<Long> gross = Stocktakes.weight("gross", String.valueOf(typed.gross()), typed.units(), faults);
        Optional<Long> tare =
                Stocktakes.weight("tare", Texts.given(typed.tare()).orElse("0"), typed.units(), faults);
        Optional<Length> length = Receipts.known("length", typed.length(), typed.units(), faults);
        if (gross.isEmpty() || tare.isEmpty() || length.isEmpty()) {
            return Optional.empty();
        }
        if (gross.get() <= tare.get()) {
            faults.add(Fault.of("tare", "weight.tare"));
            return Optional.empty();
        }
        return Optional.of(Weighing.density(gross.get(), tare.get(), length.get()));
    }
}
