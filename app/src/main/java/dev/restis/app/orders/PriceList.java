package dev.restis.app.orders;

import dev.restis.core.cost.PriceRules;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How the house makes its prices, for whoever reckons with them. */
@Service
public class PriceList {

    private final PriceBook book;

    PriceList(PriceBook book) {
        this.book = book;
    }

    @Transactional(readOnly = true)
    public PriceRules rules() {
        return book.rules().price();
    }
}
