/** Reading lengths and the house sizes. */
@NullMarked
package dev.restis.app.measures;

import org.jspecify.annotations.NullMarked;
