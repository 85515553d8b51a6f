package rescient.server.access;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Instant;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentMatchers;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.session.MapSession;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;

class SparingSessionsTest {
    private static final Instant NOON = Instant.parse("2026-11-23T12:00:00Z");

    @SuppressWarnings("unchecked") // of any kind of session
    private final SessionRepository<Session> kept = mock(SessionRepository.class);

    private final SparingSessions sessions = new SparingSessions(kept);
    private final MapSession session = new MapSession("A1");

    @BeforeEach
    void oneIsKept() {
        session.setLastAccessedTime(NOON);
        when(kept.findById("A1")).thenReturn(session);
    }

    private void request(Runnable answered) throws Exception {
        sessions.doFilter(
                new MockHttpServletRequest(), new MockHttpServletResponse(), (request, response) -> answered.run());
    }

    private boolean found() {
        return sessions.findById("A1") != null;
    }

    @Test
    void aSessionIsReadOnceInARequestAndAnewInTheNext() throws Exception {
        request(() -> assertThat(found() && found()).isTrue());
        verify(kept, times(1)).findById("A1");
        when(kept.findById("A1")).thenReturn(null);
        request(() ->
                assertThat(found()).as("signed out by another server meanwhile").isFalse());
    }

    @Test
    void whoSignsOutIsOutInTheSameRequest() throws Exception {
        request(() -> {
            assertThat(found()).isTrue();
            sessions.deleteById("A1");
            when(kept.findById("A1")).thenReturn(null);
            assertThat(found()).isFalse();
        });
        verify(kept).deleteById("A1");
    }

    @Test
    void theLastUseIsKnownToTheMinute() {
        SparingSessions.Used used = sessions.findById("A1");
        used.setLastAccessedTime(NOON.plusSeconds(60));
        assertThat(session.getLastAccessedTime()).isEqualTo(NOON);
        used.setLastAccessedTime(NOON.plusSeconds(61));
        assertThat(session.getLastAccessedTime()).isEqualTo(NOON.plusSeconds(61));
    }

    @Test
    void whatIsSetInASessionIsKept() {
        SparingSessions.Used used = sessions.findById("A1");
        used.setAttribute("visit", "second");
        sessions.save(used);
        verify(kept).save(ArgumentMatchers.argThat(saved -> "second".equals(saved.getAttribute("visit"))));
    }
}
