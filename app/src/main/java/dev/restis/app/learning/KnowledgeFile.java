package dev.restis.app.learning;

import dev.restis.app.learning.Heard.About;
import dev.restis.app.platform.CsvText;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.RowsFile;
import dev.restis.core.learning.Load;
import dev.restis.core.learning.Observation.Kind;
import dev.restis.core.learning.Share;
import dev.restis.core.learning.Use;
import dev.restis.core.measure.Fault;
import dev.restis.core.piece.Formulas;
import dev.restis.core.piece.Ways;
import jakarta.persistence.EntityManager;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * What a workshop measured, as a file: another house, or this one after a move, learns from it what was learned here. Its form is
 * described in docs/formats.md.
 */
@Service
class KnowledgeFile {

    /** What came of a file: rows that were new, and rows that were there already. */
    record KnowledgeRead(int added, int known) {}

    private static final List<String> COLUMNS = List.of(
            "key",
            "piece",
            "subject",
            "maker",
            "day",
            "value",
            "reading",
            "bound",
            "confirmed",
            "sample",
            "fixed",
            "shares");
    /** The newest: what is older has faded. */
    private static final int MOST_ROWS = 5_000;

    private static final int LONGEST_NAME = 60;
    /** Pieces of other houses have numbers below its negative. */
    private static final long ELSEWHERE = 1_000_000_000_000L;

    private static final int MOST_SHARES = 40;
    private static final double MOST_VALUE = 1e7;
    /** Marks a row that was tied to be measured. */
    static final String SAMPLE = "SAMPLE";

    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** A share with the names of its features; what is believed of them beforehand follows from the names. */
    private record Part(double amount, List<String> of, double gauge) {}

    private final EntityManager entities;
    private final Observations observations;

    KnowledgeFile(EntityManager entities, Observations observations) {
        this.entities = entities;
        this.observations = observations;
    }

    private List<Map<String, Object>> rows() {
        List<ObservationRow> newest = entities.createQuery("""
                        select o from ObservationRow o
                        where o.standing = Standing.STANDS and o.outcome in (Outcome.LEARNED, Outcome.CHANGE) order by o.number desc
                        """, ObservationRow.class)
                .setMaxResults(MOST_ROWS)
                .getResultList();
        // In the order in which they were learned from.
        return newest.stream()
                .sorted(Comparator.comparingLong(ObservationRow::number))
                .map(KnowledgeFile::row)
                .toList();
    }

    private static Map<String, Object> row(ObservationRow o) {
        Map<String, Object> cells = new LinkedHashMap<>();
        cells.put("key", o.key().toString());
        cells.put("piece", o.piece() == null ? "" : o.piece().toString());
        cells.put("subject", o.subject().name());
        cells.put("maker", o.maker());
        cells.put("day", o.day().toString());
        cells.put("value", o.value());
        cells.put("reading", o.reading());
        cells.put("bound", o.bound().name());
        cells.put("confirmed", o.confirmed());
        cells.put("sample", o.sample());
        cells.put("fixed", o.use().fixed());
        cells.put(
                "shares",
                JSON.writeValueAsString(
                        o.use().shares().stream().map(KnowledgeFile::part).toList()));
        return cells;
    }

    private static Part part(Share share) {
        double gauge = share.loads().stream()
                .mapToDouble(Load::value)
                .filter(value -> value != 1)
                .findFirst()
                .orElse(1);
        return new Part(
                share.amount(), share.loads().stream().map(Load::feature).toList(), gauge);
    }

    @Transactional(readOnly = true)
    public String csv() {
        return CsvText.of(
                COLUMNS,
                rows().stream()
                        .map(cells -> List.copyOf(cells.values()))
                        .map(List::<Object>copyOf)
                        .toList());
    }

    @Transactional(readOnly = true)
    public String json() {
        return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(Map.of("observations", rows()));
    }

