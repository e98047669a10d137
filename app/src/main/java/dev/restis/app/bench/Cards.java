package dev.restis.app.bench;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.core.make.CardMaker;
import dev.restis.core.make.WorkCard;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Cards of pieces that were begun, each kept once; and those that pieces not yet begun would have. */
@Service
class Cards {

    private static final int MOST_READ = 500;

    private final EntityManager entities;
    private final PieceDesk desk;
    private final Clock clock;
    /** A card never changes under its number; reading one takes longer than an act at the bench. */
    private final Cache<Long, WorkCard> read =
            Caffeine.newBuilder().maximumSize(MOST_READ).build();

    Cards(EntityManager entities, PieceDesk desk, Clock clock) {
        this.entities = entities;
        this.desk = desk;
        this.clock = clock;
    }

    /** A card that is kept. */
    @Transactional(readOnly = true)
    public WorkCard card(long id) {
        return read.get(id, number -> {
            WorkCardRow row = entities.find(WorkCardRow.class, number);
            if (row == null) {
                throw new NotFound("notFound");
            }
            return CardJson.read(row.card());
        });
    }

    /** The card that a piece would be begun with. */
    static WorkCard of(PieceDesk.Worked worked) {
        return CardMaker.of(worked.piece());
    }

    /** Keeps the cards of these pieces as they are worked out now; answers their numbers. */
    @Transactional(propagation = Propagation.MANDATORY)
    public Map<PieceSpec, Long> keep(Stream<PieceSpec> specs) {
        List<PieceSpec> distinct = specs.distinct().toList();
        PieceDesk.Sitting sitting = desk.sit();
        sitting.ready(distinct.stream());
        Map<PieceSpec, Long> kept = new HashMap<>();
        for (PieceSpec spec : distinct) {
            kept.put(spec, keep(of(sitting.workOut(spec))));
        }
        return kept;
    }

    /** Two who begin alike pieces at once keep one card: the second waits for the first, and finds it. */
    @Transactional(propagation = Propagation.MANDATORY)
    public long keep(WorkCard card) {
        String json = CardJson.write(card);
        String digest = CardJson.digest(json);
        entities.createNativeQuery("""
                        insert into work_card (digest, card, created_at)
                        values (:digest, cast(:card as jsonb), :at) on conflict (digest) do nothing
                        """)
                .setParameter("digest", digest)
                .setParameter("card", json)
                .setParameter("at", clock.instant())
                .executeUpdate();
        return entities.createQuery("select c.id from WorkCardRow c where c.digest = :digest", Long.class)
                .setParameter("digest", digest)
                .getSingleResult();
    }
}
