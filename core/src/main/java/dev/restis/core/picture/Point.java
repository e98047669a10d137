package dev.restis.core.picture;

/** A point of a centre line, millimetres: along the body, across it, and towards the eye. */
record Point(double x, double y, double z) {

    /** Turned about the body's axis. */
    Point turned(double degrees) {
        double a = Math.toRadians(degrees);
        return new Point(x, y * Math.cos(a) - z * Math.sin(a), y * Math.sin(a) + z * Math.cos(a));
    }

    double distance(Point other) {
        return Math.sqrt(Math.pow(x - other.x, 2) + Math.pow(y - other.y, 2) + Math.pow(z - other.z, 2));
    }
}
