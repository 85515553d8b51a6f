package rescient.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** {@code ./rescient start}, {@code stop} and {@code reset} as they are typed, with a data folder of their own. */
class LauncherTest {
    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
    private static final Pattern ADDRESS = Pattern.compile("ready at (http://127\\.0\\.0\\.1:(\\d+))");
    private static final long PATIENCE_SECONDS = 300;

    private Path data;
    private final List<Process> started = new ArrayList<>();

    @BeforeEach
    void aDataFolderOfItsOwn() throws IOException {
        assertThat(ROOT.resolve("server/target/app/rescient-server-0.1.0-app.jar"))
                .as("the packaged server; run this with ./rescient test")
                .exists();
        // the build that runs this test has just made everything; start need not build again
        Files.writeString(ROOT.resolve("server/target/built"), "");
        data = Files.createTempDirectory("rescient-launcher");
        Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwxr-xr-x"));
    }

    @AfterEach
    void leaveNothing() throws Exception {
        run("stop");
        started.forEach(Process::destroyForcibly);
        try (Stream<Path> files = Files.walk(data)) {
            for (Path file : files.sorted(java.util.Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(file);
            }
        }
    }

    private record Done(int exit, String said) {}

    private Process launch(String... words) throws IOException {
        List<String> command = new ArrayList<>(List.of(ROOT.resolve("rescient").toString()));
        command.addAll(List.of(words));
        Path output = Files.createTempFile(data, "said", ".txt");
        ProcessBuilder builder = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(output.toFile())
                .redirectInput(ProcessBuilder.Redirect.from(Path.of("/dev/null").toFile()));
        builder.environment().put("RESCIENT_HOME", data.toString());
        builder.environment().put("JDK_JAVA_OPTIONS", Servers.quick());
        Process process = builder.start();
        outputs.put(process, output);
        return process;
    }

    private final java.util.Map<Process, Path> outputs = new java.util.HashMap<>();

    private Done run(String... words) throws Exception {
        Process process = launch(words);
        assertThat(process.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS))
                .as(String.join(" ", words))
                .isTrue();
        return new Done(process.exitValue(), Files.readString(outputs.get(process)));
    }

