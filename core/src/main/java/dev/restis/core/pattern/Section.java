package dev.restis.core.pattern;

import dev.restis.core.measure.Length;
import dev.restis.core.stitch.Seat;
import dev.restis.core.stitch.Stitch;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * A part of a piece, in the order it is made. A strand takes part in those sections that name its legs' seats. A new
 * kind must be handled wherever sections are worked out.
 */
public sealed interface Section {

    <T> T accept(Visitor<T> visitor);

    /** How a strand sits on a bar. */
    enum Hitch {
        LARKS_HEAD,
        FOLD,
        /** The end of a straight strand once around it, and a barrel around the strand itself. */
        NOOSE_KNOT;

        /** Of the barrel of a noose knot. */
        public static final int WRAPS = 2;
    }

    /**
     * Strands mounted on a part, or on other strands.
     *
     * @param hardware slot of the part; none where they are mounted on strands
     * @param on whose strands they are mounted on; empty where it is a part
     * @param hitch how
     * @param seats whose strands
     * @param within whether the part's length belongs to the measured length, as a buckle's does and a key ring's not
     */
    record Mount(Optional<String> hardware, List<Seat> on, Hitch hitch, List<Seat> seats, boolean within)
            implements Section {
        public Mount {
            on = List.copyOf(on);
            seats = List.copyOf(seats);
        }

        /** On a part. */
        public Mount(String hardware, Hitch hitch, List<Seat> seats, boolean within) {
            this(Optional.of(hardware), List.of(), hitch, seats, within);
        }

        /** On strands. */
        public static Mount onStrands(List<Seat> on, Hitch hitch, List<Seat> seats) {
            return new Mount(Optional.empty(), on, hitch, seats, false);
        }

        public boolean isOn(String slot) {
            return hardware.filter(slot::equals).isPresent();
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.mount(this);
        }
    }

    /** An eye left in the folded strands at the start, sized for the piece's stopper. */
    record Eye(List<Seat> seats) implements Section {
        public Eye {
            seats = List.copyOf(seats);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.eye(this);
        }
    }

    /** How long a body is. */
    sealed interface Extent {
        /** Takes an equal share of what the other sections leave. */
        record Rest() implements Extent {}

        /** A stated number of repeats. */
        record Repeats(int count) implements Extent {}
    }

    /**
     * Beads in a body, symmetrical about its centre.
     *
     * @param hardware slot of the bead
     * @param seats which legs go through them; the others pass outside
     * @param every one after each so many repeats; 0 to spread the chosen number evenly
     */
    record Motif(String hardware, List<Seat> seats, int every) {
        public Motif {
            seats = List.copyOf(seats);
        }
    }

    /**
     * A stitched part.
     *
     * @param stitch what repeats
     * @param extent how long it is
     * @param motif beads in it, if any
     * @param seats which legs take the places of each seat of the stitch, in their order, where not the seat of the same name
     * @param within whether it lies along the measured length, as a tab does not
     */
    record Body(Stitch stitch, Extent extent, Optional<Motif> motif, Map<Seat, List<Seat>> seats, boolean within)
            implements Section {
        private static final List<Seat> PLACES = List.of(Seat.CORE, Seat.WORKING, Seat.FALL, Seat.EDGE);
        /** Every place is taken by the seat of its name, unless it is said otherwise; asked for often. */
        private static final Map<Seat, List<Seat>> OWN = Arrays.stream(Seat.values())
                .collect(Collectors.toMap(seat -> seat, List::of, (a, b) -> a, () -> new EnumMap<>(Seat.class)));

        public Body {
            seats = seats.entrySet().stream()
                    .collect(Collectors.toUnmodifiableMap(Map.Entry::getKey, e -> List.copyOf(e.getValue())));
        }

        public static Body of(Stitch stitch) {
            return new Body(stitch, new Extent.Rest(), Optional.empty(), Map.of(), true);
        }

        public Body with(Motif beads) {
            return new Body(stitch, extent, Optional.of(beads), seats, within);
        }

        public Body repeats(int count) {
            return new Body(stitch, new Extent.Repeats(count), motif, seats, within);
        }

        /** Legs of other seats in the place of {@code place}. */
        public Body on(Seat place, Seat... legs) {
            Map<Seat, List<Seat>> other = new EnumMap<>(Seat.class);
            other.putAll(seats);
            other.put(place, List.of(legs));
            return new Body(stitch, extent, motif, other, within);
        }

        public Body beside() {
            return new Body(stitch, extent, motif, seats, false);
        }

        /** The seats of the legs that take {@code place} in the stitch. */
        public List<Seat> legsOf(Seat place) {
            List<Seat> others = seats.isEmpty() ? null : seats.get(place);
            return others == null ? OWN.getOrDefault(place, List.of()) : others;
        }

        /** The place in the stitch that legs of {@code seat} take, if any. */
        public Optional<Seat> placeOf(Seat seat) {
            for (Seat place : PLACES) {
                if (legsOf(place).contains(seat)) {
                    return Optional.of(place);
                }
            }
            return Optional.empty();
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.body(this);
        }
    }

