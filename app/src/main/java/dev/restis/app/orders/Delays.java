package dev.restis.app.orders;

import dev.restis.app.orders.Promises.Work;
import dev.restis.app.patterns.PieceDesk;
import dev.restis.app.platform.Problems.NotFound;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What more work on a piece does to the day on which its order can be ready. */
@Service
public class Delays {

    private final PieceStore store;
    private final PieceDesk desk;
    private final Promises promises;

    Delays(PieceStore store, PieceDesk desk, Promises promises) {
        this.store = store;
        this.desk = desk;
        this.promises = promises;
    }

    /**
     * The days on which the order of a piece is ready in its turn: as it is, and then with each of these on top.
     *
     * @return one day more than was asked for; nothing for never
     */
    @Transactional(readOnly = true)
    public List<@Nullable LocalDate> with(long piece, List<Duration> more) {
        Piece found = store.findById(piece).orElseThrow(() -> new NotFound("notFound"));
        Work work = promises.work(found.line().order(), desk.sit());
        return Stream.concat(Stream.of(Duration.ZERO), more.stream())
                .map(m -> promises.byMinutes(
                                new Work(work.order(), work.making().plus(m), work.drying(), work.due(), List.of()))
                        .inTurn())
                .toList();
    }
}
