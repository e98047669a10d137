package dev.restis.core.picture;

/** A point of a centre line, millimetres: along the body, across it, and towards the eye. */
record Point(double x, double y, double z) {

    /** Turned about the body's axis. */
    Point turned(double degrees) {
        double a = Math.toRadians(degrees);
        return new Point(x, y * Math.cos(a) - z * Math.sin(a), y * Math.sin(a) + z * Math.cos(a));
    }

    Point moved(double dx, double dy) {
        return new Point(x + dx, y + dy, z);
    }
}
