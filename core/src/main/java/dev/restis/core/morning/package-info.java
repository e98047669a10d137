/** What comes first on a morning: what must begin when, and in which order a house goes about its day. */
@NullMarked
package dev.restis.core.morning;

import org.jspecify.annotations.NullMarked;
