package rescient.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.Cookie;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;

/** Requests to the server as the person of a page makes them, without the page; timed. */
final class Requests {
    private final HttpClient http = HttpClient.newHttpClient();
    private final Map<String, String> cookies = new HashMap<>();
    private final int port;

    Requests(int port, Page page) {
        this.port = port;
        for (Cookie cookie : page.context().cookies()) {
            cookies.put(cookie.name, cookie.value);
        }
    }

    HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                .header(
                        "Cookie",
                        cookies.entrySet().stream()
                                .map(c -> c.getKey() + "=" + c.getValue())
                                .collect(Collectors.joining("; ")))
                .header("X-XSRF-TOKEN", cookies.getOrDefault("XSRF-TOKEN", ""));
    }

    /** @return milliseconds until the answer was there */
    double get(String path) {
        long begun = System.nanoTime();
        send(request(path).build(), path);
        return (System.nanoTime() - begun) / 1e6;
    }

    String post(String path, String type, HttpRequest.BodyPublisher body) {
        return send(
                request(path)
                        .header("Content-Type", type)
                        .header("Idempotency-Key", UUID.randomUUID().toString())
                        .POST(body)
                        .build(),
                path);
    }

    private String send(HttpRequest request, String path) {
        try {
            HttpResponse<String> answer = http.send(request, HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() >= 300) {
                throw new IllegalStateException(path + ": " + answer.statusCode() + " " + answer.body());
            }
            return answer.body();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
