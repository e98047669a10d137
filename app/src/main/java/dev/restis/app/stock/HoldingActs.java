package dev.restis.app.stock;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.stock.HoldingRow.Kind;
import dev.restis.app.stock.HoldingRow.Mark;
import dev.restis.app.stock.LedgerRow.Cause;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.stock.Balance;
import dev.restis.core.stock.Movement;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people do with a holding besides cutting it for pieces. */
@Service
public class HoldingActs {

    /** What leaves the shelf for no piece. */
    enum Away {
        BIN,
        SELL,
        SEND_BACK;

        Movement movement() {
            return Movement.valueOf(name());
        }
    }

    /**
     * Something that leaves a holding, or moves within the shelves, as typed.
     *
     * @param quantity a length or a number of pieces; all of it when empty
     */
    record Taken(
            @Nullable String quantity,
            UnitSystem units,
            @Nullable String reason) {}

    private static final int LONGEST_SHELF = 40;
    private static final int LONGEST_REASON = 200;

    private final Stock stock;
    private final Ledger ledger;
    private final EntityManager entities;
    private final JdbcClient jdbc;
    private final Clock clock;

    HoldingActs(Stock stock, Ledger ledger, EntityManager entities, JdbcClient jdbc, Clock clock) {
        this.stock = stock;
        this.ledger = ledger;
        this.entities = entities;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Takes something away: from the free end, where it is cord. */
    @Transactional
    public void takeAway(long holding, Away away, Taken taken) {
        List<Fault> faults = new ArrayList<>();
        String reason = Texts.required(taken.reason(), "reason", LONGEST_REASON, faults);
        Balance balance = ledger.lock(holding);
        long quantity = quantity(holding, taken, balance, true, faults);
        reject(faults);
        ledger.post(
                away.movement(), holding, -quantity, balance.costOf(quantity).negate(), Cause.of(reason));
        // Flaws on it stay marked: they lie beyond what is left until the cord is taken back.
        entities.flush();
    }

    /** Moves a part of a holding, from its free end, to a holding of its own; answers which. */
    @Transactional
    public long split(long holding, Taken taken) {
        Balance balance = ledger.lock(holding);
        HoldingRow from = holding(holding);
        List<Fault> faults = new ArrayList<>();
        long quantity = quantity(holding, taken, balance, false, faults);
        reject(faults);
        Kind kind = from.kind() == Kind.BOX ? Kind.BOX : Kind.REMNANT;
        HoldingRow part = stock.hold(from.lotId(), kind, from.shelf(), holding);
        long left = balance.quantity() - quantity;
        // A flaw that lies within the part lies as far from the part's far end as it lay behind what stays.
        from.flawsBehind.forEach((behind, mark) -> {
            if (behind > left && behind < balance.quantity()) {
                part.flawsBehind.put(behind - left, mark);
            }
        });
        from.flawsBehind.keySet().removeIf(behind -> behind >= left);
        entities.flush();
        Cause cause = Cause.of("from " + from.label());
        BigDecimal value = balance.costOf(quantity);
        ledger.post(Movement.SPLIT, holding, -quantity, value.negate(), Cause.of("to " + part.label()));
        ledger.post(Movement.SPLIT, part.id(), quantity, value, cause);
        entities.flush();
        return part.id();
    }

    /** Puts all of a box into another of the same lot. */
    @Transactional
    public void merge(long holding, long into) {
        ledger.hold(List.of(holding, into));
        HoldingRow from = holding(holding);
        HoldingRow to = holding(into);
        if (from.kind() != Kind.BOX || holding == into || from.lotId() != to.lotId()) {
            throw new Rejected(Fault.of("into", "holding.merge"));
        }
        Balance balance = ledger.balance(holding);
        if (balance.quantity() == 0) {
            throw new Conflict("holding.empty");
        }
        ledger.post(
                Movement.SPLIT, holding, -balance.quantity(), balance.value().negate(), Cause.of("to " + to.label()));
        ledger.post(Movement.SPLIT, into, balance.quantity(), balance.value(), Cause.of("from " + from.label()));
        entities.flush();
    }

    @Transactional
    public void move(long holding, @Nullable String shelf) {
        ledger.hold(List.of(holding));
        HoldingRow row = holding(holding);
        String to = Texts.given(shelf).orElse("");
        if (to.length() > LONGEST_SHELF) {
            throw new Rejected(Fault.of("shelf", "tooLong", LONGEST_SHELF));
        }
        if (to.equals(row.shelf())) {
            throw new Rejected(Fault.of("shelf", "shelf.same"));
        }
        event(holding, "MOVED", row.shelf() + " > " + to);
        row.shelf(to);
    }

    /**
     * Marks a flaw or a join, or takes the mark off again.
     *
     * @param at its distance from the free end
     * @param mark what it is; when it is taken off, whatever it is
     */
    @Transactional
    public void flaw(long holding, @Nullable String at, UnitSystem units, boolean join) {
        flaw(holding, at, units, join ? Mark.JOIN : Mark.FLAW, true);
    }

    /**
     * It is shorter than the books say: its far end is nearer, and with it every flaw lies nearer to that end.
     *
     * @param left what is there from the free end on
     */
    @Transactional
    public void ranOut(long holding, @Nullable String left, UnitSystem units) {
        Balance balance = ledger.lock(holding);
        HoldingRow row = holding(holding);
        String typed = left == null ? "" : left;
        long there = stock.counted(holding, typed, units)
                .orElseThrow(() -> new Rejected(Fault.of("left", "counted.unread", typed)));
        long missing = balance.quantity() - there;
        if (missing <= 0) {
            throw new Rejected(Fault.of("left", "cut.notShort"));
        }
        Map<Long, Mark> marks = new TreeMap<>(row.flawsBehind);
        row.flawsBehind.clear();
        marks.forEach((behind, mark) -> {
            if (behind > missing) {
                row.flawsBehind.put(behind - missing, mark);
            }
        });
        ledger.post(Movement.ADJUST, holding, -missing, balance.costOf(missing).negate(), Cause.of("ran out"));
        entities.flush();
    }

    @Transactional
    void flaw(long holding, @Nullable String at, UnitSystem units, Mark mark, boolean there) {
        Balance balance = ledger.lock(holding);
        HoldingRow row = holding(holding);
        List<Fault> faults = new ArrayList<>();
        if (row.kind() == Kind.BOX) {
            faults.add(Fault.of("at", "flaw.box"));
        }
        reject(faults);
        Optional<Long> read = stock.counted(holding, at == null ? "" : at, units);
        if (read.isEmpty()) {
            faults.add(Fault.of("at", "counted.unread", at == null ? "" : at));
        } else if (read.get() <= 0 || read.get() >= balance.quantity()) {
            faults.add(Fault.of("at", "flaw.range"));
        }
        reject(faults);
        long behind = balance.quantity() - read.orElseThrow();
        if (there ? row.flawsBehind.putIfAbsent(behind, mark) != null : row.flawsBehind.remove(behind) == null) {
            throw new Rejected(Fault.of("at", there ? "flaw.there" : "flaw.none"));
        }
        event(holding, there ? mark.event : "UNFLAWED", read.orElseThrow().toString());
    }

    /** Breaks the seal before anything is taken: what is open is used first. */
    @Transactional
    public void open(long holding) {
        ledger.hold(List.of(holding));
        int opened = jdbc.sql("update holding set opened_at = :now where id = :id and opened_at is null")
                .param("now", Timestamp.from(clock.instant()))
                .param("id", holding)
                .update();
        if (opened == 0) {
            throw new Conflict("holding.open");
        }
        event(holding, "OPENED", "");
    }

    /** Takes a movement back by a row against it. */
    @Transactional
    public void takeBack(long row) {
        record Taken(long holding, String who, Movement movement, long quantity, BigDecimal value, boolean may) {}
        ledger.hold(jdbc.sql("select holding_id from ledger where id = ?")
                .param(row)
                .query(Long.class)
                .optional()
                .map(List::of)
                .orElseThrow(() -> new NotFound("notFound")));
        Taken back = jdbc.sql("""
                        select holding_id as holding, who, movement, quantity, value,
                               batch_id is null and cut_step_id is null and reverses is null
                                   and not exists (select 1 from ledger r where r.reverses = l.id) as may
                        from ledger l where id = ?
                        """).param(row).query(Taken.class).single();
        Workshop.mayTakeBack(back.who());
        Balance balance = ledger.balance(back.holding());
        BigDecimal value = balance.value().subtract(back.value());
        long quantity = balance.quantity() - back.quantity();
        boolean fits = quantity >= 0 && value.signum() >= 0 && (quantity > 0 || value.signum() == 0);
        if (!back.may() || !back.movement().reversible() || !fits) {
            throw new Conflict("ledger.notBack");
        }
        ledger.post(
                back.movement(),
                back.holding(),
                -back.quantity(),
                back.value().negate(),
                new Cause("taken back", null, null, null, row, null));
        entities.flush();
    }

    private HoldingRow holding(long id) {
        HoldingRow row = entities.find(HoldingRow.class, id);
        if (row == null) {
            throw new NotFound("notFound");
        }
        return row;
    }

    /** How much was meant; {@code all} says whether nothing typed means all of it and all of it may be named. */
    private long quantity(long holding, Taken taken, Balance balance, boolean all, List<Fault> faults) {
        if (balance.quantity() == 0) {
            throw new Conflict("holding.empty");
        }
        Optional<String> typed = Texts.given(taken.quantity());
        if (all && typed.isEmpty()) {
            return balance.quantity();
        }
        Optional<Long> read = typed.flatMap(text -> stock.counted(holding, text, taken.units()));
        if (read.isEmpty()) {
            faults.add(Fault.of("quantity", "counted.unread", typed.orElse("")));
            return 0;
        }
        long most = all ? balance.quantity() : balance.quantity() - 1;
        if (read.get() <= 0 || read.get() > most) {
            faults.add(Fault.of("quantity", "quantity.beyond"));
        }
        return read.get();
    }

    private void event(long holding, String what, String detail) {
        jdbc.sql("insert into holding_event (holding_id, at, who, what, detail) values (?, ?, ?, ?, ?)")
                .params(holding, Timestamp.from(clock.instant()), Workshop.whoever(), what, detail)
                .update();
    }

    private static void reject(List<Fault> faults) {
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
    }
}
