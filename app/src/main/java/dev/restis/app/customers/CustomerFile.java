package dev.restis.app.customers;

import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.RowsFile;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.UnitSystem;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Customers as a file: what is written out is read in again. Its form is described in docs/formats.md. */
@Service
class CustomerFile {

    /**
     * What came of a file.
     *
     * @param added customers that were not there
     * @param changed those that were, and of whom it told something else
     */
    record CustomersRead(int added, int changed) {}

    private static final List<String> COLUMNS = List.of("name", "address", "email", "language", "wrist", "hand");
    /** It is read while somebody waits. */
    private static final int MOST_ROWS = 1000;

    private final CustomerStore store;
    private final Customers customers;

    CustomerFile(CustomerStore store, Customers customers) {
        this.store = store;
        this.customers = customers;
    }

    /** The first of them by name, as many as a file may hold. */
    @Transactional(readOnly = true)
    public String csv() {
        return CsvText.of(
                COLUMNS,
                store.list(Limit.of(RowsFile.MOST_ROWS)).stream()
                        .map(c -> List.<Object>of(
                                c.name, c.address, c.email, c.language, length(c.wristUm), length(c.handUm)))
                        .toList());
    }

    private static String length(@Nullable Long um) {
        return um == null ? "" : new Length(um).toString();
    }

    /**
     * All of it or nothing. An empty cell leaves what there is; a name that nobody has is a new customer's.
     *
     * @throws Rejected with every cell that cannot be so, by its row
     */
    @Transactional
    public CustomersRead take(byte[] bytes, UnitSystem units) {
        RowsFile file = RowsFile.read(bytes, "customers");
        if (file.rows().size() > MOST_ROWS) {
            throw new Rejected(Fault.of("file", "file.rows", MOST_ROWS));
        }
        if (!file.columns().contains("name")) {
            throw new Rejected(Fault.of("file", "file.columns", "name"));
        }
        List<Fault> faults = new ArrayList<>();
        Map<String, Customer> byName = customers.byName(file.rows().stream()
                .map(row -> row.cells().getOrDefault("name", ""))
                .toList());
        int added = 0;
        int changed = 0;
        for (RowsFile.Row row : file.rows()) {
            Map<String, String> cells = row.cells();
            CustomerDetails typed = new CustomerDetails(
                    cells.getOrDefault("name", ""),
                    cells.get("address"),
                    cells.get("email"),
                    cells.get("language"),
                    cells.get("wrist"),
                    cells.get("hand"),
                    units,
                    0);
            try {
                switch (customers.put(typed, byName)) {
                    case ADDED -> added++;
                    case CHANGED -> changed++;
                    case SAME -> {}
                }
            } catch (Rejected e) {
                e.faults()
                        .forEach(f ->
                                faults.add(new Fault("rows[" + row.number() + "]." + f.field(), f.code(), f.args())));
            }
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        return new CustomersRead(added, changed);
    }
}
