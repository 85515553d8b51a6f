package rescient.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.apache.catalina.connector.ClientAbortException;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;

class ProblemsTest {
    private final Problems problems = new Problems();

    @Test
    void aBrowserThatHasLeftIsNoProblem() {
        assertThat(problems.unexpected(new ClientAbortException(new IOException("Broken pipe"))))
                .isNull();
    }

    @Test
    void whatNobodyExpectedIsToldWithoutItsInnards() {
        ResponseEntity<?> answer = problems.unexpected(new IllegalStateException("select * from secrets"));
        assertThat(answer.getStatusCode()).isEqualTo(HttpStatus.INTERNAL_SERVER_ERROR);
        assertThat(answer.getBody()).asString().contains("nothing was changed").doesNotContain("secrets");
    }
}
