package dev.restis.app.patterns;

import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import dev.restis.app.patterns.PieceView.PullState;
import dev.restis.app.patterns.PieceView.PullingView;
import dev.restis.core.picture.CentreLines;
import dev.restis.core.picture.StitchTightener;
import dev.restis.core.picture.TightLines;
import dev.restis.core.stitch.Gauge;
import dev.restis.core.stitch.OwnStitch;
import dev.restis.core.stitch.Stitch;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Centre lines of stitches in any gauge. What is not shipped is pulled tight in the background the first time it is drawn,
 * and kept; until then the nearest shipped lines or the rough path must do.
 */
@Service
class CentreLineShelf {

    private record Kept(PullState state, double progress, String rows, String reason) {}

    /** Named by everything that the lines depend on, so that a stitch described anew is pulled tight anew. */
    private record Asked(String key, Stitch stitch, Gauge gauge) {
        static Asked of(Stitch stitch, Gauge gauge) {
            Gauge ratio = TightLines.ratio(stitch, gauge);
            String description = Integer.toHexString(stitch.toString().hashCode());
            return new Asked(TightLines.key(stitch, ratio) + "#" + description, stitch, ratio);
        }
    }

    private static final Duration LOOKED_AT_WITHIN = Duration.ofSeconds(20);

    private final JdbcClient jdbc;
    private final SchedulerClient scheduler;
    private final TransactionTemplate apart;
    private final Clock clock;
    /** Lines that are done do not change; only these are remembered. */
    private final Map<String, CentreLines.Lines> done = new ConcurrentHashMap<>();

    CentreLineShelf(JdbcClient jdbc, SchedulerClient scheduler, PlatformTransactionManager transactions, Clock clock) {
        this.jdbc = jdbc;
        this.scheduler = scheduler;
        this.apart = new TransactionTemplate(transactions);
        this.apart.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        this.clock = clock;
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
            Optional<Lines> lines = Optional.ofNullable(done.get(asked.key()));
            return lines.or(() -> kept(asked, pulling)).or(() -> TightLines.SHIPPED.of(stitch, gauge));
        }
    }

    Drawing drawing() {
        return new Drawing();
    }

    private Optional<CentreLines.Lines> kept(Asked asked, List<PullingView> pulling) {
        Kept kept = find(asked.key()).orElseGet(() -> ask(asked));
        if (kept.state() == PullState.KNOT) {
            CentreLines.Lines lines = new CentreLines.Lines(
                    asked.gauge(),
                    TightLines.read(kept.rows().lines())
                            .getOrDefault(TightLines.key(asked.stitch(), asked.gauge()), List.of()));
            done.put(asked.key(), lines);
            return Optional.of(lines);
        }
        if (kept.state() == PullState.WAITING) {
            ask(asked);
        }
        pulling.add(new PullingView(asked.stitch().code(), kept.state(), kept.progress(), kept.reason()));
        return Optional.empty();
    }

    private Optional<Kept> find(String key) {
        return jdbc.sql("select state, progress, rows, reason from centre_line where key = ?")
                .param(key)
                .query(Kept.class)
                .optional();
    }

    /**
     * Asks, or says that somebody still looks; in a transaction of its own, for pictures are drawn while reading. It is
     * scheduled each time, because what was just being forgotten may have been asked for again before its task was gone.
     */
    private Kept ask(Asked asked) {
        apart.executeWithoutResult(status -> {
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
            scheduler.scheduleIfNotExists(new TaskInstance<>(PullTight.NAME, asked.key()), clock.instant());
        });
        return new Kept(PullState.WAITING, 0, "", "");
    }

    /**
     * Pulls what was asked for tight; run by the scheduler on one instance. Killed in the middle, it starts again. What nobody
     * has looked at for a while is forgotten, so that what somebody looks at is not kept waiting by all that was ever typed.
     */
    void pullTight(String key) {
        int forgotten = jdbc.sql("""
                        delete from centre_line
                        where key = ? and state = 'WAITING' and asked_at < now() - make_interval(secs => ?)
                        """).params(key, LOOKED_AT_WITHIN.toSeconds()).update();
        if (forgotten > 0) {
            return;
        }
        record Row(String stitch, int cores, double coreRatio, double sideRatio) {}
        Optional<Row> row = jdbc.sql("select stitch, cores, core_ratio, side_ratio from centre_line where key = ?")
                .param(key)
                .query(Row.class)
                .optional();
        row.ifPresent(r -> {
            Stitch stitch = PatternJson.readStitch(r.stitch());
            Gauge gauge = new Gauge(1, r.coreRatio(), r.cores(), stitch.coreLayout(), r.sideRatio());
            jdbc.sql("update centre_line set state = 'RUNNING', progress = 0 where key = ?")
                    .param(key)
                    .update();
            StitchTightener.Outcome outcome = StitchTightener.outcome(
                    stitch,
                    gauge,
                    share -> jdbc.sql("update centre_line set progress = ? where key = ?")
                            .params(share, key)
                            .update());
            outcome.fold(
                    knot -> keep(key, PullState.KNOT, String.join("\n", knot.rows()), ""),
                    noKnot -> keep(key, PullState.NO_KNOT, "", noKnot.reason()));
        });
    }

    private int keep(String key, PullState state, String rows, String reason) {
        return jdbc.sql("update centre_line set state = ?, progress = 1, rows = ?, reason = ? where key = ?")
                .params(state.name(), rows, reason, key)
                .update();
    }
}
