/** Who orders: their names, where they live, and what they gave of their wrists. */
@NullMarked
package dev.restis.app.customers;

import org.jspecify.annotations.NullMarked;
