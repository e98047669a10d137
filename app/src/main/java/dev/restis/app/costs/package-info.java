/** Material cost, estimated and actual, and the books' balance. */
@NullMarked
package dev.restis.app.costs;

import org.jspecify.annotations.NullMarked;
