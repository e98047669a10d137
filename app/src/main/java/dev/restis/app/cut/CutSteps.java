package dev.restis.app.cut;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.stock.Stock.Planned;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Finds the next stretches of a spool without reading all of them: a spool that serves many pieces has thousands. */
@Component
class CutSteps {

    /**
     * What is about to be cut of a spool.
     *
     * @param believed what is to come off it and what it should have, as far as the plan knew
     * @param last whether nothing is left to do of it afterwards
     */
    record Next(CutSpool spool, List<CutStep> steps, Planned believed, boolean last) {

        /** All that is still to do of it. */
        static Next all(CutSpool spool) {
            return new Next(spool, spool.toDo(), new Planned(spool.needUm(), spool.balanceUm()), true);
        }
    }

    private record Sums(long need, long taken, int left) {}

    private final EntityManager entities;
    private final JdbcClient jdbc;

    CutSteps(EntityManager entities, JdbcClient jdbc) {
        this.entities = entities;
        this.jdbc = jdbc;
    }

    /**
     * These stretches of a spool.
     *
     * @param ids in their order
     * @throws Conflict when one of them is cut already, or is not the next
     */
    List<CutStep> next(CutSpool spool, List<Long> ids) {
        List<CutStep> steps = new ArrayList<>();
        for (long id : of(spool, ids)) {
            CutStep step = entities.find(CutStep.class, id);
            if (step.done()) {
                throw new Conflict("cut.done", step.doneBy());
            }
            steps.add(step);
        }
        List<Long> toDo =
                jdbc.sql("""
                        select id from cut_step where cut_spool_id = ? and done_at is null order by number limit ?
                        """).params(spool.id(), ids.size()).query(Long.class).list();
        if (ids.isEmpty() || !toDo.equals(ids)) {
            throw new Conflict("cut.planChanged");
        }
        return steps;
    }

    private List<Long> of(CutSpool spool, List<Long> ids) {
        List<Long> there = jdbc.sql("select id from cut_step where cut_spool_id = ? and id = any (?) order by number")
                .params(spool.id(), ids.toArray(Long[]::new))
                .query(Long.class)
                .list();
        if (there.size() < ids.size()) {
            throw new Conflict("cut.planChanged");
        }
        return there;
    }

    /** What the books must allow so that these can be cut. */
    Next ready(CutSpool spool, List<CutStep> steps) {
        entities.flush();
        Sums sums = jdbc.sql("""
                        select coalesce(sum(length_um) filter (where done_at is null and (kind <> 'REST' or not keep)), 0) as need,
                               coalesce(sum(length_um) filter (where done_at is not null and (kind <> 'REST' or not keep)), 0) as taken,
                               count(*) filter (where done_at is null) as left
                        from cut_step where cut_spool_id = ?
                        """).param(spool.id()).query(Sums.class).single();
        return new Next(
                spool, steps, new Planned(sums.need(), spool.plannedUm() - sums.taken()), sums.left() == steps.size());
    }
}
