package dev.restis.core.batch.draft;

import dev.restis.core.batch.Bench;

/**
 * A piece that somebody is tying: it stays with them and goes on before anything else.
 *
 * @param order place in the list of orders
 * @param maker place in the list of makers
 * @param seconds that it still takes them
 */
public record Begun(long line, int order, int maker, Bench bench, int seconds, long piece) {}
