package rescient.server.platform;

import jakarta.annotation.PostConstruct;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryNotificationInfo;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.lang.management.MemoryUsage;
import java.util.Locale;
import javax.management.NotificationEmitter;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Says when the company hardly fits into the memory that the server was given. */
@Component
public class Memory {
    private static final Logger LOG = LoggerFactory.getLogger(Memory.class);
    /** With less than this part of it left, collecting garbage takes the time that planning needs. */
    private static final double NEEDED = 0.3;
    /** So much in use after a collection, and it will run out. */
    private static final double FULL = 0.9;

    /** Whoever runs out of memory hears of it before he does. */
    @PostConstruct
    void watch() {
        NotificationEmitter emitter = (NotificationEmitter) ManagementFactory.getMemoryMXBean();
        emitter.addNotificationListener(
                (notification, nothing) -> tell(used()),
                notification ->
                        notification.getType().equals(MemoryNotificationInfo.MEMORY_COLLECTION_THRESHOLD_EXCEEDED),
                null);
        for (MemoryPoolMXBean pool : ManagementFactory.getMemoryPoolMXBeans()) {
            long most = pool.getUsage().getMax();
            if (pool.getType() == MemoryType.HEAP && pool.isCollectionUsageThresholdSupported() && most > 0) {
                pool.setCollectionUsageThreshold((long) (most * FULL));
            }
        }
    }

    /** Looks how much is in use that cannot be collected, and says so if little is left. */
    public void look() {
        System.gc();
        tell(used());
    }

    private static long used() {
        long used = 0;
        for (MemoryPoolMXBean pool : ManagementFactory.getMemoryPoolMXBeans()) {
            MemoryUsage afterCollection = pool.getCollectionUsage();
            if (pool.getType() == MemoryType.HEAP && afterCollection != null) {
                used += afterCollection.getUsed();
            }
        }
        return used;
    }

    private static void tell(long used) {
        String words = words(used, Runtime.getRuntime().maxMemory());
        if (words != null) {
            LOG.warn(words);
        }
    }

    /** In a sentence what is to be done, or null if there is enough. */
    static String words(long used, long most) {
        if (used <= (1 - NEEDED) * most) {
            return null;
        }
        long megabytes = (long) Math.ceil(used / (1 - NEEDED) / (1 << 20));
        return String.format(
                Locale.ROOT,
                "Memory is short: the company takes %,d of %,d MB; start with RESCIENT_HEAP=%dm or more",
                used >> 20,
                most >> 20,
                megabytes);
    }
}
