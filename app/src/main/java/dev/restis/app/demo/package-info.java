/** The demo workshop, loaded through the same doors a user takes. */
@NullMarked
package dev.restis.app.demo;

import org.jspecify.annotations.NullMarked;
