package dev.restis.app.stock;

import dev.restis.app.measures.Materials;
import dev.restis.core.cord.Material;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Articles as they are asked for, each read once: few pieces need few of very many. An article stays as it was first read,
 * whatever is booked meanwhile.
 */
public final class ArticleReading {

    /** Who asks for more than this one by one is given all. */
    private static final int HANDFUL = 12;

    private record Promise(long article, @Nullable Long besides) {}

    private final Articles articles;
    private final Materials materials;
    private final Map<Long, Article> byId = new LinkedHashMap<>();
    private final Map<String, Article> byCode = new HashMap<>();
    private final Map<Promise, Long> promised = new HashMap<>();
    private final Map<Long, List<Articles.Tint>> alike = new HashMap<>();
    private @Nullable List<Articles.ConsumableUse> uses;
    private @Nullable Map<String, Material> book;
    private final Set<Article.ArticleKind> kinds = EnumSet.noneOf(Article.ArticleKind.class);
    private int asked;
    private boolean complete;

    ArticleReading(Articles articles, Materials materials) {
        this.articles = articles;
        this.materials = materials;
    }

    /** Reads these at once, for they will be asked for. */
    public void ahead(Collection<Long> ids) {
        List<Long> unread =
                ids.stream().filter(id -> !byId.containsKey(id)).distinct().toList();
        if (!complete && !unread.isEmpty()) {
            articles.some(unread, book()).forEach(this::keep);
        }
    }

    public Optional<Article> byCode(String code) {
        if (!byCode.containsKey(code) && !complete) {
            one(articles.coded(code, book()));
        }
        return Optional.ofNullable(byCode.get(code));
    }

    public Optional<Article> byId(long id) {
        if (!byId.containsKey(id) && !complete) {
            one(articles.some(List.of(id), book()));
        }
        return Optional.ofNullable(byId.get(id));
    }

    private void one(List<Article> found) {
        found.forEach(this::keep);
        if (++asked > HANDFUL) {
            all();
        }
    }

    public Collection<Article> all() {
        if (!complete) {
            articles.all(book()).forEach(this::keep);
            complete = true;
        }
        return byId.values();
    }

    /** All of a kind, without those of all others. */
    public Collection<Article> ofKind(Article.ArticleKind kind) {
        if (!complete && kinds.add(kind)) {
            articles.ofKind(kind, book()).forEach(this::keep);
        }
        return byId.values().stream().filter(a -> a.kind() == kind).toList();
    }

    /** Other cords of the same material and gauge. */
    public List<Articles.Tint> alike(Article cord) {
        return alike.computeIfAbsent(cord.id(), id -> articles.alike(cord));
    }

    /** What pieces use up, of all consumables. */
    public List<Articles.ConsumableUse> uses() {
        if (uses == null) {
            uses = articles.consumableUses();
            ahead(uses.stream().map(Articles.ConsumableUse::article).toList());
        }
        return uses;
    }

    /** Reads at once what of these is promised to orders, but for one. */
    public void promisedAhead(Collection<Long> ids, @Nullable Long besides) {
        List<Long> unread = ids.stream()
                .filter(id -> !promised.containsKey(new Promise(id, besides)))
                .distinct()
                .toList();
        if (!unread.isEmpty()) {
            Map<Long, Long> found = articles.promised(unread, besides);
            unread.forEach(id -> promised.put(new Promise(id, besides), found.getOrDefault(id, 0L)));
        }
    }

    /** What of an article is promised to orders, but for one. */
    public long promised(long article, @Nullable Long besides) {
        promisedAhead(List.of(article), besides);
        return promised.getOrDefault(new Promise(article, besides), 0L);
    }

    private Map<String, Material> book() {
        if (book == null) {
            book = materials.book();
        }
        return book;
    }

    private void keep(Article article) {
        if (byId.putIfAbsent(article.id(), article) == null) {
            byCode.put(article.code(), article);
        }
    }
}
