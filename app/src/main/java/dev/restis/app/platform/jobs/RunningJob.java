package dev.restis.app.platform.jobs;

import java.util.List;
import java.util.function.Consumer;

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

    public String askedBy() {
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

    /** Things by their ids, in order. */
    public interface Pages {
        List<Long> after(long last, int most);
    }

    /**
     * Works through things page by page, and says after each how far it is.
     *
     * @return how many there were
     * @throws Stopped when nobody wants it any more
     */
    public int throughPages(int size, Pages pages, Consumer<List<Long>> work) {
        long last = 0;
        int sum = 0;
        List<Long> page;
        do {
            page = pages.after(last, size);
            work.accept(page);
            sum += page.size();
            boolean more = page.size() == size;
            progress(sum, sum + (more ? size : 0));
            last = page.isEmpty() ? last : page.get(page.size() - 1);
        } while (page.size() == size);
        return sum;
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
