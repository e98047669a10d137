/** The worked-out piece: strands, hardware, verdicts and the sums behind them. */
@NullMarked
package dev.restis.core.piece;

import org.jspecify.annotations.NullMarked;
