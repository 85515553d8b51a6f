package rescient.server.changes;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class BacklogTest {
    private final Backlog<String> backlog = new Backlog<>();

    private void steps(String plans) {
        for (int i = 1; i < plans.length(); i++) {
            backlog.add(plans.substring(i - 1, i), plans.substring(i, i + 1));
        }
    }

    @Test
    void aFewAreKeptOneByOne() {
        steps("abcd");
        assertThat(backlog.take()).isEqualTo(new Backlog.Step<>("a", "b"));
        assertThat(backlog.take()).isEqualTo(new Backlog.Step<>("b", "c"));
        assertThat(backlog.take()).isEqualTo(new Backlog.Step<>("c", "d"));
        assertThat(backlog.take()).isNull();
    }

    @Test
    void manyAreKeptTogether() {
        steps("abcde");
        assertThat(backlog.take()).isEqualTo(new Backlog.Step<>("a", "e"));
        assertThat(backlog.take()).isNull();
        // and what comes then by itself again
        backlog.add("e", "f");
        assertThat(backlog.take()).isEqualTo(new Backlog.Step<>("e", "f"));
    }

    @Test
    void theFirstPlanIsKeptByItself() {
        backlog.add(null, "a");
        steps("abcde");
        assertThat(backlog.take()).isEqualTo(new Backlog.Step<>(null, "a"));
        assertThat(backlog.take()).isEqualTo(new Backlog.Step<>("a", "e"));
    }
}
