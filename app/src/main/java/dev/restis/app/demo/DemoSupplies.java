package dev.restis.app.demo;

import dev.restis.app.stock.ArticleCards;
import dev.restis.app.stock.ArticleCards.NewDensity;
import dev.restis.app.stock.Purchases;
import dev.restis.app.stock.Purchases.BuyPick;
import dev.restis.app.stock.Purchases.NewPurchase;
import dev.restis.app.stock.Suppliers;
import dev.restis.app.stock.Suppliers.NewPutUp;
import dev.restis.app.stock.Suppliers.NewSupplier;
import dev.restis.core.measure.UnitSystem;
import jakarta.persistence.EntityManager;
import jakarta.persistence.Tuple;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Component;

/** Who sells the demo workshop its cord and parts. */
@Component
class DemoSupplies {

    private static final List<String> CORDS =
            List.of("NT2", "EM2", "LI2", "OA2", "HE2", "BR2", "MA2", "RO2", "CH2", "PI2");

    private final Suppliers suppliers;
    private final ArticleCards cards;
    private final Purchases purchases;
    private final EntityManager entities;

    DemoSupplies(Suppliers suppliers, ArticleCards cards, Purchases purchases, EntityManager entities) {
        this.purchases = purchases;
        this.entities = entities;
        this.suppliers = suppliers;
        this.cards = cards;
    }

    /**
     * @param articles by their codes
     */
    void fill(Map<String, Long> articles) {
        long cords = suppliers.add(new NewSupplier("Grey Gull Cordage", 6, "25", "Cord by the spool", 0));
        long parts = suppliers.add(new NewSupplier("Skerry Findings", 10, "40", "Beads, rings and buckles", 0));
        for (String code : CORDS) {
            sold(articles, code, cords, "25 m", "4.60");
            sold(articles, code, cords, "50 m", "7.95");
            sold(articles, code, cords, "100 m", "14.40");
            cards.setDensity(article(articles, code), new NewDensity("2.4", null, null, null, UnitSystem.METRIC));
        }
        sold(articles, "HE25", cords, "100 m", "17.50");
        sold(articles, "OA25", cords, "100 m", "17.20");
        sold(articles, "HB9", parts, "40", "9.20");
        sold(articles, "PB6", parts, "60", "9.00");
        sold(articles, "RG25", parts, "50", "11.50");
        sold(articles, "RG25", parts, "100", "21.00");
        sold(articles, "BK16", parts, "20", "9.80");
        sold(articles, "BK25", parts, "10", "6.90");
        sold(articles, "SC12", parts, "20", "13.60");
    }

    /** What is short was ordered, and comes in some days. */
    void buy(String supplier, String code, int count) {
        List<?> found = entities.createNativeQuery("""
                        select p.id, p.supplier_id from put_up p join supplier s on s.id = p.supplier_id
                            join article a on a.id = p.article_id
                        where s.name = :supplier and a.code = :code order by p.quantity desc limit 1
                        """, Tuple.class)
                .setParameter("supplier", supplier)
                .setParameter("code", code)
                .getResultList();
        Tuple putUp = (Tuple) found.get(0);
        purchases.place(new NewPurchase(
                putUp.get("supplier_id", Number.class).longValue(),
                List.of(new BuyPick(putUp.get("id", Number.class).longValue(), count))));
    }

    private void sold(Map<String, Long> articles, String code, long supplier, String quantity, String price) {
        suppliers.addPutUp(
                article(articles, code),
                new NewPutUp(supplier, quantity, price, code + "-" + quantity.replace(" ", ""), UnitSystem.METRIC));
    }

    private static long article(Map<String, Long> articles, String code) {
        return Objects.requireNonNull(articles.get(code));
    }
}
