package dev.restis.app.patterns;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.restis.app.patterns.PieceView.PullState;
import dev.restis.app.patterns.PieceView.PullingView;
import dev.restis.app.platform.jobs.Jobs;
import dev.restis.app.platform.jobs.RunningJob;
import dev.restis.app.platform.jobs.Work;
import dev.restis.core.picture.CentreLines;
import dev.restis.core.picture.StitchTightener;
import dev.restis.core.picture.TightLines;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.OwnStitch;
import dev.restis.core.stitch.Stitch;
import jakarta.persistence.EntityManager;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Centre lines of stitches in any gauge. What is not shipped is pulled tight in the background the first time it is drawn,
 * and kept; until then the nearest shipped lines or the rough path must do.
 */
@Service
class CentreLineShelf implements Work {

    static final String KIND = "pull-tight";

    private record Kept(PullState state, String rows, String reason) {}

    /** Named by everything that the lines depend on, so that a stitch described anew is pulled tight anew. */
    private record Asked(String key, Stitch stitch, Gauge gauge) {
        static Asked of(Stitch stitch, Gauge gauge) {
            Gauge ratio = TightLines.ratio(stitch, gauge);
            String description = Integer.toHexString(stitch.toString().hashCode());
            return new Asked(TightLines.key(stitch, ratio) + "#" + description, stitch, ratio);
        }
    }

    private static final Duration LOOKED_AT_WITHIN = Duration.ofSeconds(20);
    /** Somebody who goes on looking is noted again after so long. */
    private static final Duration NOTED_FOR = Duration.ofSeconds(4);
    /** Lines that nobody has asked for in so many days are pulled again if anybody does. */
    private static final int KEPT_DAYS = 180;

    private static final int MOST_REMEMBERED = 2000;
    private static final int PARTS = 100;

    private final EntityManager entities;
    private final Jobs jobs;
    private final TransactionTemplate transaction;
    /** Lines that are done do not change; only these are remembered. */
    private final Cache<String, CentreLines.Lines> done =
            Caffeine.newBuilder().maximumSize(MOST_REMEMBERED).build();
    /** What was looked at; {@link #tell} writes it down, so that looking writes nothing. */
    private final Cache<String, Asked> lookedAt = Caffeine.newBuilder()
            .maximumSize(MOST_REMEMBERED)
            .expireAfterWrite(NOTED_FOR)
            .build();

    private final Queue<Asked> untold = new ConcurrentLinkedQueue<>();

