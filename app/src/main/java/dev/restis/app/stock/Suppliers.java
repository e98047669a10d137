package dev.restis.app.stock;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import jakarta.persistence.EntityManager;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who sells what, in which put-ups and for how much. */
@Service
public class Suppliers {

    private static final int LONGEST_LEAD = 365;

    /**
     * A supplier.
     *
     * @param leadDays from a purchase to its delivery
     * @param minimum the least that a purchase must come to
     */
    record SupplierView(long id, int version, String name, int leadDays, BigDecimal minimum, String note) {}

    /**
     * A supplier as typed.
     *
     * @param version of what is changed; 0 for a new one
     */
    public record NewSupplier(
            String name,
            int leadDays,
            @Nullable String minimum,
            @Nullable String note,
            int version) {}

    /** A unit in which an article is sold: micrometres of cord or pieces, and what that costs. */
    record PutUpView(
            long id,
            long articleId,
            long supplierId,
            String supplier,
            int leadDays,
            long quantity,
            BigDecimal price,
            String code) {}

    /**
     * A put-up as typed; one of the same size from the same supplier is replaced.
     *
     * @param code what the supplier calls it
     */
    public record NewPutUp(
            long supplier,
            String quantity,
            String price,
            @Nullable String code,
            UnitSystem units) {}

    private final EntityManager entities;
    private final Articles articles;

    Suppliers(EntityManager entities, Articles articles) {
        this.entities = entities;
        this.articles = articles;
    }

    @Transactional(readOnly = true)
    List<SupplierView> all() {
        return entities.createQuery(
                        "select s.id, s.version, s.name, s.leadDays, s.minimum, s.note from SupplierRow s order by lower(s.name), s.id",
                        SupplierView.class)
                .getResultList();
    }

    @Transactional
    public long add(NewSupplier typed) {
        Read read = read(typed, 0);
        SupplierRow fresh = new SupplierRow(read.name(), typed.leadDays(), read.minimum(), read.note());
        entities.persist(fresh);
        return fresh.id();
    }

    @Transactional
    public void change(long id, NewSupplier typed) {
        Read read = read(typed, id);
        SupplierRow row = entities.find(SupplierRow.class, id);
        if (row == null || row.version() != typed.version()) {
            throw new Conflict("changedMeanwhile");
        }
        row.become(read.name(), typed.leadDays(), read.minimum(), read.note());
    }

    private record Read(String name, BigDecimal minimum, String note) {}

    private Read read(NewSupplier typed, long itself) {
        List<Fault> faults = new ArrayList<>();
        String name = Texts.required(typed.name(), "name", 60, faults);
        if (entities.createQuery(
                                "select count(*) from SupplierRow s where lower(s.name) = lower(:name) and s.id <> :itself",
                                Long.class)
                        .setParameter("name", name)
                        .setParameter("itself", itself)
                        .getSingleResult()
                > 0) {
            faults.add(Fault.of("name", "supplier.taken", name));
        }
        if (typed.leadDays() < 0 || typed.leadDays() > LONGEST_LEAD) {
            faults.add(Fault.of("leadDays", "lead.range", typed.leadDays(), LONGEST_LEAD));
        }
        BigDecimal minimum = Texts.given(typed.minimum())
                .map(text -> Texts.money(text, "minimum", faults))
                .orElse(BigDecimal.ZERO);
        String note = Texts.given(typed.note()).orElse("");
        if (note.length() > 400) {
            faults.add(Fault.of("note", "tooLong", 400));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        return new Read(name, minimum, note);
    }

    /** The put-ups of one article, or of all. */
    @Transactional(readOnly = true)
    List<PutUpView> putUps(@Nullable Long article) {
        return entities.createQuery("""
                        select p.id, p.articleId, s.id, s.name, s.leadDays, p.quantity, p.price, p.code
                        from PutUpRow p join p.supplier s
                        where not p.withdrawn and (:article is null or p.articleId = :article)
                        order by p.articleId, s.name, p.quantity
                        """, PutUpView.class)
                .setParameter("article", article)
                .getResultList();
    }

    @Transactional
    public long addPutUp(long articleId, NewPutUp typed) {
        Article article = articles.byId(articleId);
        List<Fault> faults = new ArrayList<>();
        if (all().stream().noneMatch(s -> s.id() == typed.supplier())) {
            faults.add(Fault.of("supplier", "supplier.unknown"));
        }
        long quantity = Receipts.quantity("quantity", typed.quantity(), article, typed.units(), faults);
        BigDecimal price = Texts.money(typed.price(), "price", faults);
        String code = Texts.given(typed.code()).orElse("");
        if (code.length() > 40) {
            faults.add(Fault.of("code", "tooLong", 40));
        }
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        entities.createQuery("""
                        update PutUpRow p set p.withdrawn = true
                        where p.articleId = :article and p.supplier.id = :supplier and p.quantity = :quantity
                        """)
                .setParameter("article", articleId)
                .setParameter("supplier", typed.supplier())
                .setParameter("quantity", quantity)
                .executeUpdate();
        PutUpRow fresh = new PutUpRow(
                articleId, entities.getReference(SupplierRow.class, typed.supplier()), quantity, price, code);
        entities.persist(fresh);
        return fresh.id();
    }

    /** It is sold no more; what was bought of it stays as it was. */
    @Transactional
    public void withdraw(long putUp) {
        PutUpRow row = entities.find(PutUpRow.class, putUp);
        if (row == null) {
            throw new NotFound("notFound");
        }
        row.withdrawn = true;
    }
}
