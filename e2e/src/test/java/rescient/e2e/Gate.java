package rescient.e2e;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** A way to a database that can be shut as if the database had gone, and opened again. */
final class Gate implements AutoCloseable {
    private final ServerSocket door;
    private final String host;
    private final int port;
    private final Set<Socket> through = ConcurrentHashMap.newKeySet();
    private volatile boolean open = true;

    /** @param database its address, {@code jdbc:postgresql://host:port/name} */
    Gate(String database) throws IOException {
        URI behind = URI.create(database.substring("jdbc:".length()));
        host = behind.getHost();
        port = behind.getPort();
        door = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        Thread keeper = new Thread(this::let, "gate");
        keeper.setDaemon(true);
        keeper.start();
    }

    /** The address of the database through the gate. */
    String address(String database) {
        URI behind = URI.create(database.substring("jdbc:".length()));
        return "jdbc:postgresql://127.0.0.1:" + door.getLocalPort() + behind.getPath();
    }

    /** All that goes through is cut off, and nothing comes through any more. */
    void shut() {
        open = false;
        through.forEach(Gate::end);
        through.clear();
    }

    void open() {
        open = true;
    }

    private void let() {
        while (!door.isClosed()) {
            try {
                Socket in = door.accept();
                if (!open) {
                    end(in);
                    continue;
                }
                Socket out = new Socket(host, port);
                through.add(in);
                through.add(out);
                carry(in, out);
                carry(out, in);
            } catch (IOException e) {
                // the next one is let in, unless the gate is taken down
                continue;
            }
        }
    }

    private static void carry(Socket from, Socket to) {
        Thread carrier = new Thread(
                () -> {
                    try {
                        from.getInputStream().transferTo(to.getOutputStream());
                    } catch (IOException e) {
                        // cut off
                    } finally {
                        end(from);
                        end(to);
                    }
                },
                "gate carrier");
        carrier.setDaemon(true);
        carrier.start();
    }

    private static void end(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            // it has ended
        }
    }

    @Override
    public void close() throws IOException {
        shut();
        door.close();
    }
}
