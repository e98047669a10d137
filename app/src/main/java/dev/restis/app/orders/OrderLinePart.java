package dev.restis.app.orders;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;

/** A part chosen for a line. */
@Embeddable
record OrderLinePart(
        String slot, @Column(name = "article_id") long article, int count) {}
