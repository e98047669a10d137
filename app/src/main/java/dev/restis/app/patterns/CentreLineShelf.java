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
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.springframework.jdbc.core.simple.JdbcClient;
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

    private final JdbcClient jdbc;
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

    CentreLineShelf(JdbcClient jdbc, Jobs jobs, PlatformTransactionManager transactions) {
        this.jdbc = jdbc;
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
        return jdbc.sql("select state, rows, reason from centre_line where key = ?")
                .param(key)
                .query(Kept.class)
                .optional();
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
            jdbc.sql("""
                            insert into centre_line (key, stitch, cores, core_ratio, side_ratio, state)
                            values (?, ?, ?, ?, ?, 'WAITING') on conflict (key) do update set asked_at = now()
                            """)
                    .params(
                            asked.key(),
                            PatternJson.write(asked.stitch()),
                            asked.gauge().cores(),
                            asked.gauge().core(),
                            asked.gauge().side())
                    .update();
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
        int forgotten = jdbc.sql("""
                        delete from centre_line
                        where key = ? and state = 'WAITING' and asked_at < now() - make_interval(secs => ?)
                        """).params(key, LOOKED_AT_WITHIN.toSeconds()).update();
        if (forgotten > 0) {
            return "{}";
        }
        record Row(String stitch, int cores, double coreRatio, double sideRatio) {}
        Optional<Row> row = jdbc.sql("select stitch, cores, core_ratio, side_ratio from centre_line where key = ?")
                .param(key)
                .query(Row.class)
                .optional();
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

    private int keep(String key, PullState state, String rows, String reason) {
        return jdbc.sql("update centre_line set state = ?, rows = ?, reason = ? where key = ?")
                .params(state.name(), rows, reason, key)
                .update();
    }

    @Scheduled(initialDelay = 600_000, fixedDelay = 86_400_000)
    public void tidy() {
        jdbc.sql("delete from centre_line where asked_at < now() - make_interval(days => ?)")
                .param(KEPT_DAYS)
                .update();
    }
}
