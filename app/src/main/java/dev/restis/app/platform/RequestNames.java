package dev.restis.app.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.concurrent.ThreadLocalRandom;
import java.util.regex.Pattern;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Names every request, so that what somebody was shown can be found in the log: the name stands in the answer's head, in its
 * problem and in all that is logged meanwhile. Whoever asks may bring a name along.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class RequestNames extends OncePerRequestFilter {

    /** Where the log finds the name of what a thread does. */
    public static final String KEY = "request";

    static final String HEADER = "X-Request-Id";

    private static final Pattern BROUGHT = Pattern.compile("[A-Za-z0-9-]{8,64}");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String name = Optional.ofNullable(request.getHeader(HEADER))
                .filter(brought -> BROUGHT.matcher(brought).matches())
                .orElseGet(() ->
                        HexFormat.of().toHexDigits(ThreadLocalRandom.current().nextLong()));
        response.setHeader(HEADER, name);
        try (MDC.MDCCloseable named = MDC.putCloseable(KEY, name)) {
            chain.doFilter(request, response);
        }
    }
}
