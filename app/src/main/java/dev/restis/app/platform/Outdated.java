package dev.restis.app.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.HtmlUtils;

/** Answers for a Restis that a newer one has taken the place of: nothing but a page that says so. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
public class Outdated extends OncePerRequestFilter {

    private final FaultWords words;
    private volatile boolean outdated;

    Outdated(FaultWords words) {
        this.words = words;
    }

    /** From now on nothing is served. */
    public void now() {
        outdated = true;
    }

    public boolean is() {
        return outdated;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!outdated) {
            chain.doFilter(request, response);
            return;
        }
        String title = HtmlUtils.htmlEscape(words.text("problem.outdated"));
        String detail = HtmlUtils.htmlEscape(words.text("problem.outdated.detail"));
        boolean api = request.getRequestURI().startsWith("/api/");
        response.setStatus(HttpStatus.SERVICE_UNAVAILABLE.value());
        response.setCharacterEncoding(StandardCharsets.UTF_8);
        response.setContentType(api ? MediaType.APPLICATION_PROBLEM_JSON_VALUE : MediaType.TEXT_HTML_VALUE);
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        response.getWriter().write(api ? """
                                {"type":"urn:restis:problem:outdated","title":"%s","status":503,"detail":"%s","code":"outdated"}
                                """.formatted(title, detail) : """
                                <!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
                                <title>%s</title><body style="font: 1.2rem/1.5 sans-serif; max-width: 32rem; margin: 4rem auto; padding: 0 1rem">
                                <h1>%s</h1><p>%s</p></body></html>
                                """.formatted(title, title, detail));
    }
}
