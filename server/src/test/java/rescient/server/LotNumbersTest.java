package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** Honey extractors are numbered by X4-{yy}{ww}-{####}; the highest in the demo company is 0079, and today is in week 48. */
class LotNumbersTest extends ServerTest {
    private Reply take(String login, String item, int many) throws Exception {
        return reply(
                login,
                MockMvcRequestBuilders.post("/api/stock/numbers")
                        .param("item", item)
                        .param("many", Integer.toString(many))
                        .with(csrf()));
    }

    private List<String> taken(String item, int many) throws Exception {
        Reply reply = take("stella", item, many);
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(200);
        List<String> numbers = new ArrayList<>();
        reply.body().get("numbers").forEach(one -> numbers.add(one.asText()));
        return numbers;
    }

    @Test
    void theNextOnesAreGivenOnce() throws Exception {
        assertThat(taken("EXTR-4", 3)).containsExactly("X4-2648-0080", "X4-2648-0081", "X4-2648-0082");
        assertThat(taken("EXTR-4", 1)).containsExactly("X4-2648-0083");
    }

    @Test
    void whatSomebodyTypedIsPassedOver() throws Exception {
        Reply posted = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{\"lines\":[{\"act\":\"ADJUST\",\"item\":\"EXTR-4\",\"site\":\"LARKMOOR\",\"serial\":\"X4-2601-0200\","
                        + "\"quantity\":1}]}");
        assertThat(posted.status()).as(String.valueOf(posted.body())).isEqualTo(201);
        assertThat(taken("EXTR-4", 1)).containsExactly("X4-2648-0201");
    }

    @Test
    void aLotHasOneNumberHoweverManyPieces() throws Exception {
        assertThat(taken("CARR-62", 50)).containsExactly("CA-2648");
    }

    @Test
    void nobodyGetsWhatAnotherGot() throws Exception {
        ExecutorService people = Executors.newFixedThreadPool(8);
        try {
            List<Callable<List<String>>> asking = new ArrayList<>();
            for (int i = 0; i < 24; i++) {
                asking.add(() -> taken("GBX-410", 2));
            }
            List<String> all = new ArrayList<>();
            for (Future<List<String>> one : people.invokeAll(asking)) {
                all.addAll(one.get());
            }
            assertThat(all).hasSize(48).doesNotHaveDuplicates();
        } finally {
            people.shutdownNow();
        }
    }

    @Test
    void whatCannotBeNumberedIsSaid() throws Exception {
        assertThat(take("stella", "SYRUP-5", 1).body().get("detail").asText()).contains("has no pattern");
        assertThat(take("stella", "BOX-B10", 1).body().get("detail").asText()).contains("not kept by lots");
        assertThat(take("stella", "NOTHING", 1).status()).isEqualTo(404);
        assertThat(take("sven", "EXTR-4", 1).status()).isEqualTo(403);
        assertThat(take("stella", "EXTR-4", 0).status()).isEqualTo(400);
    }
}
