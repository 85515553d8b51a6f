package rescient.server.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter.DataWithMediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The news of plans. */
class PlanNewsTest {
    private final PlanNews news = new PlanNews();
    private final List<String> heard = new ArrayList<>();

    private final SseEmitter listener = new SseEmitter() {
        @Override
        public void send(SseEventBuilder event) {
            StringBuilder text = new StringBuilder();
            for (DataWithMediaType part : event.build()) {
                text.append(part.getData());
            }
            heard.add(text.toString().replaceAll("(?s).*data:(\\d+)\\s*", "$1"));
        }
    };

    @Test
    void aPlanThatComesWhileSomebodyConnectsIsHeardOf() {
        news.listen(listener, () -> {
            // made between the answer and the connection
            news.tell(8);
            return 7;
        });
        assertThat(heard).contains("8");
    }

    @Test
    void whoeverConnectsHearsOfThePlanThatIsThereAndOfTheNext() {
        news.listen(listener, () -> 7);
        news.tell(8);
        assertThat(heard).containsExactly("7", "8");
    }
}
