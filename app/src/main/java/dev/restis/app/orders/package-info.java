/** Orders, their lines and pieces, and their import from files. */
@NullMarked
package dev.restis.app.orders;

import org.jspecify.annotations.NullMarked;
