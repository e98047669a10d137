package dev.restis.app.bench;

import dev.restis.core.make.BenchAct;
import dev.restis.core.make.Walk;
import dev.restis.core.make.WorkCard;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Rebuilds from the acts alone how far each piece is on its card, and says where another step is kept. */
public final class BenchReplay {

    private static final int PAGE = 2000;

    private record Kept(long piece, long card, int next, boolean held, int first, long since) {}

    private record Acted(long id, long piece, String act, int step, long takesBack) {}

    private final JdbcClient jdbc;

    public BenchReplay(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** A line for each piece that does not stand on its card where its acts put it. */
    public List<String> differences() {
        List<String> differences = new ArrayList<>();
        List<Kept> page = page(0);
        while (!page.isEmpty()) {
            Map<Long, List<BenchAct>> acts = acts(page);
            Map<Long, WorkCard> cards = cards(page);
            for (Kept kept : page) {
                difference(kept, cards, acts.getOrDefault(kept.piece(), List.of()), differences);
            }
            page = page(page.get(page.size() - 1).piece());
        }
        return differences;
    }

    private static void difference(
            Kept kept, Map<Long, WorkCard> cards, List<BenchAct> acts, List<String> differences) {
        try {
            WorkCard card = cards.get(kept.card());
            if (card == null) {
                differences.add("piece " + kept.piece() + " has no card");
                return;
            }
            Walk walk = Walk.of(
                    card,
                    true,
                    kept.first(),
                    acts.stream().filter(a -> a.number() > kept.since()).toList());
            if (walk.next() != kept.next() || walk.heldUp() != kept.held()) {
                differences.add(
                        "piece " + kept.piece() + " is kept at step " + kept.next() + ", its acts say " + walk.next());
            }
        } catch (IllegalArgumentException impossible) {
            differences.add("piece " + kept.piece() + ": " + impossible.getMessage());
        }
    }

    private List<Kept> page(long after) {
        return jdbc.sql("""
                        select piece_id as piece, card_id as card, next_step as next, held_up as held,
                               first_step as first, card_since as since from bench_piece
                        where piece_id > ? order by piece_id limit ?
                        """).params(after, PAGE).query(Kept.class).list();
    }

    private Map<Long, List<BenchAct>> acts(List<Kept> page) {
        Map<Long, List<BenchAct>> acts = new HashMap<>();
        jdbc.sql("""
                        select id, piece_id as piece, act, step, coalesce(takes_back, 0) as takes_back from bench_act
                        where piece_id = any (?) and act in ('DONE', 'NOT_YET', 'ALL_THE_SAME', 'BACK_TO', 'TAKE_BACK') order by piece_id, id
                        """)
                .param(page.stream().map(Kept::piece).toArray(Long[]::new))
                .query(Acted.class)
                .list()
                .forEach(a -> acts.computeIfAbsent(a.piece(), p -> new ArrayList<>())
                        .add(new BenchAct(
                                a.id(),
                                BenchAct.Kind.valueOf(a.act()),
                                a.step(),
                                a.takesBack() == 0 ? OptionalLong.empty() : OptionalLong.of(a.takesBack()))));
        return acts;
    }

    private Map<Long, WorkCard> cards(List<Kept> page) {
        Map<Long, WorkCard> cards = new HashMap<>();
        jdbc.sql("select id, card::text as card from work_card where id = any (?)")
                .param(page.stream().map(Kept::card).distinct().toArray(Long[]::new))
                .query(row -> {
                    cards.put(row.getLong("id"), CardJson.read(row.getString("card")));
                });
        return cards;
    }
}
