package dev.restis.core.work;

/**
 * Which stages a house goes through one by one. What it does not ask for is not offered, and passed by the act that follows.
 *
 * @param checks whether a piece is inspected before it is packed or sent
 * @param packs whether it is packed before it is sent
 */
public record WorkSteps(boolean checks, boolean packs) {

    /** As a house begins: made, then sent. */
    public static final WorkSteps SHORTEST = new WorkSteps(false, false);

    /** Whether the house knows the act, and a piece may skip what lies between {@code from} and it. */
    boolean allow(PieceStage from, PieceAct act) {
        return switch (act) {
            case CHECK -> checks;
            case PACK -> packs && (from == PieceStage.CHECKED || !checks);
            case SEND -> from == PieceStage.PACKED || !packs && (from == PieceStage.CHECKED || !checks);
            default -> true;
        };
    }
}