    CentreLineShelf(EntityManager entities, Jobs jobs, PlatformTransactionManager transactions) {
        this.entities = entities;
        this.jobs = jobs;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** The lines of one picture, and afterwards what of it is not pulled tight yet. */
    final class Drawing implements CentreLines {
        private final List<PullingView> pulling = new ArrayList<>();

        List<PullingView> pulling() {
            return pulling.stream().distinct().toList();
        }

        @Override
        public Optional<Lines> of(Stitch stitch, Gauge gauge) {
            if (stitch.paths().isEmpty()
                    || OwnStitch.of(stitch).isPresent()
                    || TightLines.SHIPPED.exact(stitch, gauge)) {
                return TightLines.SHIPPED.of(stitch, gauge);
            }
            Asked asked = Asked.of(stitch, gauge);
            Optional<Lines> lines = Optional.ofNullable(done.getIfPresent(asked.key()));
            return lines.or(() -> kept(asked, pulling)).or(() -> TightLines.SHIPPED.of(stitch, gauge));
        }
    }

    Drawing drawing() {
        return new Drawing();
    }

    private Optional<CentreLines.Lines> kept(Asked asked, List<PullingView> pulling) {
        Kept kept = find(asked.key()).orElse(new Kept(PullState.WAITING, "", ""));
        if (kept.state() == PullState.KNOT) {
            CentreLines.Lines lines = new CentreLines.Lines(
                    asked.gauge(),
                    TightLines.read(kept.rows().lines())
                            .getOrDefault(TightLines.key(asked.stitch(), asked.gauge()), List.of()));
            done.put(asked.key(), lines);
            return Optional.of(lines);
        }
        Optional<Double> share = kept.state() == PullState.NO_KNOT ? Optional.empty() : jobs.share(KIND, asked.key());
        PullState state = kept.state() == PullState.WAITING && share.isPresent() ? PullState.RUNNING : kept.state();
        if (state == PullState.WAITING) {
            lookedAt(asked);
        }
        pulling.add(new PullingView(asked.stitch().code(), state, share.orElse(0.0), kept.reason()));
        return Optional.empty();
    }

    private void lookedAt(Asked asked) {
        if (lookedAt.getIfPresent(asked.key()) == null) {
            lookedAt.put(asked.key(), asked);
            untold.add(asked);
        }
    }

    private Optional<Kept> find(String key) {
        return entities
                .createQuery("select c.state, c.rows, c.reason from CentreLineRow c where c.key = :key", Kept.class)
                .setParameter("key", key)
                .getResultList()
                .stream()
                .findFirst();
    }

    /** Asks for what was looked at and is not there, beside those who looked. */
    @Scheduled(fixedDelay = 200)
    public void tell() {
        for (Asked asked = untold.poll(); asked != null; asked = untold.poll()) {
            ask(asked);
        }
    }

    private void ask(Asked asked) {
        transaction.executeWithoutResult(status -> {
            entities.createQuery("""
                            insert into CentreLineRow (key, stitch, cores, coreRatio, sideRatio, state)
                            values (:key, :stitch, :cores, :core, :side, WAITING)
                            on conflict (key) do update set askedAt = instant
                            """)
                    .setParameter("key", asked.key())
                    .setParameter("stitch", PatternJson.write(asked.stitch()))
                    .setParameter("cores", asked.gauge().cores())
                    .setParameter("core", asked.gauge().core())
                    .setParameter("side", asked.gauge().side())
                    .executeUpdate();
            jobs.askOnce(Jobs.Asked.of(KIND, asked.key(), 0), "restis");
        });
    }

    @Override
    public String kind() {
        return KIND;
    }

    /**
     * Pulls what was asked for tight. What nobody has looked at for a while is forgotten, so that what somebody looks at is not
     * kept waiting by all that was ever typed.
     */
    @Override
    public String work(RunningJob job) {
        String key = job.subject();
        if (forgotten(key)) {
            return "{}";
        }
        record Row(String stitch, int cores, double coreRatio, double sideRatio) {}
        Optional<Row> row = entities
                .createQuery(
                        "select c.stitch, c.cores, c.coreRatio, c.sideRatio from CentreLineRow c where c.key = :key",
                        Row.class)
                .setParameter("key", key)
                .getResultList()
                .stream()
                .findFirst();
        row.ifPresent(r -> {
            Stitch stitch = PatternJson.readStitch(r.stitch());
            Gauge gauge = new Gauge(1, r.coreRatio(), r.cores(), stitch.coreLayout(), r.sideRatio());
            StitchTightener.outcome(stitch, gauge, share -> job.progress((int) Math.round(share * PARTS), PARTS))
                    .fold(
                            knot -> keep(key, PullState.KNOT, String.join("\n", knot.rows()), ""),
                            noKnot -> keep(key, PullState.NO_KNOT, "", noKnot.reason()));
        });
        return "{}";
    }

    private boolean forgotten(String key) {
        String waiting =
                "delete from CentreLineRow c where c.key = :key and c.state = WAITING and c.askedAt < instant - %d second";
        return Boolean.TRUE.equals(
                transaction.execute(status -> entities.createQuery(waiting.formatted(LOOKED_AT_WITHIN.toSeconds()))
                                .setParameter("key", key)
                                .executeUpdate()
                        > 0));
    }

    private Boolean keep(String key, PullState state, String rows, String reason) {
        return transaction.execute(status -> {
            CentreLineRow row = entities.find(CentreLineRow.class, key);
            if (row != null) {
                row.state = state;
                row.rows = rows;
                row.reason = reason;
            }
            return row != null;
        });
    }

    @Scheduled(initialDelay = 600_000, fixedDelay = 86_400_000)
    public void tidy() {
        transaction.executeWithoutResult(status -> entities.createQuery(
                        "delete from CentreLineRow c where c.askedAt < instant - %d day".formatted(KEPT_DAYS))
                .executeUpdate());
    }
}
