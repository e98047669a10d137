package dev.restis.app.finished;

import dev.restis.app.customers.Customers;
import dev.restis.app.customers.Customers.Contact;
import dev.restis.app.finished.Contents.Content;
import dev.restis.app.finished.Contents.ContentLine;
import dev.restis.app.finished.Letter.Message;
import dev.restis.app.orders.KeptWithOrders;
import dev.restis.app.orders.OrderFacts;
import dev.restis.app.orders.OrderFacts.Facts;
import dev.restis.app.orders.SheetWords;
import dev.restis.app.orders.SheetWords.Sheet;
import dev.restis.app.platform.Problems.Conflict;
import dev.restis.app.platform.Problems.Rejected;
import dev.restis.app.platform.Texts;
import dev.restis.app.workshop.Workshop;
import dev.restis.core.measure.Fault;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Messages to customers: drafted, changed and put in the outbox by a person. Nothing leaves by itself. */
@Service
class Letters implements KeptWithOrders {

    /** What a message is about. */
    enum LetterKind {
        QUOTE,
        READY,
        SENT,
        LATER
    }

    /**
     * A message that is in the outbox.
     *
     * @param handedOverAt when it left the outbox; nothing while it waits there
     */
    record LetterView(
            long id,
            LetterKind kind,
            String recipient,
            String subject,
            String body,
            Instant putAt,
            String putBy,
            @Nullable Instant handedOverAt) {}

    /**
     * A message as it could go.
     *
     * @param recipient empty where nobody knows it
     * @param before how many went out about this order already
     */
    record LetterDraft(String recipient, String subject, String body, long before) {}

    /**
     * A message as somebody wants it to go.
     *
     * @param before how many went out before, as whoever asks saw it
     */
    record LetterRequest(
            LetterKind kind,
            @Nullable String recipient,
            @Nullable String subject,
            @Nullable String body,
            long before) {}

    private static final int MOST_SHOWN = 100;
    private static final int LONGEST_LINE = 200;
    private static final int LONGEST = 20_000;

    private final EntityManager entities;
    private final OrderFacts orders;
    private final Customers customers;
    private final Workshop workshop;
    private final SheetWords words;
    private final Contents contents;
    private final Clock clock;

    Letters(
            EntityManager entities,
            OrderFacts orders,
            Customers customers,
            Workshop workshop,
            SheetWords words,
            Contents contents,
            Clock clock) {
        this.entities = entities;
        this.orders = orders;
        this.customers = customers;
        this.workshop = workshop;
        this.words = words;
        this.contents = contents;
        this.clock = clock;
    }

    /** Of an order, the newest first. */
    @Transactional(readOnly = true)
    public List<LetterView> of(long order) {
        return entities.createQuery("select l from Letter l where l.orderId = :order order by l.id desc", Letter.class)
                .setParameter("order", order)
                .setMaxResults(MOST_SHOWN)
                .getResultStream()
                .map(Letter::view)
                .toList();
    }

    private long count(long order) {
        return entities.createQuery("select count(l) from Letter l where l.orderId = :order", Long.class)
                .setParameter("order", order)
                .getSingleResult();
    }

    /**
     * A message to begin from, in the customer's language.
     *
     * @throws Conflict when it would speak of pieces and none is made
     */
    @Transactional(readOnly = true)
    public LetterDraft draft(long order, LetterKind kind) {
        Facts facts = orders.of(order);
        Contact contact = customers.contact(facts.customerId());
        Workshop.Settings house = workshop.settings();
        Sheet sheet = words.in(contact.language(), house.currency());
        String body = switch (kind) {
            case QUOTE -> orders.quoteMessage(order).orElse("");
            case READY ->
                sheet.text(
                        "letter.READY",
                        facts.customer(),
                        facts.reference(),
                        pieces(contents.of(order, null)),
                        house.name());
            case LATER ->
                sheet.text("letter.LATER", facts.customer(), facts.reference(), day(facts, sheet), house.name());
            case SENT -> sent(contents.of(order, newest(order).map(Parcel::id).orElse(null)));
        };
        return new LetterDraft(
                contact.email(), sheet.text("letter." + kind + ".subject", facts.reference()), body, count(order));
    }

