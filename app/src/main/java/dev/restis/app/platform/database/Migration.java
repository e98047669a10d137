package dev.restis.app.platform.database;

import dev.restis.app.platform.CannotStart;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.Optional;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationInfoService;
import org.flywaydb.core.api.MigrationState;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.stereotype.Component;

/**
 * Brings the schema up to date before anything is read. One instance does it and the others wait; what is there already is
 * backed up first, and a schema that is newer than this Restis is left alone.
 */
@Component
public class Migration implements FlywayMigrationStrategy {

    private static final Logger LOG = LoggerFactory.getLogger(Migration.class);

    private final Optional<Database> database;
    private final Backup backup;
    private final Path folder;

    Migration(ObjectProvider<Database> database, Backup backup, @Value("${restis.home:.restis}") Path home) {
        this.database = Optional.ofNullable(database.getIfAvailable());
        this.backup = backup;
        this.folder = backups(home);
    }

    /** Where the backups of a workshop lie. */
    public static Path backups(Path home) {
        return home.resolve("backups");
    }

    @Override
    public void migrate(Flyway flyway) {
        DataSource source = flyway.getConfiguration().getDataSource();
        try (Connection turn = source.getConnection();
                Statement lock = turn.createStatement()) {
            // Held by the session, so that it goes with the process if that is killed.
            lock.execute("select pg_advisory_lock(hashtext('restis-migration'))");
            try {
                inTurn(flyway);
            } finally {
                lock.execute("select pg_advisory_unlock(hashtext('restis-migration'))");
            }
        } catch (SQLException e) {
            throw new CannotStart("The database does not answer: " + e.getMessage(), e);
        }
    }

    private void inTurn(Flyway flyway) {
        MigrationInfoService info = flyway.info();
        refuseNewer(info);
        if (info.pending().length == 0) {
            return;
        }
        if (info.applied().length > 0) {
            database.ifPresent(this::backUp);
        }
        flyway.migrate();
    }

    private static void refuseNewer(MigrationInfoService info) {
        Arrays.stream(info.all())
                .filter(m -> m.getState() == MigrationState.FUTURE_SUCCESS)
                .map(MigrationInfo::getVersion)
                .findFirst()
                .ifPresent(version -> {
                    throw new CannotStart("The database is of a newer Restis (its schema is version " + version
                            + "). Start that one, or restore a backup that was made before the update.");
                });
    }

    private void backUp(Database from) {
        LOG.info("Making a backup before the update");
        try {
            LOG.info("The backup is {}", backup.makeIn(folder, "before-update", from));
        } catch (IllegalStateException e) {
            throw new CannotStart("The update needs a backup first, and that could not be made. " + e.getMessage(), e);
        }
    }
}
