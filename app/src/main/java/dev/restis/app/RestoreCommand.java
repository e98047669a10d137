package dev.restis.app;

import dev.restis.app.platform.database.Backup;
import dev.restis.app.platform.database.LocalPostgres;
import java.nio.file.Path;
import java.time.Clock;

/** Fills an empty workshop from a backup. */
public final class RestoreCommand {

    private RestoreCommand() {}

    /** Usage: the folder that the workshop's data is to lie in, then the backup. */
    public static void main(String[] args) {
        Path home = Path.of(args[0]);
        boolean begunHere = !LocalPostgres.isIn(home);
        int code = DatabaseCommand.run(args[0], database -> {
            new Backup(Clock.systemUTC()).restore(Path.of(args[1]), database, home);
            System.out.println("Restored. What an older Restis wrote is brought up to date at the next start.");
            return 0;
        });
        if (code != 0 && begunHere) {
            // What could not be restored leaves no half-made home behind.
            LocalPostgres.forget(home);
        }
        System.exit(code);
    }
}
