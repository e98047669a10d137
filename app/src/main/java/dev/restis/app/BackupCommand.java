package dev.restis.app;

import dev.restis.app.platform.database.Backup;
import dev.restis.app.platform.database.Migration;
import java.nio.file.Path;
import java.time.Clock;

/** Makes a backup of a workshop, running or not. */
public final class BackupCommand {

    private BackupCommand() {}

    /** Usage: the folder that the workshop's data lies in, then the file to write; without one it goes to the workshop's own. */
    public static void main(String[] args) {
        int code = DatabaseCommand.run(args[0], database -> {
            Backup backup = new Backup(Clock.systemUTC());
            Path made = args.length > 1
                    ? backup.make(Path.of(args[1]), database)
                    : backup.makeIn(Migration.backups(Path.of(args[0])), "restis", database);
            System.out.println("The backup is " + made + "; it was read back to its end.");
            return 0;
        });
        System.exit(code);
    }
}
