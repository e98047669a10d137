package dev.restis.app.platform;

/** What a request made. */
public record Made(long id) {}
