package dev.restis.core.tight;

/** Limited-memory BFGS with steps too short for one strand to pass through another. */
final class Descent {

    private static final int MEMORY = 20;
    private static final double SUFFICIENT = 1e-4;
    private static final int MOST_HALVINGS = 12;

    private final Tension tension;
    private final double longestStep;
    private final double[][] s = new double[MEMORY][];
    private final double[][] y = new double[MEMORY][];
    private final double[] rho = new double[MEMORY];
    private int stored;
    private int next;
    private int evaluations;

    Descent(Tension tension, double longestStep) {
        this.tension = tension;
        this.longestStep = longestStep;
    }

    int evaluations() {
        return evaluations;
    }

    /** Moves {@code x} towards a minimum, for at most {@code most} evaluations or until steps gain next to nothing. */
    void run(double[] x, int most) {
        int n = x.length;
        double[] gradient = new double[n];
        double[] trial = new double[n];
        double[] trialGradient = new double[n];
        double energy = tension.at(x, gradient);
        evaluations++;
        int idle = 0;
        while (evaluations < most && idle < 8) {
            double[] direction = direction(gradient);
            double slope = dot(direction, gradient);
            if (slope >= 0) {
                stored = 0;
                direction = direction(gradient);
                slope = dot(direction, gradient);
            }
            double step = Math.min(1, longestStep / largestMove(direction));
            boolean moved = false;
            for (int h = 0; h < MOST_HALVINGS; h++) {
                for (int i = 0; i < n; i++) {
                    trial[i] = x[i] + step * direction[i];
                }
                double tried = tension.at(trial, trialGradient);
                evaluations++;
                if (tried <= energy + SUFFICIENT * step * slope) {
                    remember(x, trial, gradient, trialGradient);
                    idle = energy - tried < 1e-7 * Math.abs(energy) ? idle + 1 : 0;
                    System.arraycopy(trial, 0, x, 0, n);
                    System.arraycopy(trialGradient, 0, gradient, 0, n);
                    energy = tried;
                    moved = true;
                    break;
                }
                step /= 2;
            }
            if (!moved) {
                if (stored == 0) {
                    return;
                }
                stored = 0;
            }
        }
    }

    private double[] direction(double[] gradient) {
        int n = gradient.length;
        double[] q = gradient.clone();
        double[] alpha = new double[MEMORY];
        for (int m = 0; m < stored; m++) {
            int at = Math.floorMod(next - 1 - m, MEMORY);
            alpha[at] = rho[at] * dot(s[at], q);
            for (int i = 0; i < n; i++) {
                q[i] -= alpha[at] * y[at][i];
            }
        }
        if (stored > 0) {
            int last = Math.floorMod(next - 1, MEMORY);
            double scale = 1 / (rho[last] * dot(y[last], y[last]));
            for (int i = 0; i < n; i++) {
                q[i] *= scale;
            }
        } else {
            double scale = 0.3 * longestStep / Math.max(1e-12, largestMove(q));
            for (int i = 0; i < n; i++) {
                q[i] *= scale;
            }
        }
        for (int m = stored - 1; m >= 0; m--) {
            int at = Math.floorMod(next - 1 - m, MEMORY);
            double beta = rho[at] * dot(y[at], q);
            for (int i = 0; i < n; i++) {
                q[i] += (alpha[at] - beta) * s[at][i];
            }
        }
        for (int i = 0; i < n; i++) {
            q[i] = -q[i];
        }
        return q;
    }

    private void remember(double[] x, double[] to, double[] gradient, double[] toGradient) {
        int n = x.length;
        double[] ds = new double[n];
        double[] dy = new double[n];
        for (int i = 0; i < n; i++) {
            ds[i] = to[i] - x[i];
            dy[i] = toGradient[i] - gradient[i];
        }
        double curvature = dot(ds, dy);
        if (curvature > 1e-12) {
            s[next] = ds;
            y[next] = dy;
            rho[next] = 1 / curvature;
            next = (next + 1) % MEMORY;
            stored = Math.min(MEMORY, stored + 1);
        }
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += a[i] * b[i];
        }
        return sum;
    }

    private static double largestMove(double[] direction) {
        double most = 1e-12;
        for (int i = 0; i < direction.length; i += 3) {
            most = Math.max(
                    most,
                    direction[i] * direction[i]
                            + direction[i + 1] * direction[i + 1]
                            + direction[i + 2] * direction[i + 2]);
        }
        return Math.sqrt(most);
    }
}
