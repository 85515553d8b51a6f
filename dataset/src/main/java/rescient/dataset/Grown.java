package rescient.dataset;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/** Small files that grow when they are unpacked: they are refused before anything of them is kept. */
public final class Grown {
    /** So much is read of any file. */
    private static final long ALWAYS = 64L << 20;
    /** Tables of text become a tenth or a thirtieth of their size. */
    private static final long TIMES = 100;

    private static final int CHUNK = 1 << 16;

    private Grown() {}

    /**
     * Unpacks all of a file without keeping anything, up to the limit.
     *
     * @throws IOException if it grows to more than a hundred times its size, or is no such file
     */
    public static void refuse(Path file) throws IOException {
        long most = Math.max(ALWAYS, Files.size(file) * TIMES);
        byte[] chunk = new byte[CHUNK];
        long grown = 0;
        try (ZipFile zip = new ZipFile(file.toFile())) {
            for (ZipEntry entry : (Iterable<ZipEntry>) zip.stream().map(ZipEntry.class::cast)::iterator) {
                try (InputStream in = zip.getInputStream(entry)) {
                    for (int read = in.read(chunk); read >= 0; read = in.read(chunk)) {
                        grown += read;
                        if (grown > most) {
                            throw new IOException("unpacked it grows to more than "
                                    + (most == ALWAYS ? (ALWAYS >> 20) + " MB" : TIMES + " times its size")
                                    + ", which no dataset does");
                        }
                    }
                }
            }
        }
    }
}
