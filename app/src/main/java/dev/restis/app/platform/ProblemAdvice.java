package dev.restis.app.platform;

import dev.restis.core.measure.Fault;
import jakarta.persistence.PersistenceException;
import java.net.URI;
import java.util.Arrays;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.EmptyResultDataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.AuthenticationException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.ErrorResponseException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;

/** Turns every failure into a problem detail (RFC 9457); no stack trace leaves the server. */
@RestControllerAdvice
class ProblemAdvice {

    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    private final FaultWords words;

    ProblemAdvice(FaultWords words) {
        this.words = words;
    }

    @ExceptionHandler
    ProblemDetail rejected(Problems.Rejected e) {
        return withFields(HttpStatus.UNPROCESSABLE_CONTENT, "rejected", words.of(e.faults()));
    }

    @ExceptionHandler
    ProblemDetail invalid(MethodArgumentNotValidException e) {
        List<FieldProblem> fields = e.getBindingResult().getFieldErrors().stream()
                .map(f -> words.of(Fault.of(f.getField(), "invalid", String.valueOf(f.getDefaultMessage()))))
                .toList();
        return withFields(HttpStatus.UNPROCESSABLE_CONTENT, "rejected", fields);
    }

    @ExceptionHandler
    ProblemDetail notFound(Problems.NotFound e) {
        return problem(HttpStatus.NOT_FOUND, e.code());
    }

    @ExceptionHandler
    ProblemDetail noResource(NoResourceFoundException e) {
        return problem(HttpStatus.NOT_FOUND, "notFound");
    }

    @ExceptionHandler
    ProblemDetail conflict(Problems.Conflict e) {
        return problem(HttpStatus.CONFLICT, e.code(), e.args());
    }

    @ExceptionHandler
    ProblemDetail stranger(Problems.Stranger e) {
        return problem(HttpStatus.UNAUTHORIZED, e.code());
    }

    /** What the database refused. Of two who do the same in the same moment, the second is told. */
    @ExceptionHandler({
        PersistenceException.class,
        DataAccessException.class,
        TransactionException.class,
        LockOrder.Overtaken.class
    })
    ProblemDetail refused(Exception e) {
        if (SqlState.nobodyFree(e)) {
            return problem(HttpStatus.SERVICE_UNAVAILABLE, "busy");
        }
        if (SqlState.collided(e)) {
            return problem(HttpStatus.CONFLICT, "changedMeanwhile");
        }
        if (e instanceof EmptyResultDataAccessException) {
            return problem(HttpStatus.NOT_FOUND, "notFound");
        }
        String state = SqlState.of(e).orElse("");
        if (state.startsWith(SqlState.DATA)) {
            return problem(HttpStatus.UNPROCESSABLE_CONTENT, "outOfRange");
        }
        return switch (state) {
            case SqlState.UNIQUE -> problem(HttpStatus.CONFLICT, "changedMeanwhile");
            case SqlState.FOREIGN_KEY -> problem(HttpStatus.CONFLICT, "gone");
            case SqlState.CHECK ->
                SqlState.raisedByTrigger(e)
                        ? problem(HttpStatus.CONFLICT, "stockChanged")
                        : problem(HttpStatus.UNPROCESSABLE_CONTENT, "outOfRange");
            default -> anything(e);
        };
    }

    @ExceptionHandler
    ProblemDetail unreadable(HttpMessageNotReadableException e) {
        String field = e.getCause() instanceof DatabindException read ? path(read) : "";
        return field.isEmpty()
                ? problem(HttpStatus.BAD_REQUEST, "unreadable")
                : withFields(HttpStatus.BAD_REQUEST, "unreadable", List.of(words.of(Fault.of(field, "value.unread"))));
    }

    /** Where in a body something stands that cannot be read, as faults name fields. */
    private static String path(DatabindException e) {
        StringBuilder path = new StringBuilder();
        for (JacksonException.Reference at : e.getPath()) {
            if (at.getPropertyName() == null) {
                path.append('[').append(at.getIndex()).append(']');
            } else {
                path.append(path.isEmpty() ? "" : ".").append(at.getPropertyName());
            }
        }
        return path.toString();
    }

    @ExceptionHandler
    ProblemDetail badParameter(MethodArgumentTypeMismatchException e) {
        return withFields(
                HttpStatus.BAD_REQUEST, "unreadable", List.of(words.of(Fault.of(e.getName(), "value.unread"))));
    }

    @ExceptionHandler
    ProblemDetail missingParameter(MissingServletRequestParameterException e) {
        return withFields(
                HttpStatus.BAD_REQUEST, "unreadable", List.of(words.of(Fault.of(e.getParameterName(), "missing"))));
    }

    @ExceptionHandler
    ProblemDetail missingPart(MissingServletRequestPartException e) {
        return withFields(
                HttpStatus.BAD_REQUEST, "unreadable", List.of(words.of(Fault.of(e.getRequestPartName(), "missing"))));
    }

    @ExceptionHandler
    ProblemDetail tooLarge(MaxUploadSizeExceededException e) {
        return withFields(
                HttpStatus.CONTENT_TOO_LARGE, "rejected", List.of(words.of(Fault.of("file", "file.tooLarge"))));
    }

    @ExceptionHandler
    ProblemDetail denied(AccessDeniedException e) {
        return problem(HttpStatus.FORBIDDEN, "forbidden");
    }

    @ExceptionHandler
    ProblemDetail signInFailed(AuthenticationException e) {
        return problem(HttpStatus.UNAUTHORIZED, "signIn.wrong");
    }

    @ExceptionHandler
    ProblemDetail framework(ErrorResponseException e) {
        HttpStatus status = HttpStatus.valueOf(e.getStatusCode().value());
        return problem(status, status == HttpStatus.NOT_FOUND ? "notFound" : "unreadable");
    }

    /** Nobody is left to read an answer; a browser that moved on is no failure. */
    @ExceptionHandler
    void left(AsyncRequestNotUsableException e) {
        LOG.debug("The client left before its answer was written", e);
    }

    @ExceptionHandler
    ProblemDetail anything(Exception e) {
        if (e instanceof org.springframework.web.ErrorResponse response
                && response.getStatusCode().is4xxClientError()) {
            return problem(HttpStatus.valueOf(response.getStatusCode().value()), "unreadable");
        }
        LOG.error("Unexpected failure", e);
        return problem(HttpStatus.INTERNAL_SERVER_ERROR, "unexpected");
    }

    private ProblemDetail withFields(HttpStatus status, String code, List<FieldProblem> fields) {
        ProblemDetail problem = problem(status, code);
        problem.setProperty("fields", fields);
        return problem;
    }

    private ProblemDetail problem(HttpStatus status, String code, Object... named) {
        Object[] args = Arrays.stream(named).map(FaultWords::shown).toArray();
        ProblemDetail problem =
                ProblemDetail.forStatusAndDetail(status, words.text("problem." + code + ".detail", args));
        problem.setType(URI.create("urn:restis:problem:" + code));
        problem.setTitle(words.text("problem." + code, args));
        problem.setProperty("code", code);
        problem.setProperty("request", MDC.get(RequestNames.KEY));
        return problem;
    }
}
