/** Measurements of the core, printed with the machine they were made on. */
@NullMarked
package dev.restis.bench;

import org.jspecify.annotations.NullMarked;
