/** Shops that deliver orders by themselves, and the tray of deliveries that somebody must look at. */
@NullMarked
package dev.restis.app.shop;

import org.jspecify.annotations.NullMarked;
