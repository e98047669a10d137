/** Material cost per piece, estimated and actual, and the identity that ties them to the ledger. */
@NullMarked
package dev.restis.core.cost;

import org.jspecify.annotations.NullMarked;
