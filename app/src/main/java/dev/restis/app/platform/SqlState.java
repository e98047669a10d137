package dev.restis.app.platform;

import jakarta.persistence.OptimisticLockException;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.Optional;
import org.hibernate.StaleStateException;
import org.postgresql.util.PSQLException;
import org.springframework.dao.OptimisticLockingFailureException;

/** Why the database refused something, by its five letters, whichever layer brings the news. */
final class SqlState {

    static final String UNIQUE = "23505";
    static final String FOREIGN_KEY = "23503";
    static final String CHECK = "23514";
    /** What does not fit its column: too long, too large, or with letters that are none. */
    static final String DATA = "22";

    private static final String ROLLED_BACK = "40";
    private static final String NOT_AVAILABLE = "55P03";
    private static final int DEEPEST = 20;

    private SqlState() {}

    static Optional<String> of(Throwable failure) {
        Throwable cause = failure;
        for (int depth = 0; cause != null && depth < DEEPEST; depth++) {
            if (cause instanceof SQLException sql && sql.getSQLState() != null) {
                return Optional.of(sql.getSQLState());
            }
            cause = cause.getCause();
        }
        return Optional.empty();
    }

    /** Whether a rule in a trigger said no, rather than a constraint of a table. */
    static boolean raisedByTrigger(Throwable failure) {
        Throwable cause = failure;
        for (int depth = 0; cause != null && depth < DEEPEST; depth++) {
            if (cause instanceof PSQLException refused && refused.getServerErrorMessage() != null) {
                return refused.getServerErrorMessage().getConstraint() == null;
            }
            cause = cause.getCause();
        }
        return false;
    }

    /** Whether all connections were in use for so long that waiting was given up. */
    static boolean nobodyFree(Throwable failure) {
        Throwable cause = failure;
        for (int depth = 0; cause != null && depth < DEEPEST; depth++) {
            if (cause instanceof SQLTransientConnectionException) {
                return true;
            }
            cause = cause.getCause();
        }
        return false;
    }

    /** Whether two did something at once, so that doing it again may well succeed. */
    static boolean collided(Throwable failure) {
        if (of(failure)
                .filter(s -> s.startsWith(ROLLED_BACK) || s.equals(NOT_AVAILABLE))
                .isPresent()) {
            return true;
        }
        Throwable cause = failure;
        for (int depth = 0; cause != null && depth < DEEPEST; depth++) {
            if (cause instanceof OptimisticLockException
                    || cause instanceof StaleStateException
                    || cause instanceof OptimisticLockingFailureException
                    || cause instanceof LockOrder.Overtaken) {
                return true;
            }
            cause = cause.getCause();
        }
        return false;
    }
}
