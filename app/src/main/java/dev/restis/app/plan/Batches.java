package dev.restis.app.plan;

import dev.restis.app.orders.OrderPieces;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.pieces.PieceNeeds;
import dev.restis.app.pieces.Pieces;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.piece.Check.Verdict;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Batches: pieces that are cut together. */
@Service
public class Batches {

    /** How many pieces of a line to take. */
    public record Pick(long line, int count) {}

    private static final int MOST_PIECES = 2000;

    private final OrderPieces orders;
    private final Pieces pieces;
    private final PieceNeeds needs;
    private final PieceDesk desk;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;

    Batches(
            OrderPieces orders,
            Pieces pieces,
            PieceNeeds needs,
            PieceDesk desk,
            EntityManager entities,
            JdbcClient jdbc,
            Clock clock) {
        this.orders = orders;
        this.pieces = pieces;
        this.needs = needs;
        this.desk = desk;
        this.entities = entities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Makes a batch of open pieces and keeps what each needs. */
    @Transactional
    public long make(@Nullable String name, List<Pick> picks) {
        List<Fault> faults = new ArrayList<>();
        String given = Texts.given(name).orElseGet(this::nextName);
        if (given.length() > 80) {
            faults.add(Fault.of("name", "tooLong", 80));
        }
        Map<Long, Integer> wanted = new HashMap<>();
        picks.forEach(p -> wanted.merge(p.line(), p.count(), Integer::sum));
        int count = wanted.values().stream().mapToInt(Integer::intValue).sum();
        return make(given, count, faults, batch -> orders.take(wanted, batch));
    }

    /** The same of open pieces that are named. */
    @Transactional
    public long makeOf(Collection<Long> which) {
        return make(nextName(), which.size(), new ArrayList<>(), batch -> orders.takeThese(which, batch));
    }

    private long make(String name, int count, List<Fault> faults, LongFunction<List<OrderPieces.Taken>> take) {
        if (count < 1 || count > MOST_PIECES) {
            faults.add(Fault.of("picks", "picks.range", count, MOST_PIECES));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        Batch batch = new Batch(name, clock.instant(), Workshop.whoever());
        entities.persist(batch);
        entities.flush();
        keepNeeds(take.apply(batch.id()));
        return batch.id();
    }

    private void keepNeeds(List<OrderPieces.Taken> taken) {
        PieceDesk.Sitting sitting = desk.sit();
        Map<Long, PieceDesk.Worked> byLine = new HashMap<>();
        Map<Long, PieceDesk.Worked> byPiece = new LinkedHashMap<>();
        for (OrderPieces.Taken piece : taken) {
            PieceDesk.Worked worked = byLine.computeIfAbsent(piece.line(), l -> sitting.workOut(piece.spec()));
            if (worked.piece().verdict() == Verdict.NO) {
                throw new Rejected(Fault.of("picks", "picks.cannotBeMade", reasons(worked)));
            }
            byPiece.put(piece.piece(), worked);
        }
        needs.keep(byPiece);
    }

    private static String reasons(PieceDesk.Worked worked) {
        return worked.piece().checks().stream()
                .filter(c -> c.verdict() == Verdict.NO)
                .map(c -> c.code())
                .collect(Collectors.joining(", "));
    }

    /** Opens all pieces of the batch again that are not cut. */
    @Transactional
    public void dissolve(long batch) {
        orders.holdTogether(batch);
        if (pieces.uncut(batch).isEmpty()) {
            throw new NotFound("batch.nothingToDissolve");
        }
        release(batch, pieces.uncut(batch));
    }

    /** Opens those of these pieces again that are not cut. */
    @Transactional
    public void release(long batch, Collection<Long> which) {
        orders.holdBatches(List.of(batch));
        pieces.release(batch, which);
    }

    private String nextName() {
        long number = jdbc.sql("select nextval('batch_name')").query(Long.class).single();
        return "Batch " + number;
    }
}
