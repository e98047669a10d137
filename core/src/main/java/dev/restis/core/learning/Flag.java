package dev.restis.core.learning;

/**
 * A hand that has changed.
 *
 * @param number the observation by which it was told
 * @param hand whose hand, and what it tied
 * @param since the day with which it began, as days since 1970-01-01
 * @param factor what is measured since over what was expected when it began
 */
public record Flag(long number, String hand, long since, double factor) {}