    /**
     * A single knot. In a simple stop each end goes half around both middles and through a loop; a half hitch is each strand once
     * around what it lies beside, and over itself.
     */
    enum KnotKind {
        OVERHAND,
        BARREL,
        CONNECTING,
        SNAKE,
        HALF_HITCH,
        SIMPLE_STOP,
        BUTTON,
        REEF
    }

    /**
     * A single knot in all strands of the seats together, except the barrel, which each strand ties around itself.
     *
     * @param wraps of a barrel; else 1
     * @param tiedBy those of the seats that tie it around the others, which only run through; empty where all tie
     * @param within whether its height lies along the measured length
     */
    record Knot(KnotKind kind, int wraps, List<Seat> seats, List<Seat> tiedBy, boolean within) implements Section {
        public Knot {
            seats = List.copyOf(seats);
            tiedBy = List.copyOf(tiedBy);
        }

        /** Tied by all strands of the seats. */
        public Knot(KnotKind kind, int wraps, List<Seat> seats, boolean within) {
            this(kind, wraps, seats, List.of(), within);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.knot(this);
        }
    }

    /**
     * Parts threaded in line.
     *
     * @param hardware slot of the part
     * @param count how many; 0 for the number chosen; -1 for as many as go around
     * @param seats which legs go through
     */
    record Threaded(String hardware, int count, List<Seat> seats) implements Section {
        public static final int CHOSEN = 0;
        public static final int ALL_AROUND = -1;

        public Threaded {
            seats = List.copyOf(seats);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.threaded(this);
        }
    }

    /**
     * A slider of half knots over the overlapped tails of both ends.
     *
     * @param halfKnots how many
     * @param tails seats whose legs run on as tails; a knot stops each pair of tails
     */
    record Slider(int halfKnots, List<Seat> tails) implements Section {
        public Slider {
            tails = List.copyOf(tails);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.slider(this);
        }
    }

    /** A gripping bead over the overlapped tails of both ends, a knot in each tail. */
    record SlideBead(String hardware, List<Seat> tails) implements Section {
        public SlideBead {
            tails = List.copyOf(tails);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.slideBead(this);
        }
    }

    /** Each end tied as a sliding knot around the other. */
    record SlidingKnots(int wraps, List<Seat> tails) implements Section {
        public SlidingKnots {
            tails = List.copyOf(tails);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.slidingKnots(this);
        }
    }

    /**
     * The tails run through an eye at the start, which grips them; a knot stops them. The eye is a bight, closed by a barrel that
     * the second leg of its strand ties around the first, so that the fold lies off the middle.
     */
    record Noose(KnotKind stop, List<Seat> tails) implements Section {

        /** Of the barrel that closes the eye. */
        public static final int WRAPS = 2;

        public Noose {
            tails = List.copyOf(tails);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.noose(this);
        }
    }

