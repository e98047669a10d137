package dev.restis.app.platform;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** Where people open Restis: what the house says, or where this was asked for. */
@Component
public class OpenedAt {

    private final String address;

    OpenedAt(@Value("${restis.known-address:}") String address) {
        this.address = address;
    }

    /** For codes on paper that lead back. */
    public String origin() {
        return address.isEmpty()
                ? ServletUriComponentsBuilder.fromCurrentContextPath().toUriString()
                : address;
    }
}
