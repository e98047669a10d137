/** Articles, lots, holdings and the ledger behind them. */
@NullMarked
package dev.restis.app.stock;

import org.jspecify.annotations.NullMarked;
