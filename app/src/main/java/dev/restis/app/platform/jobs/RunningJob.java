package dev.restis.app.platform.jobs;

/** A job while it is worked on. What it says of its progress reaches the database a moment later, from beside its work. */
public final class RunningJob {

    private final long id;
    private final Job.Order order;
    private volatile int done;
    private volatile int whole;
    private volatile boolean wanted = true;
    private volatile boolean told = true;

    RunningJob(long id, Job.Order order) {
        this.id = id;
        this.order = order;
    }

    public long id() {
        return id;
    }

    String kind() {
        return order.kind();
    }

    public String subject() {
        return order.subject();
    }

    /** Of the subject, when it was asked for. */
    public int revision() {
        return order.revision();
    }

    /** What was asked, as JSON. */
    public String input() {
        return order.input();
    }

    public byte[] payload() {
        return order.payload();
    }

    String askedBy() {
        return order.askedBy();
    }

    /** Whether anybody still wants it; whoever finds out that not, ends soon, with the best it has or with {@link Stopped}. */
    public boolean wanted() {
        return wanted;
    }

    void giveUp() {
        wanted = false;
    }

    /**
     * Says how far it is.
     *
     * @throws Stopped when nobody wants it any more
     */
    public void progress(int now, int all) {
        done = now;
        whole = all;
        told = false;
        if (!wanted) {
            throw new Stopped();
        }
    }

    int done() {
        return done;
    }

    int whole() {
        return whole;
    }

    /** Whether there is progress that the database does not know yet; it will now. */
    boolean hasNews() {
        boolean news = !told;
        told = true;
        return news;
    }

    /** Nobody wants it any more. */
    public static final class Stopped extends RuntimeException {}
}
