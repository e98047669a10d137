package dev.restis.app.learning;

import dev.restis.app.learning.Heard.About;
import dev.restis.core.learning.Beliefs;
import dev.restis.core.learning.Observation;
import dev.restis.core.learning.Observation.Kind;
import dev.restis.core.learning.Use;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.jspecify.annotations.Nullable;

/** Something that was measured, and what was expected of it. */
@Entity
@Table(name = "observation")
// Whoever takes it back and whoever folds it write other columns of it at the same time.
@DynamicUpdate
@SuppressWarnings("NullAway.Init")
class ObservationRow {

    /** Whether it is learned from. */
    enum Standing {
        STANDS,
        /** Whoever measured it took it back. */
        TAKEN_BACK,
        /** Somebody looked at it and does not believe it. */
        DROPPED
    }

    /** What became of it. */
    enum Outcome {
        LEARNED,
        DOUBTED,
        CHANGE,
        /** What to expect of it cannot be worked out any more. */
        UNKNOWN
    }

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    // One by one: what several instances measure of one piece is folded in the order in which it was measured.
    @SequenceGenerator(sequenceName = "observation_number", allocationSize = 1)
    private long id;

    private UUID key;

    @Enumerated(EnumType.STRING)
    private Subject subject;

    @Enumerated(EnumType.STRING)
    private Source source;

    private Long[] sources;
    private @Nullable Long pieceId;
    private String maker;
    private LocalDate day;
    private double value;
    private double reading;

    @Enumerated(EnumType.STRING)
    private Kind bound;

    private String about;
    private long cutUm;

    @Column(name = "short")
    private boolean ranShort;

    private boolean confirmed;

    @Enumerated(EnumType.STRING)
    private Standing standing = Standing.STANDS;

    private boolean changed;
    private @Nullable Long number;
    private int formulas;
    private @Nullable String use;
    private long geometryUm;

    @Enumerated(EnumType.STRING)
    private @Nullable Outcome outcome;

    private @Nullable Double expected;
    private @Nullable Double spread;
    private @Nullable Double surprise;
    private String[] features = {};
    private double[] means = {};
    private double[] spreads = {};

    protected ObservationRow() {}

    ObservationRow(Heard heard) {
        key = UUID.randomUUID();
        subject = heard.subject();
        source = heard.source();
        sources = heard.sources().toArray(Long[]::new);
        pieceId = heard.piece();
        maker = heard.maker();
        day = heard.day();
        value = heard.value();
        reading = heard.reading();
        bound = heard.bound();
        about = ObservationJson.write(heard.about());
        cutUm = heard.cutUm();
        ranShort = heard.ranShort();
    }

    /** Another house's, under the key that it has there. */
    ObservationRow(Heard heard, UUID key, Use use, int formulas, boolean confirmed) {
        this(heard);
        this.key = key;
        this.use = ObservationJson.write(use);
        this.formulas = formulas;
        this.confirmed = confirmed;
    }

    long id() {
        return id;
    }

    UUID key() {
        return key;
    }

    Subject subject() {
        return subject;
    }

    Source source() {
        return source;
    }

    String maker() {
        return maker;
    }

    LocalDate day() {
        return day;
    }

    @Nullable
    Long piece() {
        return pieceId;
    }

    double value() {
        return value;
    }

    double reading() {
        return reading;
    }

    Kind bound() {
        return bound;
    }

    boolean confirmed() {
        return confirmed;
    }

    Standing standing() {
        return standing;
    }

    @Nullable
    Outcome outcome() {
        return outcome;
    }

    @Nullable
    Double expected() {
        return expected;
    }

    @Nullable
    Double spread() {
        return spread;
    }

    @Nullable
    Double surprise() {
        return surprise;
    }

    List<String> features() {
        return List.of(features);
    }

    /** What was believed of one of its features then. */
    Beliefs.Factor believed(String feature) {
        int at = Arrays.asList(features).indexOf(feature);
        return new Beliefs.Factor(means[at], spreads[at]);
    }

    long number() {
        return number == null ? 0 : number;
    }

    boolean numbered() {
        return number != null;
    }

    void number(long next) {
        number = next;
    }

    boolean stands() {
        return standing == Standing.STANDS;
    }

    /** Is learned from no longer, or again. */
    void stands(Standing now) {
        if (standing != now) {
            standing = now;
            changed = true;
        }
    }

    /** Somebody says that it is right, however strange. */
    void confirm() {
        if (!confirmed) {
            confirmed = true;
            changed = true;
        }
    }

    /** Whoever folds knows that it changed. */
    void seen() {
        changed = false;
    }

    /** Nobody confirmed or dropped it. */
    void asBefore() {
        changed |= confirmed || standing == Standing.DROPPED;
        confirmed = false;
        standing = standing == Standing.DROPPED ? Standing.STANDS : standing;
    }

    boolean workedOutBy(int version) {
        return use != null && (formulas >= version || source == Source.IMPORT);
    }

    Use use() {
        return ObservationJson.use(use == null ? "" : use);
    }

    Expectations.Question question() {
        return new Expectations.Question(
                id, subject, List.of(sources), pieceId, maker, ObservationJson.read(about, About.class));
    }

    void expect(Expectations.Reckoned from, int version) {
        use = ObservationJson.write(from.use());
        geometryUm = from.geometryUm();
        formulas = version;
    }

    /** Whether it was tied to be measured. */
    boolean sample() {
        return source == Source.SWATCH
                || source == Source.IMPORT
                        && KnowledgeFile.SAMPLE.equals(
                                ObservationJson.read(about, About.class).what());
    }

    Observation observation() {
        Use expecting = use();
        String who = maker.isEmpty() ? "?" : maker;
        // What is of no piece shares its tension with nothing.
        long piece = pieceId == null ? -number() - 1 : pieceId;
        return new Observation(
                number(),
                day.toEpochDay(),
                piece,
                List.of(who + " " + expecting.noise(), who),
                expecting,
                value,
                bound,
                reading,
                confirmed || sample(),
                sample());
    }

    void folded(dev.restis.core.learning.Outcome folded, List<String> of, List<Beliefs.Factor> believed) {
        outcome = Outcome.valueOf(folded.what().name());
        expected = folded.expected();
        spread = folded.spread();
        surprise = folded.surprise();
        features = of.toArray(String[]::new);
        means = believed.stream().mapToDouble(Beliefs.Factor::mean).toArray();
        spreads = believed.stream().mapToDouble(Beliefs.Factor::spread).toArray();
    }

    void unknown() {
        outcome = Outcome.UNKNOWN;
    }
}
