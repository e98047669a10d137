package dev.restis.app.orders;

import dev.restis.app.orders.Arrivals.ArrivalRequest;
import dev.restis.app.orders.Payments.PaidView;
import dev.restis.app.orders.Payments.PaymentInput;
import dev.restis.app.platform.Made;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** How an order goes to its customer, and what of it is paid. */
@RestController
@RequestMapping("/api/orders/{id}")
class SettlingController {

    private final Arrivals arrivals;
    private final Payments payments;
    private final ShelvedPieces shelved;

    SettlingController(Arrivals arrivals, Payments payments, ShelvedPieces shelved) {
        this.arrivals = arrivals;
        this.payments = payments;
        this.shelved = shelved;
    }

    @PutMapping("/arrival")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void arrival(@PathVariable long id, @RequestBody ArrivalRequest body) {
        arrivals.choose(id, body);
    }

    /** @param shelf whether what is made of it is for the shelf */
    record ForShelf(boolean shelf) {}

    @PutMapping("/for-shelf")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forShelf(@PathVariable long id, @RequestBody ForShelf body) {
        shelved.forShelf(id, body.shelf());
    }

    @GetMapping("/payments")
    PaidView payments(@PathVariable long id) {
        return payments.of(id);
    }

    @PostMapping("/payments")
    @ResponseStatus(HttpStatus.CREATED)
    Made pay(@PathVariable long id, @RequestBody PaymentInput body) {
        return new Made(payments.note(id, body));
    }

    @PostMapping("/payments/{payment}/withdraw")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable long id, @PathVariable long payment) {
        payments.withdraw(id, payment);
    }
}
