package dev.restis.app.orders;

import dev.restis.core.order.OrderStage;
import jakarta.persistence.CascadeType;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderBy;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

@Entity
@SuppressWarnings("NullAway.Init")
class CustomerOrder {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE)
    @SequenceGenerator(sequenceName = "customer_order_number", allocationSize = 50)
    private long id;

    @Version
    private int version;

    private String source;
    private String reference;
    private String customer;
    private long customerId;

    private @Nullable LocalDate due;

    @Enumerated(EnumType.STRING)
    private OrderStage stage;

    /** The day that was promised. */
    private @Nullable LocalDate promised;

    /** In time before others. */
    private boolean must;

    /** Whatever is made of it is for the shelf. */
    private boolean forShelf;

    /** How it goes; empty where it is handed over. */
    private String way = "";

    /** From the day it leaves, which it is due on, to the day it arrives. */
    private int wayDays;

    private String note;
    private String search = "";

    /** Seconds that its pieces still take; kept by the database, with each of them. */
    @Column(name = "making_left_s", insertable = false, updatable = false)
    private long makingLeftSeconds;

    /** How many of its pieces are so far; kept by the application, with each of them. */
    @Column(insertable = false, updatable = false)
    private int pieces;

    @Column(insertable = false, updatable = false)
    private int planned;

    @Column(insertable = false, updatable = false)
    private int cut;

    @Column(insertable = false, updatable = false)
    private int made;

    @Column(insertable = false, updatable = false)
    private int dispatched;

    private Instant createdAt;
    private String createdBy;

    @OneToMany(mappedBy = "order", cascade = CascadeType.ALL, orphanRemoval = true)
    @OrderBy("number")
    private List<OrderLine> lines = new ArrayList<>();

    protected CustomerOrder() {}

    /** @param customerId whose name it is */
    CustomerOrder(OrderHead head, long customerId, OrderStage stage, Instant createdAt, String createdBy) {
        this.customerId = customerId;
        this.source = head.source();
        this.reference = head.reference();
        this.customer = head.customer();
        this.due = head.due();
        this.note = head.note();
        this.stage = stage;
        this.createdAt = createdAt;
        this.createdBy = createdBy;
    }

    /** What stands at the top of an order; source and reference together name it once and for all. */
    record OrderHead(
            String source,
            String reference,
            String customer,
            @Nullable LocalDate due,
            String note) {}

    long id() {
        return id;
    }

    OrderHead head() {
        return new OrderHead(source, reference, customer, due, note);
    }

    /** The number of the name that the customer had then. */
    long customerId() {
        return customerId;
    }

    /** Who it was is forgotten. */
    void forget() {
        customer = "";
        note = "";
        lines.forEach(OrderLine::forgetNote);
    }

    /** Day and note anew; the name of an order stays. */
    void head(OrderHead other) {
        head(other, customerId);
    }

    /** Another customer as well. */
    void head(OrderHead other, long otherCustomer) {
        customerId = otherCustomer;
        customer = other.customer();
        due = other.due();
        note = other.note();
    }

    OrderStage stage() {
        return stage;
    }

    void stage(OrderStage other) {
        stage = other;
    }

    void promise(LocalDate day) {
        promised = day;
    }

    @Nullable
    LocalDate promised() {
        return promised;
    }

    void must(boolean before) {
        must = before;
    }

    boolean must() {
        return must;
    }

    void forShelf(boolean shelf) {
        forShelf = shelf;
    }

    boolean forShelf() {
        return forShelf;
    }

    void goes(String by, int days) {
        way = by;
        wayDays = days;
    }

    String way() {
        return way;
    }

    int wayDays() {
        return wayDays;
    }

    /** The day it arrives when it leaves on the day it is due. */
    @Nullable
    LocalDate arrives() {
        return due == null ? null : due.plusDays(wayDays);
    }

    int version() {
        return version;
    }

    /** Everything that the order can be found by. */
    void search(String text) {
        search = text;
    }

    Instant createdAt() {
        return createdAt;
    }

    String createdBy() {
        return createdBy;
    }

    List<OrderLine> lines() {
        return lines;
    }

    /** The number of a line that is added. */
    int nextNumber() {
        return lines.stream().mapToInt(OrderLine::number).max().orElse(0) + 1;
    }

    Optional<OrderLine> line(int number) {
        return lines.stream().filter(l -> l.number() == number).findFirst();
    }
}
