package dev.restis.app.platform.jobs;

/**
 * One kind of long work. It is done outside of any transaction, on a snapshot that it takes itself, and lays down what came of it
 * in a short transaction, if what it rests on is unchanged. An instance that is killed over it leaves it to another, which begins
 * it again: so it must do no harm to do it twice.
 */
public interface Work {

    /** What jobs of this kind are called, for good: the name stands in the database. */
    String kind();

    /**
     * Does it.
     *
     * @return what came of it, as JSON; {@code {}} when there is nothing to tell
     */
    String work(RunningJob job);
}
