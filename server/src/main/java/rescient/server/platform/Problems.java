package rescient.server.platform;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.validation.FieldError;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.util.DisconnectedClientHelper;
import rescient.core.PlanningException;

/** Turns what went wrong into problem documents. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ResponseEntity<ProblemDetail> job(JobProblem problem) {
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(problem.status(), problem.getMessage());
        problem.more().forEach(detail::setProperty);
        return ResponseEntity.status(problem.status()).body(detail);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> planning(PlanningException problem) {
        return answer(HttpStatus.UNPROCESSABLE_ENTITY, problem.getMessage());
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
        LOG.error("Unexpected", problem);
        return answer(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong on the server; nothing was changed. It stands in the server's log.");
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException problem, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        FieldError field = problem.getBindingResult().getFieldErrors().get(0);
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST, field.getField() + " " + field.getDefaultMessage());
        detail.setProperty("field", field.getField());
        return ResponseEntity.badRequest().body(detail);
    }

    private static ResponseEntity<ProblemDetail> answer(HttpStatus status, String text) {
        return ResponseEntity.status(status).body(ProblemDetail.forStatusAndDetail(status, text));
    }
}
