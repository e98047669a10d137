/** People, sign-in and the house's settings. */
@NullMarked
package dev.restis.app.workshop;

import org.jspecify.annotations.NullMarked;
