/** Stitches described once: the path of their strands gives cord use, pitch, size and picture. */
@NullMarked
package dev.restis.core.stitch;

import org.jspecify.annotations.NullMarked;
