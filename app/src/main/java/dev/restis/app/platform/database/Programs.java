package dev.restis.app.platform.database;

import java.util.List;
import java.util.Map;

/** Runs the programs of PostgreSQL's package. */
interface Programs {

    /**
     * Runs a program until it ends.
     *
     * @param command the program's name and its arguments
     * @param environment what is set for it beside the environment there is
     * @return what it wrote
     * @throws IllegalStateException with its last words when it fails
     */
    String run(List<String> command, Map<String, String> environment);

    /**
     * Runs a program until it ends, and reads away what it writes.
     *
     * @return how many bytes it wrote
     * @throws IllegalStateException with its last words when it fails
     */
    long size(List<String> command, Map<String, String> environment);
}
