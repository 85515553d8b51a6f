package rescient.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.annotation.JsonSerialize;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class OnceWrittenTest {
    private final ObjectMapper json = new ObjectMapper();
    private final AtomicInteger written = new AtomicInteger();

    public final class Row {
        private final String name;

        Row(String name) {
            this.name = name;
        }

        public String getName() {
            written.incrementAndGet();
            return name;
        }
    }

    public record Answer(
            @JsonSerialize(using = OnceWritten.class) List<Row> rows, int more) {}

    @Test
    void theVerySameListIsWrittenOnceAndAnotherForItself() throws Exception {
        List<Row> rows = List.of(new Row("Wachs"), new Row("Schlüssel"));
        String first = json.writeValueAsString(new Answer(rows, 3));
        assertThat(first).isEqualTo("{\"rows\":[{\"name\":\"Wachs\"},{\"name\":\"Schlüssel\"}],\"more\":3}");
        assertThat(json.writeValueAsString(new Answer(rows, 4))).isEqualTo(first.replace("3", "4"));
        assertThat(json.readTree(json.writeValueAsBytes(new Answer(rows, 3)))).isEqualTo(json.readTree(first));
        assertThat(written).hasValue(2);

        String other = json.writeValueAsString(new Answer(List.of(new Row("Wachs"), new Row("Draht")), 3));
        assertThat(other).contains("Draht").doesNotContain("Schlüssel");
        assertThat(written).hasValue(4);
    }
}
