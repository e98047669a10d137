package dev.restis.app.orders;

import dev.restis.app.learning.Expectations;
import dev.restis.app.learning.Heard.About;
import dev.restis.app.learning.Heard.OfStrand;
import dev.restis.app.learning.Source;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.learning.Use;
import dev.restis.core.piece.Expected;
import dev.restis.core.piece.WorkedPiece;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** What geometry expects of what was measured of orders' pieces. */
@Service
class ExpectedOfPieces implements Expectations {

    private final OrderPieces orders;
    private final PieceDesk desk;

    ExpectedOfPieces(OrderPieces orders, PieceDesk desk) {
        this.orders = orders;
        this.desk = desk;
    }

    @Override
    public Set<Source> sources() {
        return Set.of(Source.STRAND, Source.LENGTH, Source.STEP, Source.SET_UP);
    }

    @Override
    public Map<Long, Expectations.Reckoned> of(Collection<Question> asked) {
        Map<Long, PieceSpec> specs = orders.specsOfPieces(
                asked.stream().flatMap(ExpectedOfPieces::pieces).distinct().toList());
        Map<Long, Expectations.Reckoned> known = new HashMap<>();
        Map<String, PieceDesk.Sitting> sittings = new HashMap<>();
        for (Question question : asked) {
            PieceDesk.Sitting sitting =
                    sittings.computeIfAbsent(question.maker(), maker -> desk.sitByGeometry(maker(maker)));
            expected(question, specs, sitting).ifPresent(e -> known.put(question.observation(), e));
        }
        return known;
    }

    private static Stream<Long> pieces(Question question) {
        return Stream.concat(
                Stream.ofNullable(question.piece()),
                question.about().strands().stream().map(OfStrand::piece));
    }

    private static Optional<String> maker(String name) {
        return name.isEmpty() ? Optional.empty() : Optional.of(name);
    }

    private static Optional<Expectations.Reckoned> expected(
            Question question, Map<Long, PieceSpec> specs, PieceDesk.Sitting sitting) {
        if (!pieces(question).allMatch(specs::containsKey)) {
            return Optional.empty();
        }
        About about = question.about();
        try {
            return switch (question.subject()) {
                case CORD -> cord(about.strands(), specs, sitting);
                case PITCH ->
                    piece(question, specs, sitting)
                            .flatMap(p ->
                                    Expected.ofLength(p, Objects.requireNonNullElse(about.what(), ""), about.share()))
                            .map(use -> new Expectations.Reckoned(use, 0));
                case TIME ->
                    Optional.ofNullable(about.what())
                            .map(what -> piece(question, specs, sitting)
                                    .flatMap(p -> Expected.ofWork(p, what, about.share())))
                            .orElseGet(() -> Optional.of(Expected.ofSetUp(maker(question.maker()))))
                            .map(use -> new Expectations.Reckoned(use, 0));
            };
        } catch (Rejected | IllegalStateException cannotBeMadeNow) {
            return Optional.empty();
        }
    }

    private static Optional<WorkedPiece> piece(
            Question question, Map<Long, PieceSpec> specs, PieceDesk.Sitting sitting) {
        return Optional.ofNullable(question.piece())
                .map(specs::get)
                .map(spec -> sitting.workOut(spec).piece());
    }

    /** What several strands take together. */
    private static Optional<Expectations.Reckoned> cord(
            List<OfStrand> strands, Map<Long, PieceSpec> specs, PieceDesk.Sitting sitting) {
        List<Use> uses = new ArrayList<>();
        long cut = 0;
        for (OfStrand strand : strands) {
            WorkedPiece piece = sitting.workOut(Objects.requireNonNull(specs.get(strand.piece())))
                    .piece();
            Optional<Use> use = Expected.ofStrand(piece, strand.role(), strand.number());
            if (use.isEmpty()) {
                return Optional.empty();
            }
            uses.add(use.get());
            cut += Expected.cut(piece, strand.role(), strand.number())
                    .orElseThrow()
                    .micrometres();
        }
        return uses.isEmpty() ? Optional.empty() : Optional.of(new Expectations.Reckoned(Use.together(uses), cut));
    }
}
