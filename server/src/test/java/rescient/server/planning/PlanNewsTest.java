package rescient.server.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter.DataWithMediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The news of plans. */
class PlanNewsTest {
    private final AtomicLong now = new AtomicLong();
    private final PlanNews news = new PlanNews(Duration.ofMinutes(1), now::get);
    private final BlockingQueue<String> heard = new LinkedBlockingQueue<>();
    private final CountDownLatch reads = new CountDownLatch(1);

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

    private String next() throws InterruptedException {
        return heard.poll(10, TimeUnit.SECONDS);
    }

    @AfterEach
    void end() {
        reads.countDown();
        news.stop();
    }

    @Test
    void aPlanThatComesWhileSomebodyConnectsIsHeardOf() throws InterruptedException {
        news.listen(listener, () -> {
            // made between the answer and the connection
            news.tell(8);
            return 7;
        });
        String said = next();
        assertThat(said.equals("7") ? next() : said).isEqualTo("8");
    }

    @Test
    void whoeverConnectsHearsOfThePlanThatIsThereAndOfTheNext() throws InterruptedException {
        news.listen(listener, () -> 7);
        assertThat(next()).isEqualTo("7");
        news.tell(8);
        assertThat(next()).isEqualTo("8");
    }

    /** A browser that does not read keeps nobody from hearing, nor whoever tells from going on; then it is dropped. */
    @Test
    void whoDoesNotReadHoldsUpNobody() throws InterruptedException {
        CountDownLatch stuck = new CountDownLatch(1);
        SseEmitter deaf = new SseEmitter() {
            @Override
            public void send(SseEventBuilder event) {
                stuck.countDown();
                try {
                    reads.await();
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            }
        };
        news.listen(deaf, () -> 1);
        assertThat(stuck.await(10, TimeUnit.SECONDS)).isTrue();
        now.addAndGet(Duration.ofMinutes(2).toNanos());
        news.listen(listener, () -> 1);
        assertThat(next()).isEqualTo("1");
        news.tell(2);
        assertThat(next()).isEqualTo("2");
        assertThat(news.listeners()).isEqualTo(2);
        news.stillHere();
        assertThat(news.listeners()).isEqualTo(1);
        news.tell(3);
        assertThat(next()).contains("still here");
        assertThat(next()).isEqualTo("3");
    }
}