    /** Starts and waits for the address. */
    private String start(String... options) throws Exception {
        List<String> words = new ArrayList<>(List.of("start"));
        words.addAll(List.of(options));
        Process process = launch(words.toArray(String[]::new));
        started.add(process);
        Path output = outputs.get(process);
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE_SECONDS);
        while (System.nanoTime() < until) {
            String said = Files.readString(output);
            if (said.contains("Ctrl-C ends it.")) {
                return said;
            }
            if (process.waitFor(100, TimeUnit.MILLISECONDS)) {
                break;
            }
        }
        throw new AssertionError("It did not start: " + Files.readString(output));
    }

    private static String get(String said, String path) throws Exception {
        Matcher address = ADDRESS.matcher(said);
        assertThat(address.find()).as(said).isTrue();
        HttpResponse<String> reply = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(address.group(1) + path))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        return reply.body();
    }

    /** A browser's open connection for news of the plan. */
    private static HttpResponse<java.io.InputStream> openNews(String said) throws Exception {
        Matcher address = ADDRESS.matcher(said);
        assertThat(address.find()).isTrue();
        HttpClient browser = HttpClient.newBuilder()
                .cookieHandler(new java.net.CookieManager())
                .build();
        URI base = URI.create(address.group(1));
        HttpResponse<String> first = browser.send(
                HttpRequest.newBuilder(base.resolve("/api/start")).build(), HttpResponse.BodyHandlers.ofString());
        String token = first.headers().allValues("set-cookie").stream()
                .filter(c -> c.startsWith("XSRF-TOKEN="))
                .map(c -> c.substring("XSRF-TOKEN=".length(), c.indexOf(';')))
                .findFirst()
                .orElseThrow();
        browser.send(
                HttpRequest.newBuilder(base.resolve("/api/session"))
                        .header("X-XSRF-TOKEN", token)
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString("{\"login\":\"ida\",\"password\":\"clover\"}"))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        return browser.send(
                HttpRequest.newBuilder(base.resolve("/api/plan/news")).build(),
                HttpResponse.BodyHandlers.ofInputStream());
    }

    private void kill(String file) throws IOException {
        long pid = Long.parseLong(Files.readString(data.resolve(file)).strip());
        ProcessHandle process = ProcessHandle.of(pid).orElseThrow();
        process.destroyForcibly();
        process.onExit().join();
    }

    @Test
    void itStartsWithTheDemoCompanySaysSoAndStopsFromElsewhere() throws Exception {
        String said = start("--today", "2026-11-23");
        assertThat(said).contains("ida     planner, Ida Holm").contains("with the password clover");
        assertThat(get(said, "/api/start")).contains("Larkmoor Hives");
        assertThat(get(said, "/plan")).contains("<!doctype html>");
        Done second = run("start");
        assertThat(second.exit()).isEqualTo(1);
        assertThat(second.said()).contains("Rescient is running already");
        assertThat(run("reset").said()).contains("end it with ./rescient stop first");
        assertThat(run("stop").said()).contains("Rescient has stopped");
        assertThat(started.get(0).waitFor(30, TimeUnit.SECONDS)).isTrue();
        assertThat(run("stop").said()).contains("Rescient is not running");
    }

    /** What a new user does first: opens exactly the printed address, and signs in by keyboard or by clicking. */
    @Test
    void thePrintedAddressIsTheApplication() throws Exception {
        String said = start();
        Matcher address = ADDRESS.matcher(said);
        assertThat(address.find()).as(said).isTrue();
        List<String> failures = new ArrayList<>();
        try (Playwright driver = Chromium.driver();
                Browser chromium = Chromium.launch(driver)) {
            Page typing = opened(chromium, address.group(1), failures);
            PlaywrightAssertions.assertThat(typing.getByLabel("Name")).isFocused();
            typing.keyboard().type("ida");
            typing.keyboard().press("Tab");
            typing.keyboard().type("clover");
            typing.keyboard().press("Enter");
            seesTheList(typing);

            Page clicking = opened(chromium, address.group(1), failures);
            clicking.getByText("Bram Tolk").click();
            seesTheList(clicking);
        }
        assertThat(failures).isEmpty();
    }

    private static Page opened(Browser chromium, String address, List<String> failures) {
        Page page = chromium.newContext(new Browser.NewContextOptions().setViewportSize(1280, 800))
                .newPage();
        page.onConsoleMessage(message -> {
            if (message.type().equals("error")) {
                failures.add(message.text() + " " + message.location());
            }
        });
        page.onPageError(failures::add);
        assertThat(page.navigate(address).status()).isEqualTo(200);
        return page;
    }

    /** The list is there, its first row chosen, and what it is about stands beside it. */
    private static void seesTheList(Page page) {
        PlaywrightAssertions.assertThat(page.getByTestId("freshness")).containsText("Plan is current");
        PlaywrightAssertions.assertThat(page.getByRole(AriaRole.LISTBOX)).containsText("BRG-6202");
        PlaywrightAssertions.assertThat(page.locator(".plan-row").first()).hasClass(Pattern.compile("\\bhere\\b"));
        PlaywrightAssertions.assertThat(page).hasURL(Pattern.compile("/plan\\?order="));
    }

    /** The server is ended from outside: the launcher says so and ends with an error, and takes its database along. */
    @Test
    void aServerThatDiesIsSaidAndIsAnError() throws Exception {
        start();
        kill("server.pid");
        Process launcher = started.get(0);
        assertThat(launcher.waitFor(30, TimeUnit.SECONDS)).isTrue();
        assertThat(launcher.exitValue()).isEqualTo(1);
        assertThat(Files.readString(outputs.get(launcher))).contains("the server has died");
        assertThat(data.resolve("postgres/postmaster.pid")).doesNotExist();
    }

    @Test
    void aKilledServerLeavesNothingThatHindersTheNextStart() throws Exception {
        start();
        Process launcher = started.get(0);
        launcher.destroyForcibly().waitFor();
        kill("server.pid");
        String again = start();
        assertThat(get(again, "/api/start")).contains("Larkmoor Hives");
    }

    @Test
    void endingTheLauncherEndsServerAndDatabaseThoughABrowserIsOpen() throws Exception {
        String said = start();
        HttpResponse<java.io.InputStream> news = openNews(said);
        assertThat(news.statusCode()).isEqualTo(200);
        long server =
                Long.parseLong(Files.readString(data.resolve("server.pid")).strip());
        Process launcher = started.get(0);
        launcher.destroy();
        assertThat(launcher.waitFor(12, TimeUnit.SECONDS)).isTrue();
        assertThat(ProcessHandle.of(server).filter(ProcessHandle::isAlive)).isEmpty();
        assertThat(data.resolve("postgres/postmaster.pid")).doesNotExist();
    }

    @Test
    void aPortInUseIsOneClearSentence() throws Exception {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            Done done = run("start", "--port", Integer.toString(taken.getLocalPort()));
            assertThat(done.exit()).isEqualTo(1);
            assertThat(done.said().strip())
                    .isEqualTo("rescient: port " + taken.getLocalPort()
                            + " is in use by another program; choose another with --port.");
        }
    }

    @Test
    void anEmptyCompanyHasNoDemoSignInsAndDemoDataIsNotMixedWithIt() throws Exception {
        String said = start("--empty");
        assertThat(said).contains("Sign in as planner with the password").doesNotContain("clover");
        assertThat(get(said, "/api/start")).contains("\"demo\":false");
        run("stop");
        assertThat(run("reset").said()).contains("The next start loads fresh demo data");
        assertThat(start()).contains("Ida Holm");
        run("stop");
        Done mixed = run("start", "--empty");
        assertThat(mixed.exit()).isEqualTo(1);
        assertThat(mixed.said()).contains("the database holds the demo company");
    }

    @Test
    void aDatabaseOfANewerVersionIsRefusedInWords() throws Exception {
        start();
        String port = Files.readString(data.resolve("postgres-port"));
        String password = Files.readString(data.resolve("password"));
        try (var connection = java.sql.DriverManager.getConnection(
                        "jdbc:postgresql://127.0.0.1:" + port + "/rescient", "rescient", password);
                var statement = connection.createStatement()) {
            statement.execute("insert into flyway_schema_history (installed_rank, version, description, type, script,"
                    + " checksum, installed_by, execution_time, success)"
                    + " values (99, '99', 'later', 'SQL', 'V99__later.sql', 1, 'rescient', 1, true)");
        }
        run("stop");
        Done done = run("start");
        assertThat(done.exit()).isEqualTo(1);
        assertThat(done.said()).contains("the database was written by a newer Rescient");
    }

    @Test
    void whatCannotBeMeantIsRefused() throws Exception {
        assertThat(run("start", "--port", "many").said()).contains("--port wants a number");
        assertThat(run("start", "--port", "70000").said()).contains("from 1 to 65535");
        assertThat(run("start", "--today", "tomorrow").said()).contains("--today wants a date");
        assertThat(run("begin").said()).contains("\"begin\" is not something it can do");
        assertThat(run("help").said()).contains("./rescient start").contains("./rescient test");
    }
}
