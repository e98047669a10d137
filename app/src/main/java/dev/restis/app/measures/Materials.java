package dev.restis.app.measures;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.cord.Material;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.Length;
import dev.restis.core.measure.LengthReader;
import dev.restis.core.measure.UnitSystem;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The materials cord is made of, with the factors that the house works with. */
@Service
public class Materials {

    private static final Length LONGEST_FRAY = Length.ofMillimetres(50);

    /**
     * A material.
     *
     * @param tensionFactor worked diameter over nominal diameter
     * @param holeCompression how far a bundle gives way in a hole
     * @param stiff whether ends need a longer grip to be tied
     * @param frays whether ends fray while beads are threaded
     * @param frayAllowanceUm cord lost at each end to sealing or fraying
     */
    public record MaterialView(
            String code,
            int version,
            String name,
            BigDecimal tensionFactor,
            BigDecimal holeCompression,
            boolean stiff,
            boolean heatSealable,
            boolean frays,
            long frayAllowanceUm) {

        Material material() {
            return new Material(
                    code,
                    tensionFactor.doubleValue(),
                    holeCompression.doubleValue(),
                    stiff,
                    heatSealable,
                    frays,
                    new Length(frayAllowanceUm));
        }
    }

    /**
     * A material as typed.
     *
     * @param code of the one that is changed; nothing for a new one
     * @param version of the one that is changed
     */
    public record MaterialInput(
            @Nullable String code,
            int version,
            String name,
            String tensionFactor,
            String holeCompression,
            boolean stiff,
            boolean heatSealable,
            boolean frays,
            String frayAllowance,
            UnitSystem units) {}

    private final EntityManager entities;

    Materials(EntityManager entities) {
        this.entities = entities;
    }

    @Transactional(readOnly = true)
    public List<MaterialView> all() {
        return entities
                .createQuery("from MaterialRow m order by lower(m.name), m.code", MaterialRow.class)
                .getResultList()
                .stream()
                .map(MaterialRow::view)
                .toList();
    }

    /** All of them by their codes, as they are now. */
    @Transactional(readOnly = true)
    public Map<String, Material> book() {
        Map<String, Material> book = new HashMap<>();
        all().forEach(m -> book.put(m.code(), m.material()));
        return book;
    }

    /** Keeps a material; pieces are worked out with it from now on, and those that are cut stay as they are. */
    @Transactional
    public String keep(MaterialInput typed) {
        List<Fault> faults = new ArrayList<>();
        String name = Texts.required(typed.name(), "name", 40, faults);
        String code = Texts.given(typed.code())
                .orElse(name.toLowerCase(Locale.ROOT)
                        .replaceAll("[^a-z0-9]+", "-")
                        .replaceAll("^-|-$", ""));
        if (!name.isEmpty() && !code.matches("[a-z0-9][a-z0-9-]{0,39}")) {
            faults.add(Fault.of("name", "material.name", name));
        }
        boolean fresh = Texts.given(typed.code()).isEmpty();
        if (all().stream()
                .anyMatch(m -> (fresh && m.code().equals(code))
                        || (!m.code().equals(code) && m.name().equalsIgnoreCase(name)))) {
            faults.add(Fault.of("name", "material.taken", name));
        }
        BigDecimal tension = factor("tensionFactor", typed.tensionFactor(), "0.5", "1.1", faults);
        BigDecimal hole = factor("holeCompression", typed.holeCompression(), "0.5", "1", faults);
        Optional<Length> fray = LengthReader.read(typed.frayAllowance(), typed.units());
        if (fray.isEmpty()) {
            faults.add(Fault.of("frayAllowance", "length.unread", typed.frayAllowance()));
        } else if (LONGEST_FRAY.isLessThan(fray.get())) {
            faults.add(Fault.of("frayAllowance", "length.range", fray.get(), Length.ZERO, LONGEST_FRAY));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        MaterialRow row = fresh ? new MaterialRow(code) : entities.find(MaterialRow.class, code);
        if (row == null || !fresh && row.version() != typed.version()) {
            throw new Conflict("changedMeanwhile");
        }
        row.become(new MaterialView(
                code,
                typed.version(),
                name,
                tension,
                hole,
                typed.stiff(),
                typed.heatSealable(),
                typed.frays(),
                fray.orElseThrow().micrometres()));
        if (fresh) {
            entities.persist(row);
        }
        return code;
    }

    private static BigDecimal factor(String field, String typed, String least, String most, List<Fault> faults) {
        String text = typed.strip().replace(',', '.');
        if (!text.matches("\\d(\\.\\d{1,3})?")
                || new BigDecimal(text).compareTo(new BigDecimal(least)) < 0
                || new BigDecimal(text).compareTo(new BigDecimal(most)) > 0) {
            faults.add(Fault.of(field, "factor.range", typed, least, most));
            return BigDecimal.ONE;
        }
        return new BigDecimal(text);
    }
}
