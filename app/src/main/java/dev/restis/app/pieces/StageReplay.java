package dev.restis.app.pieces;

import dev.restis.core.work.PieceAct;
import dev.restis.core.work.PieceEvent;
import dev.restis.core.work.PieceLife;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Rebuilds the stage of every piece from its rows alone, and says where another is kept. */
public final class StageReplay {

    private static final int PAGE = 5000;

    private final JdbcClient jdbc;

    public StageReplay(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What is kept of a piece, and its rows as they are read. */
    private static final class Kept {
        private final long piece;
        private final String stage;
        private final @Nullable Instant dryUntil;
        private final @Nullable Long batch;
        private final List<PieceEvent> events = new ArrayList<>();
        private final Map<Long, Long> batches = new LinkedHashMap<>();

        Kept(long piece, String stage, @Nullable Instant dryUntil, @Nullable Long batch) {
            this.piece = piece;
            this.stage = stage;
            this.dryUntil = dryUntil;
            this.batch = batch;
        }

        Optional<String> difference() {
            try {
                PieceLife life = PieceLife.of(events);
                String replayed = told(
                        life.state().stage().name(),
                        life.state().dryUntil().orElse(null),
                        life.state().stage().name().equals("OPEN") ? null : batchOf(life));
                String kept = told(stage, dryUntil, batch);
                return replayed.equals(kept)
                        ? Optional.empty()
                        : Optional.of("piece " + piece + " is kept as " + kept + ", its rows say " + replayed);
            } catch (IllegalArgumentException impossible) {
                return Optional.of("piece " + piece + ": " + impossible.getMessage());
            }
        }

        private @Nullable Long batchOf(PieceLife life) {
            return life.standing().stream()
                    .filter(e -> e.act() == PieceAct.PLAN)
                    .reduce((a, b) -> b)
                    .map(e -> batches.get(e.number()))
                    .orElse(null);
        }

        private static String told(String stage, @Nullable Instant dryUntil, @Nullable Long batch) {
            return stage
                    + (batch == null ? "" : " in batch " + batch)
                    + (dryUntil == null ? "" : " dry at " + dryUntil);
        }
    }

    /** A line for each piece that does not stand where its rows put it. */
    public List<String> differences() {
        List<String> differences = new ArrayList<>();
        Map<Long, Kept> page = page(0);
        while (!page.isEmpty()) {
            long last = 0;
            for (Kept kept : page.values()) {
                kept.difference().ifPresent(differences::add);
                last = kept.piece;
            }
            page = page(last);
        }
        return differences;
    }

    private Map<Long, Kept> page(long after) {
        Map<Long, Kept> page = new LinkedHashMap<>();
        jdbc.sql("""
                        select p.id, p.stage::text as stage, p.dry_until, p.batch_id, e.id as number, e.act, e.at, e.who,
                               e.dry_until as dries, e.takes_back, e.batch_id as batch, e.reason
                        from (select * from piece where id > ? order by id limit ?) p left join piece_event e on e.piece_id = p.id
                        order by p.id, e.id
                        """).params(after, PAGE).query(row -> {
            long piece = row.getLong("id");
            Kept kept = page.get(piece);
            if (kept == null) {
                kept = new Kept(
                        piece,
                        row.getString("stage"),
                        instant(row.getObject("dry_until", OffsetDateTime.class)),
                        row.getObject("batch_id", Long.class));
                page.put(piece, kept);
            }
            if (row.getObject("number") != null) {
                Long takesBack = row.getObject("takes_back", Long.class);
                kept.events.add(new PieceEvent(
                        row.getLong("number"),
                        PieceAct.valueOf(row.getString("act")),
                        row.getObject("at", OffsetDateTime.class).toInstant(),
                        row.getString("who"),
                        Optional.ofNullable(instant(row.getObject("dries", OffsetDateTime.class))),
                        takesBack == null ? OptionalLong.empty() : OptionalLong.of(takesBack),
                        row.getString("reason")));
                Long batch = row.getObject("batch", Long.class);
                if (batch != null) {
                    kept.batches.put(row.getLong("number"), batch);
                }
            }
        });
        return page;
    }

    private static @Nullable Instant instant(@Nullable OffsetDateTime at) {
        return at == null ? null : at.toInstant();
    }
}