    /** What an eye closes over. */
    sealed interface StopperKind {
        /** A knot of the strands' own. */
        record Knotted(KnotKind knot) implements StopperKind {}

        /** A bead or button. */
        record Part(String hardware) implements StopperKind {}
    }

    /** The stopper at the end, over which the eye or the buttonhole goes. */
    record Stopper(StopperKind kind, List<Seat> seats) implements Section {
        public Stopper {
            seats = List.copyOf(seats);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.stopper(this);
        }
    }

    /**
     * Two sides of hitches, sized for the piece's stopper: on each those who tie hitch over all others of that side.
     *
     * @param seats all strands of the piece, half of which run on either side
     * @param tiedBy those of them that hitch: the outermost
     */
    record Buttonhole(Stitch hitch, List<Seat> seats, List<Seat> tiedBy) implements Section {
        public Buttonhole {
            seats = List.copyOf(seats);
            tiedBy = List.copyOf(tiedBy);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.buttonhole(this);
        }
    }

    /**
     * Ends drawn back under the body.
     *
     * @param hardware the part around whose bar they are brought before; none where they end beside it
     * @param tuck how far each end runs back
     */
    record TuckBack(Optional<String> hardware, List<Seat> seats, Length tuck) implements Section {
        public TuckBack {
            seats = List.copyOf(seats);
        }

        /** Around a bar. */
        public static TuckBack around(String hardware, List<Seat> seats, Length tuck) {
            return new TuckBack(Optional.of(hardware), seats, tuck);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.tuckBack(this);
        }
    }

    /** A wrap around all strands of the seats, drawn through its own loop. */
    record Wrapped(int turns, List<Seat> seats) implements Section {
        public Wrapped {
            seats = List.copyOf(seats);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.wrapped(this);
        }
    }

    /** Ends left to hang. */
    record Fringe(Length length, List<Seat> seats) implements Section {
        public Fringe {
            seats = List.copyOf(seats);
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.fringe(this);
        }
    }

    /**
     * Beads at the ends, each stopped by a knot behind it; where there are any, tails need no stop of their own.
     *
     * @param seats whose strands end in them
     * @param together whether all ends of a side go through one bead, or each through its own
     * @param wraps of the knot: 1 is an overhand of all that goes through, more a barrel
     * @param tiedBy those of the seats that tie the barrel around the others; empty where each does
     */
    record EndBeads(String hardware, List<Seat> seats, boolean together, int wraps, List<Seat> tiedBy)
            implements Section {
        public EndBeads {
            seats = List.copyOf(seats);
            tiedBy = List.copyOf(tiedBy);
        }

        /** A bead and an overhand on every end. */
        public static EndBeads each(String hardware, List<Seat> seats) {
            return new EndBeads(hardware, seats, false, 1, List.of());
        }

        /** One bead on all ends of either side, and an overhand of all of them. */
        public static EndBeads perSide(String hardware, List<Seat> seats) {
            return new EndBeads(hardware, seats, true, 1, List.of());
        }

        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.endBeads(this);
        }
    }

    /**
     * A part that is fastened on without cord of the piece, or set in line.
     *
     * @param within whether its length lies along the measured length
     */
    record Attached(String hardware, boolean within) implements Section {
        @Override
        public <T> T accept(Visitor<T> visitor) {
            return visitor.attached(this);
        }
    }

    /** Answers for each kind of section. */
    interface Visitor<T> {
        T mount(Mount section);

        T eye(Eye section);

        T body(Body section);

        T knot(Knot section);

        T threaded(Threaded section);

        T slider(Slider section);

        T slideBead(SlideBead section);

        T slidingKnots(SlidingKnots section);

        T noose(Noose section);

        T stopper(Stopper section);

        T buttonhole(Buttonhole section);

        T tuckBack(TuckBack section);

        T wrapped(Wrapped section);

        T fringe(Fringe section);

        T endBeads(EndBeads section);

        T attached(Attached section);
    }
}
