package dev.restis.core.piece;

import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.pattern.Pattern;
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
    static final Length MOST_FINISHED = Length.ofMillimetres(400);

    private final PieceRequest request;
    private final List<Fault> faults = new ArrayList<>();

    private RequestChecker(PieceRequest request) {
        this.request = request;
    }

    static List<Fault> check(PieceRequest request) {
        RequestChecker checker = new RequestChecker(request);
        checker.checkSize();
        checker.checkParts();
        return List.copyOf(checker.faults);
    }

    private void checkSize() {
        boolean bracelet = request.pattern().kind() == Pattern.Kind.BRACELET;
        if (request.size() instanceof Size.Wrist band) {
            if (!bracelet) {
                faults.add(Fault.of("length", "length.missing"));
            } else {
                range("wrist", band.wrist(), LEAST_WRIST, MOST_WRIST);
                // An assumed hand follows from the wrist; blaming it would send the reader to a field left empty.
                if (!band.handAssumed()) {
                    checkHand(band);
                }
            }
        } else if (request.size() instanceof Size.Finished finished) {
            if (bracelet) {
                faults.add(Fault.of("wrist", "wrist.missing"));
            } else {
                range("length", finished.length(), LEAST_FINISHED, MOST_FINISHED);
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
        int slots = pattern.slots().size();
        if (request.cords().size() != slots) {
            faults.add(
                    Fault.of("colours", "colours.count", slots, request.cords().size()));
        }
        int most = pattern.body().mostBeads();
        int count = request.beads().map(PieceRequest.Beads::count).orElse(0);
        if (count < 0 || count > most) {
            faults.add(Fault.of("beadCount", most == 0 ? "beads.none" : "beads.range", most, count));
        }
        if (pattern.hangsOnRing() && request.ring().isEmpty()) {
            faults.add(Fault.of("ring", "ring.missing"));
        }
    }

    private void range(String field, Length value, Length least, Length most) {
        if (value.isLessThan(least) || most.isLessThan(value)) {
            faults.add(Fault.of(field, field + ".range", value, least, most));
        }
    }
}
