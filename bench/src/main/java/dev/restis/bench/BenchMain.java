package dev.restis.bench;

import java.io.PrintStream;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;
import org.openjdk.jmh.util.Statistics;

/**
 * Runs every measurement and prints one table; with {@code cuts} the cut plans alone, with {@code learning} the played workshops,
 * with {@code plan} the plans.
 */
public final class BenchMain {

    private BenchMain() {}

    public static void main(String[] args) throws RunnerException {
        PrintStream out = System.out;
        out.printf(
                Locale.ROOT,
                "Restis bench: %d cores, Java %s. Each figure is from this one run; searches of plans use two threads, all else one.%n%n",
                Runtime.getRuntime().availableProcessors(),
                System.getProperty("java.version"));
        if (List.of(args).contains("cuts")) {
            CutClasses.print(out);
            return;
        }
        if (List.of(args).contains("learning")) {
            LearningBench.print(out, args.length > 1 ? Long.parseLong(args[1]) : 1);
            return;
        }
        if (List.of(args).contains("plan")) {
            PlanBench.print(out, args.length > 1 ? Long.parseLong(args[1]) : 1);
            return;
        }
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(PieceBench.class.getSimpleName())
                        .include(CutBench.class.getSimpleName())
                        .verbosity(VerboseMode.SILENT)
                        .shouldFailOnError(true)
                        .build())
                .run();
        out.printf("%-28s %-14s %16s %12s %12s%n", "what", "case", "a second", "median ms", "p95 ms");
        for (RunResult result : results) {
            Statistics figures = result.getPrimaryResult().getStatistics();
            String name = result.getPrimaryResult().getLabel();
            String of = result.getParams()
                    .getParam(result.getParams().getParamsKeys().iterator().next());
            if (result.getParams().getMode() == Mode.Throughput) {
                out.printf(Locale.ROOT, "%-28s %-14s %16.0f%n", name, of, figures.getMean() * 1000);
            } else {
                out.printf(
                        Locale.ROOT,
                        "%-28s %-14s %16s %12.4f %12.4f%n",
                        name,
                        of,
                        "",
                        figures.getPercentile(50),
                        figures.getPercentile(95));
            }
        }
        out.println();
        out.println("workOut: fit, strands, checks. workOutAndDraw: with the full picture.");
        out.println("firstFitDecreasing: a cut list of so many strands, planned on spools and remnants.");
        CutClasses.print(out);
        LearningBench.print(out, 1);
    }
}
