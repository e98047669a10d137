package dev.restis.app.orders;

import dev.restis.app.orders.Orders.NewLine;
import dev.restis.app.patterns.PieceChoices;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.FaultWords;
import dev.restis.app.platform.FieldProblem;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.core.measure.Fault;
import dev.restis.core.order.People;
import dev.restis.core.order.People.Person;
import dev.restis.core.piece.Check.Verdict;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** One pattern for many people: a list of names and sizes is pasted, and each becomes a line of one order. */
@Service
class GroupEntry {

    /**
     * What is ordered for all.
     *
     * @param choices of the piece; its size is each person's own
     * @param people as pasted
     */
    record GroupRequest(PieceChoices choices, String people, boolean matching) {}

    /**
     * One person.
     *
     * @param row number of the line in what was pasted
     * @param size as written
     * @param verdict of the piece in that size; nothing when it cannot be worked out
     * @param problems why not
     */
    record GroupPerson(
            int row,
            String name,
            String size,
            int count,
            @Nullable Verdict verdict,
            List<FieldProblem> problems) {}

    /**
     * The whole group.
     *
     * @param lines in the words that taking an order takes, of everybody who has no problems
     */
    record GroupView(List<GroupPerson> people, int pieces, List<NewLine> lines) {}

    private static final int LONGEST = 40_000;

    private final PieceDesk desk;
    private final FaultWords words;

    GroupEntry(PieceDesk desk, FaultWords words) {
        this.desk = desk;
        this.words = words;
    }

    @Transactional(readOnly = true)
    public GroupView read(GroupRequest request) {
        if (request.people().length() > LONGEST) {
            throw new Rejected(Fault.of("people", "tooLong", LONGEST));
        }
        PieceDesk.Sitting sitting = desk.sit();
        boolean band = sitting.patterns().stream()
                .anyMatch(p ->
                        p.code().equals(request.choices().pattern()) && p.kind().sizedByWrist());
        List<GroupPerson> people = new ArrayList<>();
        List<NewLine> lines = new ArrayList<>();
        int pieces = 0;
        for (Person person :
                People.read(request.people(), sitting.sizes(), request.choices().units())) {
            PieceChoices own = own(request.choices(), person, band);
            PieceDesk.Understood understood = sitting.understand(own);
            String size = person.size().or(person::measure).orElse("");
            people.add(new GroupPerson(
                    person.row(),
                    person.name(),
                    size,
                    person.count(),
                    understood.spec().map(spec -> sitting.verdict(spec)).orElse(null),
                    words.of(understood.faults())));
            if (understood.spec().isPresent()) {
                lines.add(new NewLine(own, person.count(), request.matching(), person.name()));
                pieces += person.count();
            }
        }
        return new GroupView(people, pieces, lines);
    }

    private static PieceChoices own(PieceChoices all, Person person, boolean band) {
        return new PieceChoices(
                all.pattern(),
                band ? person.size().orElse(null) : null,
                band ? person.measure().orElse(null) : null,
                null,
                all.ease(),
                band ? null : person.measure().orElse(all.length()),
                all.colours(),
                all.parts(),
                all.kit(),
                all.wearer(),
                all.tapered(),
                all.units());
    }
}
