package dev.restis.app.stock;

import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.core.cord.Hardware.Measure;
import dev.restis.core.piece.Occasion;
import dev.restis.core.stock.Unit;
import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import jakarta.persistence.MapKeyEnumerated;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "article")
@SuppressWarnings("NullAway.Init")
class ArticleRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private long id;

    @Version
    private int version;

    private String code;

    @Enumerated(EnumType.STRING)
    private ArticleKind kind;

    @Enumerated(EnumType.STRING)
    private Unit unit;

    private String name;
    private String colour;

    @Nullable
    String material;

    @Nullable
    Long diameterUm;

    @Nullable
    Long keepUm;

    private @Nullable Long lengthUm;

    private @Nullable Long holeUm;

    private @Nullable Long innerWidthUm;

    private @Nullable Long barUm;

    @ElementCollection
    @CollectionTable(name = "consumable_use", joinColumns = @JoinColumn(name = "article_id"))
    @MapKeyColumn(name = "occasion")
    @MapKeyEnumerated(EnumType.STRING)
    @Column(name = "quantity")
    private Map<Occasion, Long> uses = new TreeMap<>();

    protected ArticleRow() {}

    String name() {
        return name;
    }

    ArticleRow(String code, ArticleKind kind, Unit unit, String name, String colour) {
        this.code = code;
        this.kind = kind;
        this.unit = unit;
        this.name = name;
        this.colour = colour;
    }

    long id() {
        return id;
    }

    int version() {
        return version;
    }

    String code() {
        return code;
    }

    ArticleKind kind() {
        return kind;
    }

    Unit unit() {
        return unit;
    }

    /** How much of a consumable a piece takes at each occasion. */
    Map<Occasion, Long> uses() {
        return uses;
    }

    /** Everything but its code, kind and unit. */
    void takeOver(ArticleRow other) {
        name = other.name;
        colour = other.colour;
        material = other.material;
        diameterUm = other.diameterUm;
        keepUm = other.keepUm;
        lengthUm = other.lengthUm;
        holeUm = other.holeUm;
        innerWidthUm = other.innerWidthUm;
        barUm = other.barUm;
        if (!uses.equals(other.uses)) {
            uses.clear();
            uses.putAll(other.uses);
        }
    }

    /** What is said of it besides its code, by the names of a file's columns; the numbers are micrometres. */
    Map<String, Object> said() {
        Map<String, Object> said = new LinkedHashMap<>();
        said.put("kind", kind);
        said.put("name", name);
        said.put("colour", colour);
        put(said, "material", material);
        put(said, kind == ArticleKind.CORD ? "diameter" : "across", diameterUm);
        put(said, "keep", keepUm);
        put(said, "length", lengthUm);
        put(said, "hole", holeUm);
        put(said, "inner width", innerWidthUm);
        put(said, "bar", barUm);
        if (kind == ArticleKind.CONSUMABLE) {
            said.put("unit", unit);
            put(said, "use", uses.isEmpty() ? null : usesText());
        }
        return said;
    }

    private String usesText() {
        return uses.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(e -> ArticleFiles.plainName(e.getKey()) + ": " + unit.write(e.getValue()))
                .collect(Collectors.joining("; "));
    }

    private static void put(Map<String, Object> said, String name, @Nullable Object value) {
        if (value != null) {
            said.put(name, value);
        }
    }

    void keep(Measure measure, @Nullable Long micrometres) {
        switch (measure) {
            case LENGTH -> lengthUm = micrometres;
            case ACROSS -> diameterUm = micrometres;
            case HOLE -> holeUm = micrometres;
            case INNER_WIDTH -> innerWidthUm = micrometres;
            case BAR -> barUm = micrometres;
        }
    }
}
