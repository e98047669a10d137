package dev.restis.app.platform;

import dev.restis.core.measure.Fault;
import java.util.List;

/** What services throw when a request cannot be done; each becomes a problem detail for the caller. */
public final class Problems {

    private Problems() {}

    /** Something typed cannot be worked with: HTTP 422 with one entry a field. */
    public static final class Rejected extends RuntimeException {
        private final transient List<Fault> faults;

        public Rejected(List<Fault> faults) {
            super(faults.toString());
            this.faults = List.copyOf(faults);
        }

        public Rejected(Fault fault) {
            this(List.of(fault));
        }

        public List<Fault> faults() {
            return faults;
        }
    }

    /** There is no such thing: HTTP 404. */
    public static final class NotFound extends RuntimeException {
        private final String code;

        public NotFound(String code) {
            super(code);
            this.code = code;
        }

        public String code() {
            return code;
        }
    }

    /** The world has changed since the caller looked: HTTP 409. */
    public static final class Conflict extends RuntimeException {
        private final String code;
        private final transient List<Object> args;

        /** @param args what its words name */
        public Conflict(String code, Object... args) {
            super(code);
            this.code = code;
            this.args = List.of(args);
        }

        public String code() {
            return code;
        }

        public Object[] args() {
            return args.toArray();
        }
    }

    /** Whoever asks is not known: HTTP 401. */
    public static final class Stranger extends RuntimeException {
        private final String code;

        public Stranger(String code) {
            super(code);
            this.code = code;
        }

        public String code() {
            return code;
        }
    }
}
