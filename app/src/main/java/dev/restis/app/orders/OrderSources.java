package dev.restis.app.orders;

import java.util.Map;
import java.util.TreeMap;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Where files of orders come from, and what their columns are called there. */
@Service
class OrderSources {

    private final JdbcClient jdbc;
    private final JsonMapper json = JsonMapper.builder().build();

    OrderSources(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** The columns that were settled for a source; none for a new one. */
    @Transactional(readOnly = true)
    public Map<String, String> columns(String source) {
        return jdbc.sql("select columns from order_source where source = ?")
                .param(source)
                .query(String.class)
                .optional()
                .map(text -> json.readValue(text, new TypeReference<TreeMap<String, String>>() {}))
                .orElseGet(TreeMap::new);
    }

    @Transactional
    public void remember(String source, Map<String, String> columns) {
        if (columns.isEmpty()) {
            return;
        }
        jdbc.sql("""
                        insert into order_source (source, columns) values (?, cast(? as jsonb))
                        on conflict (source) do update set columns = excluded.columns
                        """).params(source, json.writeValueAsString(columns)).update();
    }
}
