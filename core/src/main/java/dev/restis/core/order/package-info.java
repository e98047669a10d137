/** The life of an order, and how one is written in a line. */
@NullMarked
package dev.restis.core.order;

import org.jspecify.annotations.NullMarked;
