/** The first page of the day: what waits at each stage, and what to do about it. */
@NullMarked
package dev.restis.app.today;

import org.jspecify.annotations.NullMarked;
