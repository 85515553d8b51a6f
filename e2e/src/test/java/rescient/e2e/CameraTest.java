package rescient.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A label is held in front of a camera, which is a film here. */
class CameraTest extends DeskTest {
    private static final int WIDTH = 640;
    private static final int HEIGHT = 480;
    private static final int CODE = 400;

    @TempDir
    private Path folder;

    /** A film of one picture: the label in the middle of a white sheet, as YUV4MPEG2 with 4:2:0. */
    private Path film(String label) throws IOException, WriterException {
        BitMatrix code = new QRCodeWriter().encode(label, BarcodeFormat.QR_CODE, CODE, CODE);
        byte[] light = new byte[WIDTH * HEIGHT];
        Arrays.fill(light, (byte) 235);
        for (int y = 0; y < CODE; y++) {
            for (int x = 0; x < CODE; x++) {
                if (code.get(x, y)) {
                    light[(y + (HEIGHT - CODE) / 2) * WIDTH + x + (WIDTH - CODE) / 2] = 16;
                }
            }
        }
        byte[] grey = new byte[WIDTH * HEIGHT / 2];
        Arrays.fill(grey, (byte) 128);
        Path film = folder.resolve("label.y4m");
        try (OutputStream out = Files.newOutputStream(film)) {
            out.write(("YUV4MPEG2 W" + WIDTH + " H" + HEIGHT + " F10:1 Ip A1:1 C420mpeg2\n")
                    .getBytes(StandardCharsets.US_ASCII));
            out.write("FRAME\n".getBytes(StandardCharsets.US_ASCII));
            out.write(light);
            out.write(grey);
        }
        return film;
    }

    /** What the camera sees fills the receipt of the line that brings the item, as what a scanner types does. */
    @Test
    void theCameraReadsALabel() throws Exception {
        Path film = film("(240)WAX-BLK(10)W-31(30)75");
        try (Playwright driver = Chromium.driver();
                Browser browser = Chromium.launch(
                        driver,
                        "--use-fake-ui-for-media-stream",
                        "--use-fake-device-for-media-stream",
                        "--use-file-for-fake-video-capture=" + film)) {
            Page page = browser.newContext(new Browser.NewContextOptions().setBaseURL("http://127.0.0.1:" + port))
                    .newPage();
            signIn(page, "stella");
            page.navigate("/stock/due");
            listed(page, "PO-").waitFor();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Codes"))
                    .click();
            Locator receive = page.getByTestId("receive");
            assertThat(receive.getByLabel("Lot")).hasValue("W-31");
            assertThat(receive.getByLabel("Has come")).hasValue("75");
        }
    }
}
