package dev.restis.app.costs;

/** What costs are summed by. Each names what its rows are told apart by, and what they are called, in the tables of the changes. */
enum CostBy {
    PIECE("p.id::text", "o.reference || ' #' || p.id"),
    LINE("l.id::text", "o.reference || ', ' || l.number"),
    ORDER("o.id::text", "o.reference || ' \u00b7 ' || o.customer"),
    CUSTOMER(
            "coalesce(c.merged_into, c.id)::text",
            "(select name from customer where id = coalesce(c.merged_into, c.id))"),
    PATTERN("l.pattern", "l.pattern"),
    BATCH("b.id::text", "b.name"),
    /** Of the year and month, in the days of the house. */
    MONTH("ch.month", "ch.month"),
    /** Who finished the piece last; the owner alone sees it. */
    MAKER("coalesce(f.who, '')", "coalesce(f.who, '')"),
    /** From the ledger, as one piece is made of several. */
    ARTICLE("a.code", "a.name");

    private final String key;
    private final String label;

    CostBy(String key, String label) {
        this.key = key;
        this.label = label;
    }

    String key() {
        return key;
    }

    String label() {
        return label;
    }
}
