package dev.restis.app.workshop;

/** A setting was kept, and stands as this revision. */
public record Revised(int revision) {}
