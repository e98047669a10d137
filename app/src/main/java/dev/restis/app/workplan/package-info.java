/** Who ties what on which day: the plan, what hands do with it, and what follows from it. */
@NullMarked
package dev.restis.app.workplan;

import org.jspecify.annotations.NullMarked;
