/** Open pieces and the batches made of them. */
@NullMarked
package dev.restis.app.plan;

import org.jspecify.annotations.NullMarked;