    /**
     * All of it or nothing; what is known already is passed over.
     *
     * @throws Rejected with every cell that cannot be so, by its row
     */
    @Transactional
    public KnowledgeRead take(byte[] bytes) {
        RowsFile file = RowsFile.read(bytes, "observations");
        if (file.rows().size() > MOST_ROWS) {
            throw new Rejected(Fault.of("file", "file.rows", MOST_ROWS));
        }
        if (!file.columns().containsAll(COLUMNS)) {
            throw new Rejected(Fault.of("file", "file.columns", String.join(", ", COLUMNS)));
        }
        List<Fault> faults = new ArrayList<>();
        List<ObservationRow> read = new ArrayList<>();
        for (RowsFile.Row row : file.rows()) {
            new RowReader(row, faults).read().ifPresent(read::add);
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        Set<UUID> known = new HashSet<>(entities.createQuery(
                        "select o.key from ObservationRow o where o.key in :keys", UUID.class)
                .setParameter("keys", read.stream().map(ObservationRow::key).toList())
                .getResultList());
        int added = 0;
        for (ObservationRow row : read) {
            if (known.add(row.key())) {
                entities.persist(row);
                added++;
            }
        }
        observations.ask();
        return new KnowledgeRead(added, read.size() - added);
    }

    /** Reads a row; every cell that cannot be so is a fault. */
    private static final class RowReader {
        private final RowsFile.Row row;
        private final List<Fault> faults;
        private final int before;

        RowReader(RowsFile.Row row, List<Fault> faults) {
            this.row = row;
            this.faults = faults;
            this.before = faults.size();
        }

        private String cell(String name) {
            return row.cells().getOrDefault(name, "");
        }

        private void fault(String name, String code, Object... args) {
            faults.add(new Fault("rows[" + row.number() + "]." + name, code, List.of(args)));
        }

        Optional<ObservationRow> read() {
            UUID key = uuid();
            Subject subject = choice("subject", Subject.values());
            Kind bound = choice("bound", Kind.values());
            LocalDate day = day();
            double value = number("value", Double.MIN_VALUE);
            double reading = number("reading", 0);
            double fixed = number("fixed", 0);
            String maker = cell("maker");
            if (maker.length() > LONGEST_NAME) {
                fault("maker", "tooLong", LONGEST_NAME);
            }
            List<Share> shares = shares(subject == Subject.TIME);
            if (faults.size() > before) {
                return Optional.empty();
            }
            boolean sample = Boolean.parseBoolean(cell("sample"));
            Map<List<Load>, Double> byLoads = new LinkedHashMap<>();
            shares.forEach(share -> byLoads.merge(share.loads(), share.amount(), Double::sum));
            Heard heard = new Heard(
                    subject,
                    Source.IMPORT,
                    List.of(),
                    piece(),
                    maker,
                    day,
                    value,
                    reading,
                    bound,
                    sample ? About.of(SAMPLE, 1) : About.NOTHING,
                    0,
                    false);
            return Optional.of(new ObservationRow(
                    heard, key, Use.of(fixed, byLoads), Formulas.VERSION, Boolean.parseBoolean(cell("confirmed"))));
        }

        /** Elsewhere it was another piece: all that is known of it is what was measured of the same one. */
        private @Nullable Long piece() {
            String piece = cell("piece");
            if (piece.isEmpty()) {
                return null;
            }
            if (!piece.matches("-?\\d{1,15}")) {
                fault("piece", "knowledge.number", piece);
                return null;
            }
            long number = Long.parseLong(piece);
            return number < 0 ? number : -ELSEWHERE - number;
        }

        private UUID uuid() {
            try {
                return UUID.fromString(cell("key"));
            } catch (IllegalArgumentException e) {
                fault("key", "knowledge.key", cell("key"));
                return new UUID(0, 0);
            }
        }

        private <E extends Enum<E>> E choice(String name, E[] values) {
            for (E value : values) {
                if (value.name().equals(cell(name))) {
                    return value;
                }
            }
            fault(
                    name,
                    "knowledge.choice",
                    cell(name),
                    String.join(
                            ", ",
                            java.util.Arrays.stream(values).map(Enum::name).toList()));
            return values[0];
        }

        private LocalDate day() {
            try {
                return LocalDate.parse(cell("day"));
            } catch (DateTimeParseException e) {
                fault("day", "knowledge.day", cell("day"));
                return LocalDate.EPOCH;
            }
        }

        private double number(String name, double least) {
            try {
                double number = Double.parseDouble(cell(name));
                if (number >= least && number <= MOST_VALUE) {
                    return number;
                }
            } catch (NumberFormatException e) {
                // Told below, like one that is out of bounds.
            }
            fault(name, "knowledge.number", cell(name));
            return 0;
        }

        private List<Share> shares(boolean minutes) {
            try {
                Part[] parts = JSON.readValue(cell("shares"), Part[].class);
                if (parts.length == 0 || parts.length > MOST_SHARES) {
                    fault("shares", "knowledge.shares", cell("shares"));
                    return List.of();
                }
                List<Share> shares = new ArrayList<>();
                for (Part part : parts) {
                    shares.add(new Share(
                            Math.min(part.amount(), MOST_VALUE),
                            part.of().stream()
                                    .distinct()
                                    .map(feature -> Ways.load(feature, minutes, gauge(feature, part)))
                                    .toList()));
                }
                return shares;
            } catch (JacksonException | IllegalArgumentException | NullPointerException e) {
                fault("shares", "knowledge.shares", cell("shares"));
                return List.of();
            }
        }

        private static double gauge(String feature, Part part) {
            return Ways.named(feature).kind() == Ways.Kind.GAUGE ? Math.max(-3, Math.min(3, part.gauge())) : 1;
        }
    }
}
