package dev.restis.app.demo;

/**
 * A line of the demo's calendar.
 *
 * @param day before the one on which the demo is filled, which is 0
 * @param time of the house
 * @param person who acts
 * @param act through the same door as everybody's
 */
record DemoEntry(int day, String time, String person, Runnable act) {}
