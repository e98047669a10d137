package dev.restis.app.stock;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is promised of articles, as it was read once.
 *
 * @param rows by article, order and batch
 */
public record Reserved(List<Row> rows) {

    public Reserved {
        rows = List.copyOf(rows);
    }

    /**
     * What pieces of one order need that are not cut yet.
     *
     * @param batch the batch that has taken them; nothing for those that none has
     * @param quantity micrometres of cord, or pieces of hardware
     */
    public record Row(long article, long order, @Nullable Long batch, long quantity) {}

    /** What is promised of an article, but for what is promised to one order. */
    public long of(long article, @Nullable Long besides) {
        long sum = 0;
        for (Row row : rows) {
            if (row.article() == article && (besides == null || row.order() != besides)) {
                sum += row.quantity();
            }
        }
        return sum;
    }
}
