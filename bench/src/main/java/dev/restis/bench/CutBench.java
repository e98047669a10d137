package dev.restis.bench;

import dev.restis.core.cutting.CutPlan;
import dev.restis.core.cutting.CutPlanner;
import dev.restis.core.cutting.CutRequest;
import dev.restis.core.cutting.Demand;
import dev.restis.core.cutting.FirstFitDecreasing;
import dev.restis.core.cutting.Holding;
import dev.restis.core.measure.Length;
import dev.restis.core.piece.PieceRequest;
import dev.restis.core.piece.PieceWorker;
import dev.restis.core.piece.WorkedPiece;
import dev.restis.core.piece.WorkedStrand;
import java.util.ArrayList;
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

/** Planning a cut list: the strands of real pieces over twelve articles on spools and remnants. */
@State(Scope.Thread)
@Fork(1)
@Threads(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 3, time = 2)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class CutBench {

    private static final int ARTICLES = 12;

    @Param({"250", "1000", "4000"})
    public int strands = 1000;

    private final CutPlanner planner = new FirstFitDecreasing();
    private CutRequest request = new CutRequest(List.of(), List.of());

    @Setup
    public void prepare() {
        Random random = new Random(2);
        List<Demand> demands = new ArrayList<>();
        int piece = 0;
        for (PieceRequest wanted : Requests.many(strands)) {
            WorkedPiece worked = PieceWorker.workOut(wanted).fold(p -> p, faults -> {
                throw new IllegalStateException("Impossible state: the bench asks for " + faults);
            });
            piece++;
            int first = random.nextInt(ARTICLES);
            for (WorkedStrand strand : worked.strands()) {
                if (demands.size() < strands) {
                    demands.add(new Demand(
                            demands.size() + 1L, piece, (first + strand.slot()) % ARTICLES, strand.cutLength()));
                }
            }
        }
        List<Holding> holdings = new ArrayList<>();
        for (int i = 0; i < strands / 10 + ARTICLES; i++) {
            boolean remnant = i % 3 == 0;
            Length length = Length.ofMillimetres(remnant ? 400L + random.nextInt(4000) : 100_000L);
            holdings.add(new Holding(i + 1L, i % ARTICLES, i + 1L, length, List.of(), Length.ofMillimetres(300)));
        }
        request = new CutRequest(demands, holdings);
    }

    @Benchmark
    public CutPlan firstFitDecreasing() {
        return planner.plan(request);
    }
}
