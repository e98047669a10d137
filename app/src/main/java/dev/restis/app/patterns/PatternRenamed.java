package dev.restis.app.patterns;

/** A pattern has another name from its newest version on. Told in the transaction that gives it. */
public record PatternRenamed(String code) {}
