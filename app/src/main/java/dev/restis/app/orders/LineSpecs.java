package dev.restis.app.orders;

import dev.restis.app.patterns.PieceSpec;
import dev.restis.app.patterns.PieceSpec.PartSpec;
import dev.restis.core.fit.Ease;
import dev.restis.core.measure.UnitSystem;
import dev.restis.core.piece.Wearer;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What the lines of many orders are of, read at one go. */
@Component
class LineSpecs {

    record LineSpec(long id, PieceSpec spec) {}

    private final JdbcClient jdbc;

    LineSpecs(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** The lines of each order, in their order. */
    Map<Long, List<LineSpec>> of(Collection<Long> orders) {
        Map<Long, List<LineSpec>> lines = new HashMap<>();
        if (!orders.isEmpty()) {
            jdbc.sql("""
                            select l.*,
                                   array(select c.article_id from order_line_colour c where c.line_id = l.id order by c.slot) as colours,
                                   array(select p.article_id || ' ' || p.count || ' ' || p.slot from order_line_part p
                                         where p.line_id = l.id order by p.slot) as parts
                            from order_line l where l.order_id = any (?) order by l.order_id, l.number
                            """).param(orders.toArray(Long[]::new)).query(row -> {
                lines.computeIfAbsent(row.getLong("order_id"), o -> new ArrayList<>())
                        .add(new LineSpec(row.getLong("id"), spec(row)));
            });
        }
        return lines;
    }

    private static PieceSpec spec(ResultSet row) throws SQLException {
        List<PartSpec> parts = new ArrayList<>();
        for (String part : (String[]) row.getArray("parts").getArray()) {
            // A slot's name may be of several words.
            String[] words = part.split(" ", 3);
            parts.add(new PartSpec(words[2], Long.parseLong(words[0]), Integer.parseInt(words[1])));
        }
        return new PieceSpec(
                row.getString("pattern"),
                row.getInt("pattern_version"),
                row.getString("size_name"),
                micrometres(row, "wrist_um"),
                micrometres(row, "hand_um"),
                row.getBoolean("hand_assumed"),
                Ease.valueOf(row.getString("ease")),
                micrometres(row, "length_um"),
                List.of((Long[]) row.getArray("colours").getArray()),
                parts,
                row.getBoolean("kit"),
                Wearer.valueOf(row.getString("wearer")),
                row.getBoolean("tapered"),
                UnitSystem.valueOf(row.getString("units")),
                accepted(row));
    }

    private static PieceSpec.@Nullable Accepted accepted(ResultSet row) throws SQLException {
        String check = row.getString("accepted");
        return check == null
                ? null
                : new PieceSpec.Accepted(
                        check,
                        row.getString("accepted_reason"),
                        row.getString("accepted_by"),
                        row.getTimestamp("accepted_at").toInstant());
    }

    private static @Nullable Long micrometres(ResultSet row, String column) throws SQLException {
        return row.getObject(column, Long.class);
    }
}
