package dev.restis.app.workshop;

import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The ways in which parcels go, each with the days that it usually takes. */
@Service
public class Ways {

    /** The most days that something may be under way. */
    public static final int MOST_DAYS = 60;

    /** The longest name of a way, in characters. */
    public static final int LONGEST = 60;

    private static final int MOST = 20;

    /** @param days from the day that a parcel leaves to the day that it arrives; 0 where it is handed over */
    public record Way(String name, int days) {}

    private final EntityManager entities;
    private final SettingRevisions revisions;

    Ways(EntityManager entities, SettingRevisions revisions) {
        this.entities = entities;
        this.revisions = revisions;
    }

    /** In the order in which they are offered. */
    @Transactional(readOnly = true)
    public List<Way> all() {
        return rows().stream().map(WayRow::way).toList();
    }

    private List<WayRow> rows() {
        return entities.createQuery("select w from WayRow w order by w.place", WayRow.class)
                .getResultList();
    }

    /**
     * Keeps them instead of those before; orders that chose one of those keep it.
     *
     * @param seen the revision that is changed
     * @throws Rejected with each name that is missing, too long or there twice, and each number of days out of range
     */
    @Transactional
    public int keep(List<Way> ways, int seen) {
        List<Fault> faults = new ArrayList<>();
        if (ways.size() > MOST) {
            faults.add(Fault.of("ways", "ways.many", MOST));
        }
        Set<String> names = new HashSet<>();
        for (int i = 0; i < ways.size(); i++) {
            String at = "ways[" + i + "].";
            String name = Texts.required(ways.get(i).name(), at + "name", LONGEST, faults);
            int days = ways.get(i).days();
            if (!name.isEmpty() && !names.add(name.toLowerCase(Locale.ROOT))) {
                faults.add(Fault.of(at + "name", "ways.twice", name));
            }
            if (days < 0 || days > MOST_DAYS) {
                faults.add(Fault.of(at + "days", "number.range", days, 0, MOST_DAYS));
            }
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        int next = revisions.next(Setting.WAYS, seen);
        List<WayRow> rows = rows();
        for (int i = 0; i < Math.max(ways.size(), rows.size()); i++) {
            if (i >= ways.size()) {
                entities.remove(rows.get(i));
            } else if (i < rows.size()) {
                rows.get(i).become(ways.get(i));
            } else {
                entities.persist(new WayRow(i, ways.get(i)));
            }
        }
        return next;
    }
}
