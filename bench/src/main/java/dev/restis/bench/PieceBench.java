package dev.restis.bench;

import dev.restis.core.pattern.PatternBook;
import dev.restis.core.picture.Picture;
import dev.restis.core.picture.PictureDrawer;
import dev.restis.core.picture.PictureDrawer.Detail;
import dev.restis.core.piece.PieceRequest;
import dev.restis.core.piece.PieceWorker;
import dev.restis.core.piece.WorkOut;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Threads;
import org.openjdk.jmh.annotations.Warmup;

/** Working pieces out, with and without their picture, on one thread. */
@State(Scope.Thread)
@Fork(1)
@Threads(1)
// Compiling what draws takes some five seconds here; before that the figures are those of half compiled code.
@Warmup(iterations = 8, time = 1)
@Measurement(iterations = 3, time = 2)
@BenchmarkMode({Mode.Throughput, Mode.SampleTime})
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class PieceBench {

    @Param({"square-bar", "spiral-fob", "falls-tab", "alternating", "bead-and-knot"})
    public String pattern = "square-bar";

    private List<PieceRequest> requests = List.of();
    private int next;

    @Setup
    public void prepare() {
        Random random = new Random(1);
        requests = random.ints(512)
                .mapToObj(i -> Requests.of(PatternBook.byCode(pattern).orElseThrow(), random))
                .toList();
    }

    private PieceRequest request() {
        next = (next + 1) % requests.size();
        return requests.get(next);
    }

    @Benchmark
    public WorkOut workOut() {
        return PieceWorker.workOut(request());
    }

    @Benchmark
    public Picture workOutAndDraw() {
        return PieceWorker.workOut(request()).fold(piece -> PictureDrawer.draw(piece, Detail.FULL), faults -> {
            throw new IllegalStateException("Impossible state: the bench asks for " + faults);
        });
    }
}
