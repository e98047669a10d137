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
