package dev.restis.app.orders;

import dev.restis.app.orders.Orders.Effort;
import dev.restis.app.orders.Orders.ReadLine;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.core.batch.SetUp;
import dev.restis.core.fit.Ease;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Check.Verdict;
import dev.restis.core.piece.Wearer;
import jakarta.persistence.CascadeType;
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
import jakarta.persistence.ManyToOne;
import jakarta.persistence.MapKeyColumn;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Version;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

@Entity
@SuppressWarnings("NullAway.Init")
class OrderLine {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "order_line_number", allocationSize = 50)
    private long id;

    @Version
    private int version;

    @ManyToOne
    @JoinColumn(name = "order_id")
    private CustomerOrder order;

    private int number;
    private String pattern;
    private int patternVersion;

    private @Nullable String sizeName;

    private @Nullable Long wristUm;

    private @Nullable Long handUm;

    private boolean handAssumed;

    @Enumerated(EnumType.STRING)
    private Ease ease;

    private @Nullable Long lengthUm;

    @Enumerated(EnumType.STRING)
    private UnitSystem units;

    private boolean kit;

    @Enumerated(EnumType.STRING)
    private Wearer wearer;

    private boolean tapered;

    private @Nullable String accepted;

    private @Nullable String acceptedReason;

    private @Nullable String acceptedBy;

    private @Nullable Instant acceptedAt;

    private int quantity;
    private boolean matching;
    private boolean oneHand;

    @Column(name = "making_s")
    private int makingSeconds;

    private String setUp = "";
    private long gaugeUm;
    private long cordUm;

    @Enumerated(EnumType.STRING)
    private Verdict verdict = Verdict.UNKNOWN;

    private String note;

    /** The number of the line whose price it is sold for, where its piece came from the shelf. */
    private @Nullable Integer insteadOf;

    @ElementCollection
    @CollectionTable(name = "order_line_colour", joinColumns = @JoinColumn(name = "line_id"))
    @OrderColumn(name = "slot")
    @Column(name = "article_id")
    private List<Long> colours = new ArrayList<>();

    @ElementCollection
    @CollectionTable(name = "order_line_part", joinColumns = @JoinColumn(name = "line_id"))
    @OrderBy("slot")
    private List<OrderLinePart> parts = new ArrayList<>();

    @ElementCollection
    @CollectionTable(name = "order_line_need", joinColumns = @JoinColumn(name = "line_id"))
    @MapKeyColumn(name = "article_id")
    @Column(name = "quantity")
    private Map<Long, Long> needs = new TreeMap<>();

    @OneToMany(mappedBy = "line", cascade = CascadeType.ALL, orphanRemoval = true)
    @OrderBy("number")
    private List<Piece> pieces = new ArrayList<>();

    protected OrderLine() {}

    OrderLine(CustomerOrder order, ReadLine line) {
        this.order = order;
        this.number = line.number();
        become(line);
    }

    /** Takes on what the line shall be; pieces are added to reach its quantity, but never dropped here. */
    final void become(ReadLine line) {
        PieceSpec spec = line.spec();
        this.pattern = spec.pattern();
        this.patternVersion = spec.patternVersion();
        this.sizeName = spec.sizeName();
        this.wristUm = spec.wristUm();
        this.handUm = spec.handUm();
        this.handAssumed = spec.handAssumed();
        this.ease = spec.ease();
        this.lengthUm = spec.lengthUm();
        this.units = spec.units();
        this.kit = spec.kit();
        this.wearer = spec.wearer();
        this.tapered = spec.tapered();
        PieceSpec.Accepted taken = spec.accepted();
        this.accepted = taken == null ? null : taken.check();
        this.acceptedReason = taken == null ? null : taken.reason();
        this.acceptedBy = taken == null ? null : taken.who();
        this.acceptedAt = taken == null ? null : taken.at();
        parts.clear();
        spec.parts().forEach(p -> parts.add(new OrderLinePart(p.slot(), p.article(), p.count())));
        this.colours.clear();
        this.colours.addAll(spec.articles());
        this.matching = line.matching();
        this.makingSeconds = Math.toIntExact(line.effort().making().toSeconds());
        this.setUp = line.effort().setUp().key();
        this.gaugeUm = line.effort().setUp().gauge().micrometres();
        this.cordUm = line.effort().setUp().cord().micrometres();
        this.verdict = line.effort().setUp().verdict();
        // Only what differs is written: most changes of a line leave its needs as they are.
        if (!needs.equals(line.effort().needs())) {
            needs.clear();
            needs.putAll(line.effort().needs());
        }
        this.note = line.note();
        for (int more = line.quantity() - pieces().size(); more > 0; more--) {
            pieces.add(new Piece(this, nextPiece()));
        }
        quantity = pieces().size();
    }

    /** What is kept beside a line, as rows of their own. */
    record Beside(List<Long> colours, List<PieceSpec.PartSpec> parts, Map<Long, Long> needs) {}

    /**
     * Takes off what is kept beside the line, for whoever writes it for very many lines in one go. The line is of no use until
     * it is read again.
     */
    Beside takeOff() {
        Beside beside = new Beside(List.copyOf(colours), spec().parts(), Map.copyOf(needs));
        colours.clear();
        parts.clear();
        needs.clear();
        return beside;
    }

    private int nextPiece() {
        return pieces.stream().mapToInt(Piece::number).max().orElse(0) + 1;
    }

    /** The line as it could be typed anew. */
    ReadLine read() {
        return new ReadLine(
                number,
                spec(),
                quantity,
                matching,
                note,
                new Effort(
                        Duration.ofSeconds(makingSeconds),
                        Map.copyOf(needs),
                        new SetUp(pattern, colours, new Length(gaugeUm), new Length(cordUm), verdict)));
    }

    /** The pieces that are too many for a quantity: those that are least far, the last numbers first; none that is cut. */
    List<Piece> surplus(int wanted) {
        return pieces.stream()
                .filter(p -> !p.cut())
                .sorted(Comparator.comparing((Piece p) -> p.open() ? 0 : 1)
                        .thenComparing(Comparator.comparing(Piece::number).reversed()))
                .limit(Math.max(0, pieces().size() - wanted))
                .toList();
    }

    void drop(List<Piece> which) {
        pieces.removeAll(which);
        count();
    }

    /** The last pieces by number. */
    List<Piece> last(int count) {
        List<Piece> all = pieces();
        return all.subList(all.size() - count, all.size());
    }

    /** Takes pieces over from another line. */
    void takeOver(List<Piece> others) {
        for (Piece piece : others) {
            piece.line().pieces.remove(piece);
            piece.line().count();
            piece.moveTo(this, nextPiece());
            pieces.add(piece);
        }
        count();
    }

    private void count() {
        quantity = Math.max(1, pieces().size());
    }

    /** Makes another in the place of a piece that was given up. */
    void replace(Piece givenUp) {
        pieces.add(new Piece(this, nextPiece(), givenUp));
    }

    /**
     * A piece was not given up after all: what was to take its place is made no more.
     *
     * @param instead what was to take its place
     * @throws Conflict when that is planned already, or went to another order
     */
    void keep(List<Piece> instead) {
        for (Piece piece : instead) {
            if (piece.line() != this) {
                throw new Conflict(
                        "piece.replacedElsewhere", piece.line().order.head().reference());
            }
        }
        if (instead.stream().anyMatch(p -> !p.open())) {
            throw new Conflict("piece.replaced", instead.get(0).number());
        }
        pieces.removeAll(instead);
    }

    /** All that were ever of it, what was given up too. */
    List<Piece> everything() {
        return pieces;
    }

    /** Whether nothing was ever made of it, nor is to be. */
    boolean empty() {
        return pieces.isEmpty();
    }

    long id() {
        return id;
    }

    CustomerOrder order() {
        return order;
    }

    void forgetNote() {
        note = "";
    }

    int number() {
        return number;
    }

    int quantity() {
        return quantity;
    }

    boolean matching() {
        return matching;
    }

    /** Whether one maker is to tie all of it. */
    boolean oneHand() {
        return oneHand;
    }

    void oneHand(boolean one) {
        oneHand = one;
    }

    void insteadOf(int other) {
        insteadOf = other;
    }

    /** The number of the line whose price counts for it. */
    int pricedAs() {
        return insteadOf == null ? number : insteadOf;
    }

    String note() {
        return note;
    }

    /** Those that count: without what was given up, which others take the place of. */
    List<Piece> pieces() {
        return pieces.stream().filter(p -> p.stage().wanted()).toList();
    }

    PieceSpec spec() {
        return new PieceSpec(
                pattern,
                patternVersion,
                sizeName,
                wristUm,
                handUm,
                handAssumed,
                ease,
                lengthUm,
                List.copyOf(colours),
                parts.stream()
                        .map(p -> new PieceSpec.PartSpec(p.slot(), p.article(), p.count()))
                        .toList(),
                kit,
                wearer,
                tapered,
                units,
                accepted());
    }

    private PieceSpec.@Nullable Accepted accepted() {
        return accepted == null || acceptedReason == null || acceptedBy == null || acceptedAt == null
                ? null
                : new PieceSpec.Accepted(accepted, acceptedReason, acceptedBy, acceptedAt);
    }
}
