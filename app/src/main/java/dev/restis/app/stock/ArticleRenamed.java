package dev.restis.app.stock;

/** An article has another name from now on. Told in the transaction that gives it. */
public record ArticleRenamed(long article) {}
