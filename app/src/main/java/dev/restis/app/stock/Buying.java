package dev.restis.app.stock;

import dev.restis.app.stock.Suppliers.PutUpView;
import dev.restis.core.stock.PutUpMix;
import dev.restis.core.stock.Reorder;
import dev.restis.core.stock.RunningOut;
import dev.restis.core.stock.RunningOut.Level;
import dev.restis.core.stock.ServiceLevel;
import dev.restis.core.stock.Unit;
import dev.restis.core.stock.Usage;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What should be bought: what is promised and what is usually used, against what lies there and what is on its way. */
@Service
class Buying {

    /** How far back a habit is looked for, and how far ahead running out, in weeks. */
    private static final int WEEKS_BACK = 26;

    private static final int WEEKS_AHEAD = 12;
    private static final int DAYS_IN_WEEK = 7;
    /** Of an article that nobody is known to sell it is supposed to take so long. */
    private static final int USUAL_LEAD_DAYS = 14;

    /** So many of a put-up. */
    record PutUpPick(long putUp, long quantity, BigDecimal price, String code, int count) {}

    /**
     * What should be bought from one supplier.
     *
     * @param supplierId nothing where nobody is known to sell the article
     * @param expected what is usually used until the next purchase has come
     * @param reserve what is held against weeks that use more
     * @param needed what is missing until then; 0 when there is enough
     * @param picks whole put-ups that cover it most cheaply
     */
    record BuyOffer(
            @Nullable Long supplierId,
            String supplier,
            int leadDays,
            long expected,
            long reserve,
            long needed,
            List<PutUpPick> picks,
            long quantity,
            BigDecimal price) {}

    /**
     * An article as a buyer sees it; amounts are as its unit counts.
     *
     * @param owed promised to orders and not cut yet
     * @param weekly what a usual week uses; 0 where no habit is known yet
     * @param weeks how many weeks that is known from
     * @param offers the cheapest first
     * @param levels the least that is left in each week when nothing is bought
     * @param runsOut the first day there is not enough then
     * @param orderBy the day on which it must be ordered at the latest to be there before; nothing while there is enough
     */
    record BuyLine(
            long articleId,
            String code,
            String name,
            String colour,
            Unit unit,
            long onHand,
            long owed,
            long onOrder,
            long weekly,
            int weeks,
            List<BuyOffer> offers,
            List<Level> levels,
            @Nullable LocalDate runsOut,
            @Nullable LocalDate orderBy) {

        boolean lacking() {
            return offers.get(0).needed() > 0;
        }
    }

    private final Articles articles;
    private final Suppliers suppliers;
    private final Purchases purchases;
    private final JdbcClient jdbc;
    private final Clock clock;
    private final UsageDays usageDays;

