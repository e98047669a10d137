package dev.restis.app.stock;

import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.core.cord.Hardware.Measure;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.LinkedHashMap;
import java.util.Map;
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

    protected ArticleRow() {}

    ArticleRow(String code, ArticleKind kind, String name, String colour) {
        this.code = code;
        this.kind = kind;
        this.name = name;
        this.colour = colour;
    }

    long id() {
        return id;
    }

    String code() {
        return code;
    }

    ArticleKind kind() {
        return kind;
    }

    /** Everything but its code and kind. */
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
        return said;
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
