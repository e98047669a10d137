package dev.restis.app.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses bodies that are too large before anything of them is read: those who are not signed in send least. Files have bounds
 * of their own, and so has the shops' door, which reads no further than it must.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class BoundedBodies extends OncePerRequestFilter {

    private static final long MOST = 2L << 20;
    private static final long MOST_OF_STRANGERS = 16L << 10;
    private static final Set<String> STRANGERS = Set.of("/api/sign-in", "/api/setup");
    private static final String SHOPS = "/api/feed";

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String type = request.getContentType();
        return request.getRequestURI().equals(SHOPS) || type != null && type.startsWith("multipart/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getHeader("Transfer-Encoding") != null) {
            // How much comes is said beforehand, or it is not listened to.
            response.sendError(HttpStatus.LENGTH_REQUIRED.value());
        } else if (request.getContentLengthLong()
                > (STRANGERS.contains(request.getRequestURI()) ? MOST_OF_STRANGERS : MOST)) {
            response.sendError(HttpStatus.CONTENT_TOO_LARGE.value());
        } else {
            chain.doFilter(request, response);
        }
    }
}
