package dev.restis.core.piece;

import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.HardwareSlot;
import dev.restis.core.pattern.Pattern;
import dev.restis.core.pattern.PatternRules;
import dev.restis.core.piece.PieceRequest.Size;
import java.util.ArrayList;
import java.util.List;

/** Finds everything in a request that cannot be worked with. */
final class RequestChecker {

    static final Length LEAST_WRIST = Length.ofMillimetres(80);
    static final Length MOST_WRIST = Length.ofMillimetres(300);
    static final Length LEAST_HAND = Length.ofMillimetres(90);
    static final Length MOST_HAND = Length.ofMillimetres(380);
    static final Length LEAST_FINISHED = Length.ofMillimetres(40);
    static final Length MOST_FOB = Length.ofMillimetres(400);
    static final Length MOST_LANYARD = Length.ofMillimetres(1500);

    private final PieceRequest request;
    private final List<Fault> faults = new ArrayList<>();

    private RequestChecker(PieceRequest request) {
        this.request = request;
    }

    static List<Fault> check(PieceRequest request) {
        RequestChecker checker = new RequestChecker(request);
        checker.faults.addAll(PatternRules.check(request.pattern()));
        checker.checkSize();
        checker.checkParts();
        return List.copyOf(checker.faults);
    }

    private void checkSize() {
        boolean band = request.pattern().kind().sizedByWrist();
        if (request.size() instanceof Size.Wrist wrist) {
            if (!band) {
                faults.add(Fault.of("length", "length.missing"));
            } else {
                range("wrist", wrist.wrist(), LEAST_WRIST, MOST_WRIST);
                // An assumed hand follows from the wrist; blaming it would send the reader to a field left empty.
                if (!wrist.handAssumed()) {
                    checkHand(wrist);
                }
            }
        } else if (request.size() instanceof Size.Finished finished) {
            if (band) {
                faults.add(Fault.of("wrist", "wrist.missing"));
            } else {
                boolean fob = request.pattern().kind() == Pattern.Kind.FOB;
                range("length", finished.length(), LEAST_FINISHED, fob ? MOST_FOB : MOST_LANYARD);
            }
        }
    }

    private void checkHand(Size.Wrist band) {
        range("hand", band.hand(), LEAST_HAND, MOST_HAND);
        if (band.hand().isLessThan(band.wrist())) {
            faults.add(Fault.of("hand", "hand.smaller", band.hand(), band.wrist()));
        }
    }

    private void checkParts() {
        Pattern pattern = request.pattern();
        int slots = pattern.cords().size();
        if (request.cords().size() != slots) {
            faults.add(
                    Fault.of("colours", "colours.count", slots, request.cords().size()));
        }
        request.parts().forEach((code, part) -> {
            HardwareSlot slot = pattern.hardware(code).orElse(null);
            if (slot == null) {
                faults.add(Fault.of("parts[" + code + "]", "part.unknown", code, known(pattern)));
            } else if (slot.kind() != part.hardware().kind()) {
                faults.add(Fault.of(
                        "parts[" + code + "]",
                        "part.kind",
                        slot.kind(),
                        part.hardware().kind()));
            } else if (part.count() < 0 || part.count() > slot.chosenCount()) {
                if (part.count() != 0) {
                    faults.add(Fault.of("parts[" + code + "].count", "beads.range", slot.chosenCount(), part.count()));
                }
            }
        });
    }

    private static String known(Pattern pattern) {
        return String.join(
                ", ", pattern.hardware().stream().map(HardwareSlot::code).toList());
    }

    private void range(String field, Length value, Length least, Length most) {
        if (value.isLessThan(least) || most.isLessThan(value)) {
            faults.add(Fault.of(field, field + ".range", value, least, most));
        }
    }
}
