package dev.restis.core.work;

import java.time.Instant;
import java.util.List;

/** Why something cannot be done with a piece now. */
public sealed interface Refusal {

    /** Names the refusal for whoever puts it in words. */
    String code();

    /** What its words name. */
    List<Object> args();

    /** It does not stand where the act could be done, or its house goes another step first. */
    record NotNow(PieceStage stage, PieceAct act) implements Refusal {
        @Override
        public String code() {
            return "piece.notNow";
        }

        @Override
        public List<Object> args() {
            return List.of(stage, act);
        }
    }

    /** It must dry first. */
    record NotDry(Instant until) implements Refusal {
        @Override
        public String code() {
            return "piece.notDry";
        }

        @Override
        public List<Object> args() {
            return List.of(until);
        }
    }

    /** There is no such act to take back: it never was, or was taken back already. */
    record NothingToTakeBack() implements Refusal {
        @Override
        public String code() {
            return "piece.nothingToTakeBack";
        }

        @Override
        public List<Object> args() {
            return List.of();
        }
    }

    /** A later act rests on it. */
    record LaterRests(PieceEvent later) implements Refusal {
        @Override
        public String code() {
            return "piece.laterRests";
        }

        @Override
        public List<Object> args() {
            return List.of(later.act(), later.who(), later.at());
        }
    }

    /** It is taken back in another way: with its strands at the bench, by taking it out of its batch, or not at all. */
    record NotAlone(PieceAct act) implements Refusal {
        @Override
        public String code() {
            return "piece.notAlone";
        }

        @Override
        public List<Object> args() {
            return List.of(act);
        }
    }
}
