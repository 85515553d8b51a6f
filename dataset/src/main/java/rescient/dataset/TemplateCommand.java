package rescient.dataset;

import java.nio.file.Files;
import java.nio.file.Path;

/** Writes an empty dataset to be filled in: {@code template PATH}, a folder, a .zip or an .xlsx file. */
public final class TemplateCommand {
    private TemplateCommand() {}

    public static void main(String[] words) {
        if (words.length != 1) {
            fail("Say where the template goes: a folder, a .zip or an .xlsx file");
        }
        Path path = Path.of(words[0]);
        if (Files.exists(path)) {
            fail(path + " is there already; choose a name that is free");
        }
        DatasetWriter.writeTemplate(path);
        System.out.println("Written: " + path);
    }

    private static void fail(String why) {
        System.err.println(why);
        System.exit(1);
    }
}
