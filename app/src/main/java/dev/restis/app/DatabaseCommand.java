package dev.restis.app;

import dev.restis.app.platform.database.Database;
import dev.restis.app.platform.database.LocalPostgres;
import dev.restis.app.platform.database.LocalPostgres.Durability;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.ToIntFunction;

/** A command that works on a workshop's database, whether Restis runs or not. */
final class DatabaseCommand {

    private DatabaseCommand() {}

    /** Answers what the work answers, or 1 with the reason said when it cannot be done. */
    static int run(String home, ToIntFunction<Database> work) {
        try {
            Optional<Database> named = Database.named(System.getenv());
            if (named.isPresent()) {
                return work.applyAsInt(named.get());
            }
            try (LocalPostgres server = LocalPostgres.start(Path.of(home), Durability.SAFE)) {
                return work.applyAsInt(server.database());
            }
        } catch (IllegalStateException | IllegalArgumentException e) {
            System.err.println(e.getMessage());
            return 1;
        }
    }
}
