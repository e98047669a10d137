/** The piece drawn from its stitches' strand paths. */
@NullMarked
package dev.restis.core.picture;

import org.jspecify.annotations.NullMarked;
