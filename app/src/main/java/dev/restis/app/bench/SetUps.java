package dev.restis.app.bench;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Setting the bench up for a batch: one act with its minutes, apart from each piece's mounting. */
@Service
class SetUps {

    private static final int DAY_SECONDS = 86_400;

    /**
     * That the bench was set up for the batch of a piece.
     *
     * @param key given once by whoever acts: sent twice it is one act
     */
    record SetUpRequest(UUID key, long piece, int seconds) {}

    record BenchSetUpView(long id, int seconds, String who) {}

    private final EntityManager entities;
    private final Workshop workshop;
    private final Measured measured;
    private final Clock clock;

    SetUps(EntityManager entities, Workshop workshop, Measured measured, Clock clock) {
        this.measured = measured;
        this.entities = entities;
        this.workshop = workshop;
        this.clock = clock;
    }

    @Transactional
    public void keep(SetUpRequest request) {
        if (request.seconds() < 1 || request.seconds() > DAY_SECONDS) {
            throw new Rejected(Fault.of("seconds", "bench.seconds", request.seconds()));
        }
        Tuple of = entities.createQuery(
                        "select p.batchId as batch, l.setUp as setUp from Piece p join p.line l "
                                + "where p.id = :piece and p.batchId is not null",
                        Tuple.class)
                .setParameter("piece", request.piece())
                .getResultStream()
                .findFirst()
                .orElseThrow(() -> new NotFound("notFound"));
        boolean known = !entities.createQuery("select s.id from BenchSetUp s where s.key = :key", Long.class)
                .setParameter("key", request.key())
                .getResultList()
                .isEmpty();
        if (!known) {
            BenchSetUp row = new BenchSetUp(
                    request.key(), of.get("batch", Long.class), of.get("setUp", String.class), request.seconds());
            save(row);
            measured.setUp(row, Workshop.whoever());
        }
    }

    /** The newest of a batch that stands. */
    @Transactional(readOnly = true)
    public Optional<BenchSetUpView> of(long batch, String setUp) {
        return standing(batch, setUp).stream().findFirst().map(s -> new BenchSetUpView(s.id(), s.seconds(), s.who()));
    }

    private List<BenchSetUp> standing(long batch, String setUp) {
        return entities.createQuery("""
                        select s from BenchSetUp s where s.batchId = :batch and s.setUp = :setUp and s.takesBack is null
                            and not exists (select 1 from BenchSetUp t where t.takesBack = s.id)
                        order by s.id desc
                        """, BenchSetUp.class)
                .setParameter("batch", batch)
                .setParameter("setUp", setUp)
                .setMaxResults(1)
                .getResultList();
    }

    @Transactional
    public void takeBack(long id) {
        BenchSetUp row =
                Optional.ofNullable(entities.find(BenchSetUp.class, id)).orElseThrow(() -> new NotFound("notFound"));
        boolean taken = !entities.createQuery("select t.id from BenchSetUp t where t.takesBack = :id", Long.class)
                .setParameter("id", id)
                .getResultList()
                .isEmpty();
        if (taken) {
            throw new Conflict("bench.NOTHING_TO_TAKE_BACK", 0);
        }
        Workshop.mayTakeBack(row.who());
        save(row.takenBack());
        measured.setUpTakenBack(id);
    }

    private void save(BenchSetUp row) {
        String who = Workshop.whoever();
        entities.persist(row.by(clock.instant(), workshop.personOf(who).orElse(null), who));
        entities.flush();
    }
}
