/** Cut lists and the moment the books move. */
@NullMarked
package dev.restis.app.cut;

import org.jspecify.annotations.NullMarked;
