package rescient.e2e;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.ProcessBuilder.Redirect;
import java.net.CookieManager;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import rescient.server.testing.TestDatabase;

/** Packaged servers, each a process of its own, on one database. */
final class Servers implements AutoCloseable {
    private static final Path JAR = Path.of("../server/target/app/rescient-server-0.1.0-app.jar")
            .toAbsolutePath()
            .normalize();
    private static final long PATIENCE_SECONDS = 120;
    private static final ObjectMapper JSON = new ObjectMapper();

    private final String database;
    private final List<Server> all = new ArrayList<>();

    Servers(String database) {
        this.database = database;
    }

    /** Starts one for a short life and waits until it is ready. */
    Server start() throws Exception {
        return start(
                "2026-11-23",
                "-Xmx700m",
                "-Drescient.warm-up=false",
                "-XX:TieredStopAtLevel=1",
                "-XX:SharedArchiveFile=" + classes());
    }

    /** The same options for a server that somebody else starts. */
    static String quick() {
        return "-Drescient.warm-up=false -XX:TieredStopAtLevel=1 -XX:SharedArchiveFile=" + classes();
    }

    /**
     * The classes of the server as Java keeps them from one start to the next: many servers are started here, and reading
     * their classes is most of what each does. Made by the first who asks, of all that run at the same time.
     */
    private static synchronized Path classes() {
        Path archive = JAR.resolveSibling("classes.jsa").toAbsolutePath().normalize();
        try (FileChannel turn = FileChannel.open(
                        JAR.resolveSibling("classes.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock mine = turn.lock()) {
            boolean made = Files.exists(archive)
                    && Files.getLastModifiedTime(archive).compareTo(Files.getLastModifiedTime(JAR)) > 0;
            if (!made && mine.isValid()) {
                Files.deleteIfExists(archive);
                List<String> words = words(
                        TestDatabase.create(),
                        0,
                        "2026-11-23",
                        "-XX:ArchiveClassesAtExit=" + archive,
                        "-XX:TieredStopAtLevel=1",
                        "-Dspring.context.exit=onRefresh");
                ProcessBuilder builder =
                        new ProcessBuilder(words).redirectErrorStream(true).redirectOutput(Redirect.DISCARD);
                builder.environment().put("SPRING_DATASOURCE_PASSWORD", TestDatabase.password());
                builder.start().waitFor();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
        return archive;
    }

    private static List<String> words(String database, int port, String day, String... options) {
        List<String> words = new ArrayList<>();
        words.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        words.addAll(List.of(options));
        words.addAll(List.of(
                "-jar",
                JAR.toString(),
                "--server.port=" + port,
                "--rescient.demo=../demo/dataset",
                "--rescient.today=" + day,
                "--spring.datasource.url=" + database,
                "--spring.datasource.username=" + TestDatabase.user()));
        return words;
    }

    /** The same on a day, with options of Java. */
    Server start(String day, String... options) throws Exception {
        int port;
        try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            port = free.getLocalPort();
        }
        Path log = Files.createTempFile("rescient-server", ".log");
        ProcessBuilder builder = new ProcessBuilder(words(database, port, day, options))
                .redirectErrorStream(true)
                .redirectOutput(log.toFile());
        builder.environment().put("SPRING_DATASOURCE_PASSWORD", TestDatabase.password());
        Server server = new Server(builder.start(), port, log);
        all.add(server);
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE_SECONDS);
        while (!Files.readString(log).contains("Rescient is ready")) {
            if (System.nanoTime() > until || server.process.waitFor(50, TimeUnit.MILLISECONDS)) {
                throw new AssertionError("The server did not start: " + Files.readString(log));
            }
        }
        return server;
    }

    @Override
    public void close() throws IOException {
        for (Server server : all) {
            server.kill();
            Files.deleteIfExists(server.log);
        }
    }

    /** A plan that a server told of, and when. */
    record Told(long number, long at) {}

    /** An answer; the body is empty if there is none. */
    record Answer(int status, JsonNode body) {}

    /** One server, and somebody's browser on it. */
    static final class Server {
        final Process process;
        final int port;
        private final Path log;
        private final HttpClient browser = HttpClient.newBuilder()
                .cookieHandler(new CookieManager())
                .connectTimeout(Duration.ofSeconds(5))
                .build();

        private Server(Process process, int port, Path log) {
            this.process = process;
            this.port = port;
            this.log = log;
        }

        /** As if the machine had gone. */
        void kill() {
            process.destroyForcibly().onExit().join();
        }

        void signIn(String login) throws Exception {
            get("/api/start");
            Answer answer = post("/api/session", null, "{\"login\":\"" + login + "\",\"password\":\"clover\"}")
                    .get();
            if (answer.status != 200) {
                throw new AssertionError("Not signed in: " + answer);
            }
        }

        Answer get(String path) throws Exception {
            return answer(browser.send(
                    HttpRequest.newBuilder(address(path))
                            .timeout(Duration.ofSeconds(60))
                            .build(),
                    HttpResponse.BodyHandlers.ofString()));
        }

        /** The numbers of the plans that it tells of, each with the moment it was told, until the server ends. */
        BlockingQueue<Told> news() {
            BlockingQueue<Told> plans = new LinkedBlockingQueue<>();
            HttpRequest request =
                    HttpRequest.newBuilder(address("/api/plan/news")).build();
            browser.sendAsync(request, HttpResponse.BodyHandlers.ofLines()).thenAccept(response -> {
                boolean[] plan = {false};
                response.body().forEach(line -> {
                    if (line.startsWith("event:")) {
                        plan[0] = line.endsWith("plan");
                    } else if (line.startsWith("data:") && plan[0]) {
                        plans.add(new Told(
                                Long.parseLong(line.substring("data:".length()).strip()), System.nanoTime()));
                    }
                });
            });
            return plans;
        }

        CompletableFuture<Answer> post(String path, UUID key, String content) {
            HttpRequest.Builder request = HttpRequest.newBuilder(address(path))
                    .timeout(Duration.ofSeconds(60))
                    .header("Content-Type", "application/json")
                    .header("X-XSRF-TOKEN", token())
                    .POST(HttpRequest.BodyPublishers.ofString(content));
            if (key != null) {
                request.header("Idempotency-Key", key.toString());
            }
            return browser.sendAsync(request.build(), HttpResponse.BodyHandlers.ofString())
                    .thenApply(Server::answer);
        }

        private URI address(String path) {
            return URI.create("http://127.0.0.1:" + port + path);
        }

        private String token() {
            return ((CookieManager) browser.cookieHandler().orElseThrow())
                    .getCookieStore().getCookies().stream()
                            .filter(c -> c.getName().equals("XSRF-TOKEN"))
                            .map(c -> java.net.URLDecoder.decode(c.getValue(), StandardCharsets.UTF_8))
                            .findFirst()
                            .orElse("");
        }

        private static Answer answer(HttpResponse<String> response) {
            try {
                String body = response.body();
                return new Answer(response.statusCode(), body == null || body.isEmpty() ? null : JSON.readTree(body));
            } catch (IOException e) {
                throw new java.io.UncheckedIOException(e);
            }
        }
    }
}
