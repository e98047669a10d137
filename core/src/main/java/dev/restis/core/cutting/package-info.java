/** Cut plans: strands laid out on real holdings. */
@NullMarked
package dev.restis.core.cutting;

import org.jspecify.annotations.NullMarked;
