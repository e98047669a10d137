package dev.restis.app.platform.jobs;

/** Where a job stands. */
public enum JobState {
    WAITING,
    RUNNING,
    DONE,
    FAILED,
    STOPPED;

    boolean inWork() {
        return this == WAITING || this == RUNNING;
    }
}
