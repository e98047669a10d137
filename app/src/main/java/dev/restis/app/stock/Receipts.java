package dev.restis.app.stock;

import dev.restis.app.platform.Texts;
import dev.restis.app.stock.Article.ArticleKind;
import dev.restis.core.cord.Cord;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.stock.Unit;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Reads a delivery note as it was typed. */
public final class Receipts {

    /**
     * A delivery note as typed.
     *
     * @param number what the supplier calls it
     * @param receivedOn the day it came; today when missing
     * @param freight what the way cost, shared out among the lines by their price
     */
    public record NewNote(
            @Nullable String number,
            @Nullable Long supplier,
            @Nullable LocalDate receivedOn,
            @Nullable String freight,
            List<NewReceipt> lines) {

        public static NewNote of(NewReceipt line) {
            return new NewNote(null, null, null, null, List.of(line));
        }
    }

    /**
     * A line of a delivery note as typed.
     *
     * @param putUps how many spools or boxes
     * @param each length of one spool in any unit, or pieces in one box
     * @param price of the whole line without freight, in the workshop's currency
     * @param measured the lot's true diameter, if somebody measured it; only of cord
     * @param flawAt where each spool has a flaw or a join, from its free end; may be empty
     * @param hank whether the cord comes in hanks, not on spools
     * @param purchaseLine the line of a purchase that this delivers, if it was bought through Restis
     */
    public record NewReceipt(
            long article,
            String lot,
            int putUps,
            String each,
            String price,
            @Nullable String shelf,
            @Nullable String measured,
            @Nullable String flawAt,
            @Nullable Boolean hank,
            @Nullable Long purchaseLine,
            UnitSystem units) {}

    /**
     * A line as it was understood.
     *
     * @param quantity of one put-up
     * @param price of all put-ups, without freight
     */
    record Receipt(
            Article article,
            String lot,
            int putUps,
            long quantity,
            BigDecimal price,
            String shelf,
            Optional<Length> measured,
            boolean hank,
            List<Long> flawsFromFreeEnd) {}

    private static final int MOST_PUT_UPS = 200;
    static final Length LONGEST = Length.ofMillimetres(2_000_000L);

    private final NewReceipt input;
    private final Article article;
    private final List<Fault> faults = new ArrayList<>();

    private Receipts(NewReceipt input, Article article) {
        this.input = input;
        this.article = article;
    }

    /** What was typed; whatever cannot be read is told by its field after {@code prefix}. */
    static Receipt read(NewReceipt input, Article article, String prefix, List<Fault> faults) {
        Receipts reader = new Receipts(input, article);
        Receipt receipt = reader.receipt();
        reader.faults.forEach(f -> faults.add(new Fault(prefix + f.field(), f.code(), f.args())));
        return receipt;
    }

    private Receipt receipt() {
        String lot = Texts.required(input.lot(), "lot", 40, faults);
        if (input.putUps() < 1 || input.putUps() > MOST_PUT_UPS) {
            faults.add(Fault.of("putUps", "putUps.range", input.putUps(), MOST_PUT_UPS));
        }
        boolean cord = article.kind() == ArticleKind.CORD;
        long quantity = cord ? length("each", input.each(), LONGEST) : amount("each", input.each());
        BigDecimal price = Texts.money(input.price(), "price", faults);
        List<Long> flaws = Texts.given(input.flawAt())
                .map(text -> List.of(length("flawAt", text, new Length(Math.max(1, quantity - 1)))))
                .orElse(List.of());
        Optional<Length> measured = cord
                ? Texts.given(input.measured()).flatMap(text -> diameter("measured", text, input.units(), faults))
                : Optional.empty();
        String shelf = Texts.given(input.shelf()).orElse("");
        if (shelf.length() > 40) {
            faults.add(Fault.of("shelf", "tooLong", 40));
        }
        return new Receipt(
                article,
                lot,
                input.putUps(),
                quantity,
                price,
                shelf,
                measured,
                Boolean.TRUE.equals(input.hank()),
                flaws);
    }

    private long length(String field, String text, Length most) {
        Optional<Length> length = LengthReader.read(text, input.units());
        if (length.isEmpty()) {
            faults.add(Fault.of(field, "length.unread", text));
            return 0;
        }
        Length least = Length.ofMillimetres(1);
        if (length.get().isLessThan(least) || most.isLessThan(length.get())) {
            faults.add(Fault.of(field, "length.range", length.get(), least, most));
        }
        return length.get().micrometres();
    }

    /** A cord's diameter as measured; empty with a fault when it cannot be read or be one. */
    static Optional<Length> diameter(String field, String text, UnitSystem units, List<Fault> faults) {
        Optional<Length> read = LengthReader.read(text, units);
        if (read.isEmpty()) {
            faults.add(Fault.of(field, "length.unread", text));
        }
        if (read.filter(d -> d.isLessThan(Cord.THINNEST) || Cord.THICKEST.isLessThan(d))
                .isPresent()) {
            faults.add(Fault.of(field, "length.range", read.get(), Cord.THINNEST, Cord.THICKEST));
            return Optional.empty();
        }
        return read;
    }

    private long amount(String field, String text) {
        Unit unit = article.unit();
        Optional<Long> amount = unit.read(text, input.units()).filter(a -> a > 0 && a <= unit.most());
        if (amount.isEmpty()) {
            faults.add(
                    unit == Unit.PIECE
                            ? Fault.of(field, "pieces.range", text, unit.most())
                            : Fault.of(field, "amount.unread", text, unit.write(1), unit.write(unit.most())));
        }
        return amount.orElse(0L);
    }

    /** A length of cord that is known for sure, at least a metre of it. */
    static Optional<Length> known(String field, @Nullable String text, UnitSystem units, List<Fault> faults) {
        String typed = text == null ? "" : text;
        Optional<Length> read = LengthReader.read(typed, units);
        Length least = Length.ofMillimetres(1000);
        if (read.isEmpty()) {
            faults.add(Fault.of(field, "length.unread", typed));
        } else if (read.get().isLessThan(least) || LONGEST.isLessThan(read.get())) {
            faults.add(Fault.of(field, "length.range", read.get(), least, LONGEST));
            return Optional.empty();
        }
        return read;
    }

    /** What one put-up of an article holds, as typed: a length of cord, or an amount of what else it is. */
    static long quantity(String field, String text, Article article, UnitSystem units, List<Fault> faults) {
        NewReceipt line = new NewReceipt(article.id(), "", 1, text, "0", null, null, null, null, null, units);
        Receipts reader = new Receipts(line, article);
        long quantity =
                article.kind() == ArticleKind.CORD ? reader.length(field, text, LONGEST) : reader.amount(field, text);
        reader.faults.forEach(f -> faults.add(new Fault(field, f.code(), f.args())));
        return quantity;
    }
}
