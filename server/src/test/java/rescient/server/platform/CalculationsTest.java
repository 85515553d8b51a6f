package rescient.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;

/** One person's calculations do not keep the others from theirs. */
class CalculationsTest {
    private static final Duration LONGEST = Duration.ofSeconds(60);
    private static final Snapshot FEW = Snapshot.builder(20_000, 20_200).build();

    private Instant now = Instant.parse("2026-05-04T08:00:00Z");
    private final Calculations calculations = new Calculations(
            new Clock() {
                @Override
                public ZoneId getZone() {
                    return ZoneOffset.UTC;
                }

                @Override
                public Clock withZone(ZoneId zone) {
                    return this;
                }

                @Override
                public Instant instant() {
                    return now;
                }
            },
            Duration.ZERO,
            LONGEST);

    @AfterEach
    void noRequestIsLeft() {
        RequestContextHolder.resetRequestAttributes();
    }

    @Test
    void whoAskedEndsItAndNobodyElse() throws Exception {
        MockHttpServletRequest request = begun("ida", "/api/what-ifs/7", "a");
        RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(request));
        calculations.end("tom", "a");
        calculations.end("ida", "b");
        assertThat(planned()).isNotNull();

        calculations.end("ida", "a");
        assertThatThrownBy(this::planned).isInstanceOf(JobProblem.class).hasMessageContaining("You ended this");

        calculations.afterCompletion(request, new MockHttpServletResponse(), this, null);
        RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(begun("ida", "/api/what-ifs/7", "a")));
        assertThat(planned()).isNotNull();
    }

    @Test
    void itEndsWhenItTakesTooLong() throws Exception {
        RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(begun("ida", "/api/what-ifs/7")));
        now = now.plus(LONGEST);
        assertThat(planned()).isNotNull();
        now = now.plusMillis(1);
        assertThatThrownBy(this::planned).isInstanceOf(JobProblem.class).hasMessageContaining("more than 60 s");
    }

    /** What a page names as a calculation is one here too: an unnamed one could not be ended. */
    @Test
    void whateverMakesAnotherPlanIsOne() throws Exception {
        for (String path : List.of(
                "/api/what-ifs/7",
                "/api/decisions/preview",
                "/api/decisions/offers",
                "/api/releases/preview",
                "/api/promise",
                "/api/promise/ways")) {
            MockHttpServletRequest request = begun("ida", path, "a");
            RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(request));
            calculations.end("ida", "a");
            assertThatThrownBy(this::planned).as(path).hasMessageContaining("You ended this");
            calculations.afterCompletion(request, new MockHttpServletResponse(), this, null);
        }
    }

    @Test
    void aPlanThatNobodyAskedForIsNotEnded() {
        now = now.plus(LONGEST).plus(LONGEST);
        assertThat(planned()).isNotNull();
    }

    private Plan planned() {
        Planner.Watch watch = Asked.watch();
        return new Planner().plan(FEW, PlanOptions.ALL, watch).after(List.of(), watch);
    }

    @Test
    void onePersonHasSoManyAtOnceAndTheNextWaitsInVain() throws Exception {
        List<MockHttpServletRequest> underWay = new ArrayList<>();
        for (int i = 0; i < Calculations.OF_ONE; i++) {
            underWay.add(begun("ida", "/api/what-ifs/7"));
        }
        assertThatThrownBy(() -> begun("ida", "/api/what-ifs/7"))
                .isInstanceOf(JobProblem.class)
                .hasMessageContaining("Try again");
        // the others have theirs, and what calculates nothing goes on
        begun("tom", "/api/decisions/preview");
        begun("ida", "/api/plan/orders");

        calculations.afterCompletion(underWay.get(0), new MockHttpServletResponse(), this, null);
        assertThat(begun("ida", "/api/what-ifs/7")).isNotNull();
    }

    @Test
    void allTogetherHaveSoManyAndNothingIsKeptOfWhatWasRefused() throws Exception {
        List<MockHttpServletRequest> underWay = new ArrayList<>();
        for (String person : List.of("ida", "tom", "bram")) {
            for (int i = 0; i < Calculations.OF_ONE; i++) {
                underWay.add(begun(person, "/api/what-ifs/7"));
            }
        }
        for (int i = 0; i <= Calculations.OF_ONE; i++) {
            assertThatThrownBy(() -> begun("sven", "/api/what-ifs/7")).hasMessageContaining("Others are calculating");
        }
        underWay.forEach(r -> calculations.afterCompletion(r, new MockHttpServletResponse(), this, null));
        assertThat(begun("sven", "/api/what-ifs/7")).isNotNull();
    }

    private MockHttpServletRequest begun(String person, String path) throws Exception {
        return begun(person, path, null);
    }

    private MockHttpServletRequest begun(String person, String path, String name) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", path);
        if (name != null) {
            request.addHeader(Calculations.HEADER, name);
        }
        request.setUserPrincipal(() -> person);
        calculations.preHandle(request, new MockHttpServletResponse(), this);
        return request;
    }
}
