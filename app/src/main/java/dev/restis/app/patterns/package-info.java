/** The pattern book and the desk where pieces are worked out. */
@NullMarked
package dev.restis.app.patterns;

import org.jspecify.annotations.NullMarked;
