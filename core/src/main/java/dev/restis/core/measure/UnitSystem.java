package dev.restis.core.measure;

/** The two unit systems a workshop works in; each has its own cutting step and meaning of a bare number. */
public enum UnitSystem {
    /** A bare number is centimetres; strands are cut to 5 mm. */
    METRIC(10_000.0, new Length(5_000)),
    /** A bare number is inches; strands are cut to 1/4 in. */
    IMPERIAL(25_400.0, new Length(6_350));

    private final double bareUnitMicrometres;
    private final Length cuttingStep;

    UnitSystem(double bareUnitMicrometres, Length cuttingStep) {
        this.bareUnitMicrometres = bareUnitMicrometres;
        this.cuttingStep = cuttingStep;
    }

    double bareUnitMicrometres() {
        return bareUnitMicrometres;
    }

    /** Cut lengths are rounded up to a multiple of this. */
    public Length cuttingStep() {
        return cuttingStep;
    }
}