    private static String day(Facts facts, Sheet sheet) {
        LocalDate day = facts.promised() == null ? facts.due() : facts.promised();
        return day == null ? "\u2026" : sheet.day(day);
    }

    /** The parcel that left last; before any has, it speaks of what is about to. */
    private Optional<Parcel> newest(long order) {
        return entities.createQuery(
                        "select p from Parcel p where p.orderId = :order order by p.number desc", Parcel.class)
                .setParameter("order", order)
                .getResultStream()
                .filter(p -> !p.pieces().isEmpty())
                .findFirst();
    }

    private String sent(Content of) {
        Sheet sheet = of.words();
        LocalDate day = of.parcel().map(p -> p.sentOn).orElse(LocalDate.now(clock));
        List<String> said = new ArrayList<>();
        said.add(pieces(of) + ".");
        of.parcel()
                .map(p -> p.way)
                .filter(w -> !w.isEmpty())
                .ifPresent(w -> said.add(sheet.text("letter.SENT.way", w)));
        of.parcel()
                .map(p -> p.tracking)
                .filter(t -> !t.isEmpty())
                .ifPresent(t -> said.add(sheet.text("letter.SENT.tracking", t)));
        if (of.order().wayDays() > 0) {
            said.add(sheet.text(
                    "letter.SENT.arrives", sheet.day(day.plusDays(of.order().wayDays()))));
        }
        int rest = of.lines().stream().mapToInt(ContentLine::toCome).sum();
        if (rest > 0) {
            said.add(sheet.text("letter.SENT.rest", rest));
        }
        return sheet.text(
                "letter.SENT",
                of.order().customer(),
                of.order().reference(),
                sheet.day(day),
                String.join("\n", said),
                of.house().name());
    }

    private static String pieces(Content of) {
        return of.filled().stream()
                .map(l -> of.words().text("letter.pieces", l.pieces().size(), l.patternName()))
                .collect(Collectors.joining(", "));
    }

    /**
     * Puts a message in the outbox.
     *
     * @throws Rejected with every field that cannot be so
     * @throws Conflict when somebody else put one about the same order meanwhile
     */
    @Transactional
    public long put(long order, LetterRequest request) {
        List<Fault> faults = new ArrayList<>();
        String recipient = Texts.required(request.recipient(), "recipient", LONGEST_LINE, faults);
        if (!recipient.isEmpty() && !Message.reaches(recipient)) {
            faults.add(Fault.of("recipient", "email.unread", recipient));
        }
        String subject = Texts.required(request.subject(), "subject", LONGEST_LINE, faults);
        if (subject.chars().anyMatch(Character::isISOControl)) {
            faults.add(Fault.of("subject", "letter.subject"));
        }
        String body = Texts.required(request.body(), "body", LONGEST, faults);
        if (!faults.isEmpty()) {
            throw new Rejected(faults);
        }
        // One after the other, so that the second of two is told of the first.
        orders.hold(order);
        if (count(order) != request.before()) {
            throw new Conflict("letter.others");
        }
        Letter letter = new Letter(
                order, request.kind(), new Message(recipient, subject, body), clock.instant(), Workshop.whoever());
        entities.persist(letter);
        entities.flush();
        return letter.id();
    }

    @Override
    public Map<String, List<Map<String, Object>>> everything(Collection<Long> ofOrders) {
        return Map.of(
                "messages",
                entities.createQuery("select l from Letter l where l.orderId in :orders order by l.id", Letter.class)
                        .setParameter("orders", ofOrders)
                        .getResultStream()
                        .map(Letter::view)
                        .map(l -> Map.<String, Object>of(
                                "at",
                                l.putAt().toString(),
                                "to",
                                l.recipient(),
                                "subject",
                                l.subject(),
                                "text",
                                l.body()))
                        .toList());
    }

    @Override
    public void forget(Collection<Long> ofOrders) {
        entities.createQuery("delete from Letter l where l.orderId in :orders")
                .setParameter("orders", ofOrders)
                .executeUpdate();
        entities.createQuery("update Parcel p set p.tracking = '', p.note = '' where p.orderId in :orders")
                .setParameter("orders", ofOrders)
                .executeUpdate();
    }
}
