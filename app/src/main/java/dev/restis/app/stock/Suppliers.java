package dev.restis.app.stock;

import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.NotFound;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.core.measure.Fault;
import dev.restis.core.measure.UnitSystem;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
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

    private final JdbcClient jdbc;
    private final Articles articles;

    Suppliers(JdbcClient jdbc, Articles articles) {
        this.jdbc = jdbc;
        this.articles = articles;
    }

    @Transactional(readOnly = true)
    List<SupplierView> all() {
        return jdbc.sql("select id, version, name, lead_days, minimum, note from supplier order by lower(name), id")
                .query(SupplierView.class)
                .list();
    }

    @Transactional
    public long add(NewSupplier typed) {
        Read read = read(typed, 0);
        return jdbc.sql("insert into supplier (name, lead_days, minimum, note) values (?, ?, ?, ?) returning id")
                .params(read.name(), typed.leadDays(), read.minimum(), read.note())
                .query(Long.class)
                .single();
    }

    @Transactional
    public void change(long id, NewSupplier typed) {
        Read read = read(typed, id);
        int changed = jdbc.sql("""
                        update supplier set name = ?, lead_days = ?, minimum = ?, note = ?, version = version + 1
                        where id = ? and version = ?
                        """)
                .params(read.name(), typed.leadDays(), read.minimum(), read.note(), id, typed.version())
                .update();
        if (changed == 0) {
            throw new Conflict("changedMeanwhile");
        }
    }

    private record Read(String name, BigDecimal minimum, String note) {}

    private Read read(NewSupplier typed, long itself) {
        List<Fault> faults = new ArrayList<>();
        String name = Texts.required(typed.name(), "name", 60, faults);
        if (jdbc.sql("select exists (select 1 from supplier where lower(name) = lower(?) and id <> ?)")
                .params(name, itself)
                .query(Boolean.class)
                .single()) {
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
        return jdbc.sql("""
                        select p.id, p.article_id, p.supplier_id, s.name as supplier, s.lead_days, p.quantity, p.price, p.code
                        from put_up p join supplier s on s.id = p.supplier_id
                        where not p.withdrawn and (cast(:article as bigint) is null or p.article_id = :article)
                        order by p.article_id, s.name, p.quantity
                        """).param("article", article).query(PutUpView.class).list();
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
        jdbc.sql("update put_up set withdrawn = true where article_id = ? and supplier_id = ? and quantity = ?")
                .params(articleId, typed.supplier(), quantity)
                .update();
        return jdbc.sql("""
                        insert into put_up (article_id, supplier_id, quantity, price, code) values (?, ?, ?, ?, ?) returning id
                        """)
                .params(articleId, typed.supplier(), quantity, price, code)
                .query(Long.class)
                .single();
    }

    /** It is sold no more; what was bought of it stays as it was. */
    @Transactional
    public void withdraw(long putUp) {
        if (jdbc.sql("update put_up set withdrawn = true where id = ?")
                        .param(putUp)
                        .update()
                == 0) {
            throw new NotFound("notFound");
        }
    }
}
