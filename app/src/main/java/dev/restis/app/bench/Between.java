package dev.restis.app.bench;

import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.make.CardStep;
import dev.restis.core.make.CordLeft;
import dev.restis.core.make.Doing;
import dev.restis.core.make.Inspection;
import dev.restis.core.make.MidCheck;
import dev.restis.core.make.WorkCard;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Check.Verdict;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Holds what is measured on the way, and at the end, against the card; nothing is kept by asking. */
@Service
class Between {

    /**
     * What was measured at a step, as it was typed.
     *
     * @param length of the body so far, or of the piece at the end
     * @param cordLeft of one leg, from the work to its tip
     * @param strand place of the leg's strand on the card
     */
    record MeasuredRequest(
            int step, @Nullable String length, @Nullable String cordLeft, int strand, int leg, UnitSystem units) {}

    /**
     * What it says.
     *
     * @param ratio own pitch over the expected one
     * @param toGo repeats still to tie
     * @param more how many more than the card says; negative for fewer
     * @param chance that the cord left suffices, 0 to 1
     * @param outcome of the finished length
     */
    record MeasuredView(
            @Nullable Long lengthUm,
            @Nullable Double ratio,
            @Nullable Integer toGo,
            @Nullable Integer more,
            @Nullable Verdict tension,
            @Nullable Long cordLeftUm,
            @Nullable Double chance,
            @Nullable Verdict suffices,
            Inspection.@Nullable Outcome outcome) {}

    private final EntityManager entities;
    private final Cards cards;

    Between(EntityManager entities, Cards cards) {
        this.entities = entities;
        this.cards = cards;
    }

    @Transactional(readOnly = true)
    public MeasuredView measured(long piece, MeasuredRequest request) {
        BenchPiece bench = entities.find(BenchPiece.class, piece);
        WorkCard card = bench == null ? null : cards.card(bench.card());
        if (card == null || request.step() < 0 || request.step() >= card.steps().size()) {
            throw new NotFound("notFound");
        }
        CardStep step = card.steps().get(request.step());
        List<Fault> faults = new ArrayList<>();
        Optional<Length> length = read(request.length(), "length", request.units(), faults);
        Optional<Length> left = read(request.cordLeft(), "cordLeft", request.units(), faults);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        Optional<MidCheck> check =
                length.flatMap(l -> step.measure().flatMap(m -> step.repeats().map(r -> MidCheck.of(m, r, l))));
        Optional<Double> chance = left.flatMap(l -> step.left().stream()
                .filter(c -> c.strand() == request.strand() && c.leg() == request.leg())
                .findFirst()
                .map(c -> c.suffices(l)));
        return new MeasuredView(
                length.map(Length::micrometres).orElse(null),
                check.map(MidCheck::ratio).orElse(null),
                check.map(MidCheck::toGo).orElse(null),
                check.map(MidCheck::more).orElse(null),
                check.map(MidCheck::tension).orElse(null),
                left.map(Length::micrometres).orElse(null),
                chance.orElse(null),
                chance.map(CordLeft::verdict).orElse(null),
                length.filter(l -> step.doing() == Doing.INSPECT)
                        .map(l -> card.inspection().measured(l))
                        .orElse(null));
    }

    private static Optional<Length> read(@Nullable String typed, String field, UnitSystem units, List<Fault> faults) {
        Optional<String> given = Texts.given(typed);
        Optional<Length> length =
                given.flatMap(t -> LengthReader.read(t, units)).filter(Length::isPositive);
        if (given.isPresent() && length.isEmpty()) {
            faults.add(Fault.of(field, "length.unread", given.get()));
        }
        return length;
    }
}
