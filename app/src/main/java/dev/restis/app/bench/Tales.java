package dev.restis.app.bench;

import dev.restis.app.bench.PieceTale.Kind;
import dev.restis.app.measures.Materials;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.Keyset;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How the pieces of a pattern, a maker or a material went: made, worked on again, mended, given up, and why. */
@Service
class Tales {

    private static final int PAGE = 50;
    private static final int LONGEST_DAYS = 3650;
    private static final int REASONS_READ = 500;
    private static final int REASONS_SHOWN = 4;

    /** What is counted together. */
    enum By {
        PATTERN("l.pattern"),
        MAKER("t.maker"),
        MATERIAL("t.material");

        private final String expression;

        By(String expression) {
            this.expression = expression;
        }
    }

    /** @param mishap its code, where something was mended */
    record TaleReason(Kind kind, String mishap, String reason, long order, String reference, Instant at) {}

    /**
     * @param key code of the pattern, name of the maker, or codes of the materials with a plus between
     * @param name of the pattern, the maker or the materials
     * @param reasons the newest, each with what it led to
     */
    record TaleRow(
            String key, String name, long made, long redone, long mended, long givenUp, List<TaleReason> reasons) {}

    private final EntityManager entities;
    private final PieceDesk desk;
    private final Materials materials;
    private final Clock clock;

    Tales(EntityManager entities, PieceDesk desk, Materials materials, Clock clock) {
        this.entities = entities;
        this.desk = desk;
        this.materials = materials;
        this.clock = clock;
    }

    /**
     * @param days that are looked back on
     * @param after the key after which the page begins
     */
    @Transactional(readOnly = true)
    public Keyset<TaleRow> of(By by, int days, @Nullable String after) {
        if (days < 1 || days > LONGEST_DAYS) {
            throw new Rejected(Fault.of("days", "count.range", days, 1, LONGEST_DAYS));
        }
        Instant since = clock.instant().minus(Duration.ofDays(days));
        String from = """
                from PieceTale t join Piece p on p.id = t.pieceId join p.line l
                where t.at >= :since and %s > :after
                """.formatted(by.expression);
        List<Tuple> counted = entities.createQuery("""
                        select %1$s as key, sum(case when t.kind = FINISH then 1 else 0 end) as made,
                               sum(case when t.kind = REDO then 1 else 0 end) as redone,
                               sum(case when t.kind = MEND then 1 else 0 end) as mended,
                               sum(case when t.kind = GIVE_UP then 1 else 0 end) as givenUp
                        %2$s group by %1$s order by %1$s
                        """.formatted(by.expression, from), Tuple.class)
                .setParameter("since", since)
                .setParameter(
                        "after", Keyset.read(after, ".*").map(p -> p.get(0)).orElse(""))
                .setMaxResults(PAGE + 1)
                .getResultList();
        Keyset<Tuple> page = Keyset.of(counted, PAGE, t -> List.of(t.get("key", String.class)));
        Map<String, List<TaleReason>> reasons = reasons(
                by,
                since,
                page.rows().stream().map(t -> t.get("key", String.class)).toList());
        UnaryOperator<String> names = names(by);
        return new Keyset<>(
                page.rows().stream()
                        .map(t -> {
                            String key = t.get("key", String.class);
                            return new TaleRow(
                                    key,
                                    names.apply(key),
                                    t.get("made", Number.class).longValue(),
                                    t.get("redone", Number.class).longValue(),
                                    t.get("mended", Number.class).longValue(),
                                    t.get("givenUp", Number.class).longValue(),
                                    reasons.getOrDefault(key, List.of()));
                        })
                        .toList(),
                page.next());
    }

    private UnaryOperator<String> names(By by) {
        return switch (by) {
            case PATTERN -> desk.sit()::patternName;
            case MAKER -> UnaryOperator.identity();
            case MATERIAL -> {
                Map<String, String> names = new HashMap<>();
                materials.all().forEach(m -> names.put(m.code(), m.name()));
                yield key -> Arrays.stream(key.split("\\+"))
                        .map(code -> names.getOrDefault(code, code))
                        .collect(Collectors.joining(" + "));
            }
        };
    }

    private Map<String, List<TaleReason>> reasons(By by, Instant since, List<String> keys) {
        Map<String, List<TaleReason>> reasons = new HashMap<>();
        if (keys.isEmpty()) {
            return reasons;
        }
        entities.createQuery("""
                        select %1$s as key, t.kind as kind, t.mishap as mishap, t.reason as reason, t.at as at,
                               o.id as order, o.reference as reference
                        from PieceTale t join Piece p on p.id = t.pieceId join p.line l join l.order o
                        where t.at >= :since and t.kind <> FINISH and %1$s in :keys order by t.at desc, t.id desc
                        """.formatted(by.expression), Tuple.class)
                .setParameter("since", since)
                .setParameter("keys", keys)
                .setMaxResults(REASONS_READ)
                .getResultStream()
                .forEach(t -> {
                    List<TaleReason> of = reasons.computeIfAbsent(t.get("key", String.class), k -> new ArrayList<>());
                    if (of.size() < REASONS_SHOWN) {
                        of.add(new TaleReason(
                                t.get("kind", Kind.class),
                                t.get("mishap", String.class),
                                t.get("reason", String.class),
                                t.get("order", Long.class),
                                t.get("reference", String.class),
                                t.get("at", Instant.class)));
                    }
                });
        return reasons;
    }
}