    Buying(Articles articles, Suppliers suppliers, Purchases purchases, UsageDays usage, JdbcClient jdbc, Clock clock) {
        this.usageDays = usage;
        this.articles = articles;
        this.suppliers = suppliers;
        this.purchases = purchases;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * A page of what a buyer sees.
     *
     * @param next what to ask for the lines after these; nothing when there are none
     * @param lacking how many articles should be bought in all
     * @param enough of how many there is enough
     */
    record BuyPage(List<BuyLine> rows, @Nullable String next, int lacking, int enough) {}

    private static final int PAGE = 50;

    /**
     * Articles that should be bought first, by the day they run out.
     *
     * @param after where the page before ended, or nothing
     */
    @Transactional(readOnly = true)
    public BuyPage page(ServiceLevel level, int reviewDays, @Nullable String after) {
        List<BuyLine> all = look(level, reviewDays);
        int lacking = (int) all.stream().filter(BuyLine::lacking).count();
        List<BuyLine> rest = all.stream()
                .dropWhile(l -> after != null && place(l).compareTo(after) <= 0)
                .limit(PAGE + 1)
                .toList();
        List<BuyLine> rows = rest.subList(0, Math.min(PAGE, rest.size()));
        return new BuyPage(
                rows, rest.size() > PAGE ? place(rows.get(rows.size() - 1)) : null, lacking, all.size() - lacking);
    }

    /** Sorts as the list does; whoever reads on meets what has moved once more at most. */
    private static String place(BuyLine line) {
        return (line.lacking() ? "0~" : "1~")
                + Optional.ofNullable(line.runsOut()).map(LocalDate::toString).orElse("9999-12-31")
                + "~" + line.code();
    }

    private List<BuyLine> look(ServiceLevel level, int reviewDays) {
        Map<Long, Usage> usages = usages();
        Map<Long, Map<LocalDate, Long>> owed = owed();
        Map<Long, Map<LocalDate, Long>> onOrder = purchases.onOrder();
        Map<Long, List<PutUpView>> sold =
                suppliers.putUps(null).stream().collect(Collectors.groupingBy(PutUpView::articleId));
        LocalDate today = LocalDate.now(clock);
        return articles.all().stream()
                .map(article -> {
                    Usage usage = usages.getOrDefault(article.id(), Usage.UNKNOWN);
                    Map<LocalDate, Long> needs = owed.getOrDefault(article.id(), Map.of());
                    Map<LocalDate, Long> arriving = onOrder.getOrDefault(article.id(), Map.of());
                    RunningOut out =
                            RunningOut.of(article.onHand(), needs, arriving, usage, today, WEEKS_AHEAD * DAYS_IN_WEEK);
                    long promised = sum(needs);
                    List<BuyOffer> offers = offers(
                            sold.getOrDefault(article.id(), List.of()),
                            usage,
                            new Position(level, reviewDays, article.onHand() - promised, sum(arriving)));
                    return new BuyLine(
                            article.id(),
                            article.code(),
                            article.name(),
                            article.colour(),
                            article.unit(),
                            article.onHand(),
                            promised,
                            sum(arriving),
                            Math.round(usage.mean()),
                            usage.weeks(),
                            offers,
                            weekly(out.levels()),
                            out.runsOut().orElse(null),
                            offers.get(0).needed() == 0
                                    ? null
                                    : orderBy(
                                            out.runsOut().orElse(today),
                                            offers.get(0).leadDays(),
                                            today));
                })
                .sorted(Comparator.comparing(Buying::place))
                .toList();
    }

    private static LocalDate orderBy(LocalDate runsOut, int leadDays, LocalDate today) {
        LocalDate latest = runsOut.minusDays(leadDays);
        return latest.isBefore(today) ? today : latest;
    }

    private record Position(ServiceLevel level, int reviewDays, long free, long onOrder) {}

    private static long sum(Map<LocalDate, Long> byDay) {
        return byDay.values().stream().mapToLong(q -> q).sum();
    }

    private static List<Level> weekly(List<Level> daily) {
        List<Level> weekly = new ArrayList<>();
        for (int from = 0; from < daily.size(); from += DAYS_IN_WEEK) {
            List<Level> week = daily.subList(from, Math.min(from + DAYS_IN_WEEK, daily.size()));
            long least = week.stream().mapToLong(Level::quantity).min().orElseThrow();
            weekly.add(new Level(week.get(0).day(), least));
        }
        return weekly;
    }

    private static List<BuyOffer> offers(List<PutUpView> sold, Usage usage, Position position) {
        Map<Long, List<PutUpView>> bySupplier =
                sold.stream().collect(Collectors.groupingBy(PutUpView::supplierId, TreeMap::new, Collectors.toList()));
        if (bySupplier.isEmpty()) {
            Reorder reorder = reorder(usage, USUAL_LEAD_DAYS, position);
            return List.of(new BuyOffer(
                    null,
                    "",
                    USUAL_LEAD_DAYS,
                    reorder.expected(),
                    reorder.reserve(),
                    reorder.needed(),
                    List.of(),
                    0,
                    BigDecimal.ZERO));
        }
        return bySupplier.values().stream()
                .map(putUps -> offer(putUps, usage, position))
                .sorted(Comparator.comparing(BuyOffer::price).thenComparing(BuyOffer::leadDays))
                .toList();
    }

    private static Reorder reorder(Usage usage, int leadDays, Position at) {
        return Reorder.of(usage, leadDays, at.reviewDays(), at.level(), at.free(), at.onOrder());
    }

    private static BuyOffer offer(List<PutUpView> putUps, Usage usage, Position position) {
        PutUpView any = putUps.get(0);
        Reorder reorder = reorder(usage, any.leadDays(), position);
        PutUpMix mix = PutUpMix.cheapest(
                reorder.needed(),
                putUps.stream()
                        .map(p -> new PutUpMix.PutUp(p.quantity(), p.price()))
                        .toList());
        List<PutUpPick> picks = new ArrayList<>();
        for (int i = 0; i < putUps.size(); i++) {
            PutUpView p = putUps.get(i);
            if (mix.counts().get(i) > 0) {
                picks.add(new PutUpPick(
                        p.id(), p.quantity(), p.price(), p.code(), mix.counts().get(i)));
            }
        }
        return new BuyOffer(
                any.supplierId(),
                any.supplier(),
                any.leadDays(),
                reorder.expected(),
                reorder.reserve(),
                reorder.needed(),
                picks,
                mix.quantity(),
                mix.price());
    }

    /** What is promised, by article and the day its order is due; only what is not made yet is promised anything. */
    private Map<Long, Map<LocalDate, Long>> owed() {
        Map<Long, Map<LocalDate, Long>> owed = new HashMap<>();
        LocalDate today = LocalDate.now(clock);
        jdbc.sql("""
                        select r.article_id, o.due, sum(r.quantity) as quantity
                        from article_reserved r join customer_order o on o.id = r.order_id
                        where o.stage = 'ACCEPTED' and o.making_left_s > 0 group by 1, 2
                        """).query(row -> {
            LocalDate due = row.getObject(2, LocalDate.class);
            owed.computeIfAbsent(row.getLong(1), a -> new TreeMap<>())
                    .merge(due == null || due.isBefore(today) ? today : due, row.getLong(3), Long::sum);
        });
        return owed;
    }

    /** What each of the last whole weeks used up, since the article is on the books. */
    private Map<Long, Usage> usages() {
        LocalDate today = LocalDate.now(clock);
        Map<Long, Map<Integer, Long>> used = usageDays.weeks(today, WEEKS_BACK);
        Map<Long, Usage> usages = new HashMap<>();
        jdbc.sql("select article_id, min(received_on) from lot group by 1").query(row -> {
            LocalDate since = Objects.requireNonNull(row.getObject(2, LocalDate.class));
            int weeks = (int) Math.min(WEEKS_BACK, ChronoUnit.WEEKS.between(since, today));
            Map<Integer, Long> byWeek = used.getOrDefault(row.getLong(1), Map.of());
            List<Long> weekly = new ArrayList<>();
            for (int week = 0; week < weeks; week++) {
                weekly.add(Math.max(0, byWeek.getOrDefault(week, 0L)));
            }
            usages.put(row.getLong(1), Usage.of(weekly));
        });
        return usages;
    }
}
