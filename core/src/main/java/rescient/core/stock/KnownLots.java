package rescient.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import rescient.core.stock.Movement.Bin;
import rescient.core.stock.Movement.Lot;

/** What is known of lots and serial numbers: when they expire, since when they lie at a site, how much of them lies in all. */
final class KnownLots {
    private final Journal journal;
    private final Map<Lot, LocalDate> expiries = new HashMap<>();
    /** How much of a lot lies in all, transit included. */
    private final Map<Lot, BigDecimal> lying = new HashMap<>();
    /** The day on which something came to a site first; null: it was there, and nobody knows since when. */
    private final Map<LotAt, LocalDate> received = new HashMap<>();

    private record LotAt(String site, Lot lot) {
        static LotAt of(Bin bin) {
            return new LotAt(bin.site(), bin.ofLot());
        }
    }

    KnownLots(Journal journal) {
        this.journal = journal;
    }

    // what there is at first

    /** @param expiry null: it does not expire, or nobody said */
    void begins(Lot lot, BigDecimal quantity, LocalDate expiry) {
        lying.merge(lot, quantity, BigDecimal::add);
        if (expiry != null) {
            expiries.put(lot, expiry);
        }
    }

    /** @param day null: nobody knows when it came first */
    void beganAt(Bin bin, LocalDate day) {
        LotAt at = LotAt.of(bin);
        LocalDate first = received.get(at);
        if (first == null || (day != null && day.isBefore(first))) {
            received.put(at, day);
        }
    }

    /** Something came by a movement of before; where it lay already and nobody knew since when, nobody does now. */
    void broughtTo(Bin bin, LocalDate day) {
        LotAt at = LotAt.of(bin);
        if (!(received.containsKey(at) && received.get(at) == null)) {
            beganAt(bin, day);
        }
    }

    // what there is now

    LocalDate expiry(Lot lot) {
        return expiries.get(lot);
    }

    boolean expired(Lot lot, LocalDate date) {
        LocalDate expiry = expiries.get(lot);
        return expiry != null && !date.isBefore(expiry);
    }

    /** The day a lot came to a site first; null: nobody knows. */
    LocalDate since(Bin bin) {
        return received.get(LotAt.of(bin));
    }

    /** Whether a lot or serial number lies anywhere, or is on its way. */
    boolean lies(Lot lot) {
        return lying.getOrDefault(lot, BigDecimal.ZERO).signum() > 0;
    }

    // what postings do

    void comes(Bin bin, LocalDate day) {
        LotAt at = LotAt.of(bin);
        boolean known = received.containsKey(at);
        LocalDate since = received.get(at);
        if (!known || (since != null && day.isBefore(since))) {
            received.put(at, day);
            journal.did(() -> put(received, at, since, known));
        }
    }

    /** More of a lot lies somewhere, or less. */
    void lies(Lot lot, BigDecimal more) {
        lying.merge(lot, more, BigDecimal::add);
        journal.did(() -> lying.merge(lot, more.negate(), BigDecimal::add));
    }

    void expires(Lot lot, LocalDate day) {
        LocalDate before = expiries.put(lot, day);
        journal.did(() -> put(expiries, lot, before, before != null));
    }

    private static <K> void put(Map<K, LocalDate> days, K key, LocalDate before, boolean known) {
        if (known) {
            days.put(key, before);
        } else {
            days.remove(key);
        }
    }
}
