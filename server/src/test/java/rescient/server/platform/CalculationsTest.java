package rescient.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

/** One person's calculations do not keep the others from theirs. */
class CalculationsTest {
    private final Calculations calculations = new Calculations(Duration.ZERO);

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
        MockHttpServletRequest request = new MockHttpServletRequest("GET", path);
        request.setUserPrincipal(() -> person);
        calculations.preHandle(request, new MockHttpServletResponse(), this);
        return request;
    }
}
