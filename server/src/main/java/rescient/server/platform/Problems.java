package rescient.server.platform;

import com.fasterxml.jackson.databind.JsonMappingException;
import jakarta.validation.ConstraintViolation;
import jakarta.validation.ConstraintViolationException;
import java.sql.SQLException;
import java.util.Locale;
import java.util.Objects;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.validation.FieldError;
import org.springframework.validation.ObjectError;
import org.springframework.validation.method.ParameterValidationResult;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.MissingRequestHeaderException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.util.DisconnectedClientHelper;
import rescient.core.base.PlanningException;
import rescient.core.company.UnfitException;

/** Turns what went wrong into problem documents. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    /** What PostgreSQL says when a foreign key would be left without its row. */
    private static final String NAMED = "23503";

    private static final int LONGEST_SHOWN = 60;

    @ExceptionHandler
    ResponseEntity<ProblemDetail> job(JobProblem problem) {
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(problem.status(), problem.getMessage());
        problem.more().forEach(detail::setProperty);
        return ResponseEntity.status(problem.status()).body(detail);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unfit(UnfitException problem) {
        return job(new JobProblem(HttpStatus.UNPROCESSABLE_ENTITY, problem.getMessage()).field(problem.field()));
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> planning(PlanningException problem) {
        return answer(HttpStatus.UNPROCESSABLE_ENTITY, problem.getMessage());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> values(DataIntegrityViolationException problem) {
        return refused(problem, problem.getMostSpecificCause());
    }

    /** The same from where nobody translated it. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> values(org.hibernate.exception.ConstraintViolationException problem) {
        return refused(problem, problem.getSQLException());
    }

    private static ResponseEntity<ProblemDetail> refused(Exception problem, Throwable cause) {
        LOG.warn("Refused by the database", problem);
        if (cause instanceof SQLException sql && NAMED.equals(sql.getSQLState())) {
            return answer(
                    HttpStatus.CONFLICT,
                    "Something that is kept still names it, perhaps an order that is closed or a movement of stock; retire"
                            + " it instead. Nothing was changed");
        }
        return answer(HttpStatus.UNPROCESSABLE_ENTITY, "A value does not fit what is kept; nothing was changed");
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> argument(ConstraintViolationException problem) {
        ConstraintViolation<?> first =
                problem.getConstraintViolations().iterator().next();
        String path = first.getPropertyPath().toString();
        return wrong(path.substring(path.lastIndexOf('.') + 1), first.getMessage());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> type(MethodArgumentTypeMismatchException problem) {
        return wrong(problem.getName(), "cannot be \"" + shown(problem.getValue()) + "\"");
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> header(MissingRequestHeaderException problem) {
        return wrong(problem.getHeaderName(), "is missing");
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> denied(AccessDeniedException problem) {
        return answer(HttpStatus.FORBIDDEN, "Your role may not do this");
    }

    /** @return null if whoever asked has left before the answer was sent: nobody is there to be told, and nothing is wrong */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> unexpected(Exception problem) {
        if (DisconnectedClientHelper.isClientDisconnectedException(problem)) {
            return null;
        }
        if (Outage.isOne(problem)) {
            return answer(HttpStatus.SERVICE_UNAVAILABLE, Outage.SENTENCE);
        }
        LOG.error("Unexpected", problem);
        return answer(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong on the server; nothing was changed. It stands in the server's log.");
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException problem, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ObjectError first = problem.getBindingResult().getAllErrors().get(0);
        if (first instanceof FieldError field && field.isBindingFailure()) {
            return as(wrong(field.getField(), "cannot be \"" + shown(field.getRejectedValue()) + "\""));
        }
        String name = first instanceof FieldError field ? field.getField() : first.getObjectName();
        return as(wrong(name, first.getDefaultMessage()));
    }

    @Override
    protected ResponseEntity<Object> handleHandlerMethodValidationException(
            HandlerMethodValidationException problem, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ParameterValidationResult first =
                problem.getParameterValidationResults().get(0);
        return as(wrong(
                first.getMethodParameter().getParameterName(),
                first.getResolvableErrors().get(0).getDefaultMessage()));
    }

    @Override
    protected ResponseEntity<Object> handleMissingServletRequestParameter(
            MissingServletRequestParameterException problem,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        return as(wrong(problem.getParameterName(), "is missing"));
    }

    @Override
    protected ResponseEntity<Object> handleTypeMismatch(
            TypeMismatchException problem, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        String name = problem.getPropertyName() == null ? "the value" : problem.getPropertyName();
        return as(wrong(name, "cannot be \"" + shown(problem.getValue()) + "\""));
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException problem, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        for (Throwable cause = problem; cause != null; cause = cause.getCause()) {
            if (cause instanceof RequestGuard.TooLargeException) {
                return as(answer(HttpStatus.PAYLOAD_TOO_LARGE, "That is too much at once; nothing was changed"));
            }
        }
        if (problem.getCause() instanceof JsonMappingException mapping
                && !mapping.getPath().isEmpty()) {
            String name = mapping.getPath().stream()
                    .map(JsonMappingException.Reference::getFieldName)
                    .filter(Objects::nonNull)
                    .reduce((first, last) -> last)
                    .orElse("the value");
            boolean said = mapping instanceof ReadingJson.WrongValue;
            return as(wrong(name, said ? mapping.getOriginalMessage() : "is not what it can be"));
        }
        return as(answer(HttpStatus.BAD_REQUEST, "What was sent cannot be read; nothing was changed"));
    }

    /** What is wrong with a field, so that it can be said beside it. */
    private static ResponseEntity<ProblemDetail> wrong(String field, String sentence) {
        String name = words(field);
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST,
                name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1) + " " + sentence);
        detail.setProperty("field", field);
        return ResponseEntity.badRequest().body(detail);
    }

    /** {@code part due} of {@code parts[0].partDue}. */
    private static String words(String path) {
        String last = path.replaceAll("\\[[^\\]]*\\]", "");
        last = last.substring(last.lastIndexOf('.') + 1).replace('_', ' ').replace('-', ' ');
        return last.isBlank()
                ? "The value"
                : last.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(Locale.ROOT);
    }

    private static String shown(Object value) {
        String text = String.valueOf(value);
        return text.length() <= LONGEST_SHOWN ? text : text.substring(0, LONGEST_SHOWN) + "…";
    }

    private static ResponseEntity<Object> as(ResponseEntity<ProblemDetail> answer) {
        return ResponseEntity.status(answer.getStatusCode()).body(answer.getBody());
    }

    private static ResponseEntity<ProblemDetail> answer(HttpStatus status, String text) {
        return ResponseEntity.status(status).body(ProblemDetail.forStatusAndDetail(status, text));
    }
}
