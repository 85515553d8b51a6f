package rescient.server.planning;

import java.time.LocalDate;
import java.util.List;
import java.util.Queue;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;
import rescient.core.base.Parallel;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;
import rescient.dataset.Company;
import rescient.dataset.Facts;
import rescient.server.exchange.CompanyStore;
import rescient.server.platform.Companies;
import rescient.server.platform.CompanyChanged;
import rescient.server.platform.GivingWay;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Memory;
import rescient.server.platform.Outage;
import rescient.server.platform.Today;

/**
 * The plan that is always current: made when the server starts and again after every committed change, off the request
 * threads. Readers see the last complete plan and never wait.
 */
@Service
public class LivePlan implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(LivePlan.class);
    private static final long PATIENCE_SECONDS = 30;
    private static final long RETRY_SECONDS = 20;

    /** So many revisions are followed; a server that missed more reads the company. */
    private static final int MOST_FOLLOWED = 200;

    /** So many changes that wait are planned one by one. */
    private static final int MOST_APART = 3;

    /** After many were planned together, others have the machine for as long, but not longer than this. */
    private static final long LONGEST_REST_MILLIS = 500;

    private final CompanyStore store;
    private final Companies companies;
    private final LiveFacts facts;
    private final Today today;
    private final PlanNews news;
    private final List<PlanFollower> followers;
    private final List<WarmUp> warmUps;
    private final Memory memory;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(r -> new Thread(r, "live-plan"));
    /** Plans where changes come faster than they are planned. */
    private final ExecutorService behind = GivingWay.oneThread("live-plan-behind");

    private final AtomicBoolean waiting = new AtomicBoolean();
    /** Committed changes that no plan knows yet. */
    private final Queue<CompanyChanged> changes = new ConcurrentLinkedQueue<>();

    /** The latest revision that a plan was asked for. */
    private final AtomicLong wanted = new AtomicLong();

    private final CountDownLatch first = new CountDownLatch(1);
    private final Object arrival = new Object();
    /** The server has said that it is ready. */
    private boolean ready;

    /** Of the worker: until when it leaves the machine to others, unless somebody waits for the plan. */
    private long restUntil = System.nanoTime();

    /** How many wait for a plan; guarded by {@link #arrival}. */
    private int waitedFor;

    private volatile PlanVersion current;
    private volatile String failure;
    /** The latest revision for which a plan was tried; of the worker, and looked at by others. */
    private volatile long tried = -1;

    private volatile long triedAt;
    /** Stock points of the largest plan there was; of the worker alone. */
    private int largest;

    LivePlan(
            CompanyStore store,
            Companies companies,
            Today today,
            PlanNews news,
            List<PlanFollower> followers,
            List<WarmUp> warmUps,
            Memory memory,
            @Value("${rescient.warm-up:true}") boolean warmsUp) {
        this.store = store;
        this.companies = companies;
        this.facts = new LiveFacts(companies);
        this.today = today;
        this.news = news;
        this.followers = followers;
        this.warmUps = warmsUp ? warmUps : List.of();
        this.memory = memory;
    }

    /** The last complete plan. */
    public PlanVersion current() {
        try {
            if (current == null && !first.await(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
                throw new JobProblem(HttpStatus.SERVICE_UNAVAILABLE, "The first plan is still being calculated");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        if (current == null) {
            throw new JobProblem(HttpStatus.SERVICE_UNAVAILABLE, "There is no plan: " + failure);
        }
        return current;
    }

    /** The number of the last complete plan; 0 if there is none yet. */
    long number() {
        PlanVersion plan = current;
        return plan == null ? 0 : plan.number();
    }

    /** What kept the last calculation from being completed, or null. */
    public String failure() {
        return failure;
    }

    /** The plan that knows a revision; waits for it if it is being made. */
    public PlanVersion knowing(long revision) {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE_SECONDS);
        if (current().revision() < revision) {
            request(revision);
        }
        synchronized (arrival) {
            waitedFor++;
            arrival.notifyAll();
            try {
                return arrived(revision, until);
            } finally {
                waitedFor--;
            }
        }
    }

    private PlanVersion arrived(long revision, long until) {
        while (current.revision() < revision) {
            long left = TimeUnit.NANOSECONDS.toMillis(until - System.nanoTime());
            if (left <= 0) {
                throw new JobProblem(HttpStatus.SERVICE_UNAVAILABLE, "The plan is behind; try again in a moment");
            }
            try {
                arrival.wait(left);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new JobProblem(HttpStatus.SERVICE_UNAVAILABLE, "The server is stopping");
            }
        }
        return current;
    }

    /** The company at a revision that is committed; does not wait for its plan, unless it has to be read anew. */
    public CompanyMoment moment(long revision) {
        CompanyMoment known = facts.at(revision, current(), MOST_FOLLOWED);
        return known == null ? knowing(revision) : known;
    }

    /** Makes the first plan. */
    void start() {
        request(0);
    }

    /** The company has this revision now, whoever changed it. What failed is tried again with every change, and now and then. */
    void known(long revision) {
        PlanVersion plan = current;
        boolean behind = plan == null || plan.revision() < revision;
        boolean failed = failure != null;
        boolean again = failed && System.nanoTime() - triedAt > TimeUnit.SECONDS.toNanos(RETRY_SECONDS);
        if (behind && (!failed || tried < revision || again)) {
            request(revision);
        }
    }

    @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT)
    void changed(CompanyChanged change) {
        facts.follow(current, change);
        changes.add(change);
        request(change.revision());
    }

    @Scheduled(fixedDelay = 30, initialDelay = 30, timeUnit = TimeUnit.SECONDS)
    void whenTheDayChanges() {
        PlanVersion known = current;
        if (known != null && !known.today().equals(today.day())) {
            request(0);
        }
    }

    /** Changes that come while a plan is being made are answered together by the next one. */
    private void request(long revision) {
        wanted.accumulateAndGet(revision, Math::max);
        if (waiting.compareAndSet(false, true)) {
            worker.execute(() -> {
                rest();
                waiting.set(false);
                make();
            });
        }
    }

    /** Where changes come faster than they are planned, those who make them are not held up by it. */
    private void rest() {
        synchronized (arrival) {
            long left = TimeUnit.NANOSECONDS.toMillis(restUntil - System.nanoTime());
            while (left > 0 && waitedFor == 0) {
                try {
                    arrival.wait(left);
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    return;
                }
                left = TimeUnit.NANOSECONDS.toMillis(restUntil - System.nanoTime());
            }
        }
    }

    private void make() {
        PlanVersion before = current;
        boolean sameDay = before != null && before.today().equals(today.day());
        if (sameDay && before.revision() >= wanted.get()) {
            return;
        }
        tried = Math.max(tried, wanted.get());
        triedAt = System.nanoTime();
        try {
            List<CompanyChanged> unknown = unknown(before);
            current = sameDay && follow(before, unknown) ? after(before, unknown) : fromStore();
            failure = null;
        } catch (RuntimeException e) {
            failure = Outage.isOne(e) ? "the database cannot be reached" : e.getMessage();
            LOG.error("The plan could not be calculated; the last one stays", e);
        } finally {
            first.countDown();
            synchronized (arrival) {
                arrival.notifyAll();
            }
        }
        if (!ready) {
            ready = true;
            LOG.info("Rescient is ready{}", current == null ? ", but has no plan: " + failure : "");
        }
        if (current != null) {
            news.tell(current.number());
        }
    }

    /** The changes that came since, which a plan does not know: as they were told here, or else as they are kept. */
    private List<CompanyChanged> unknown(PlanVersion before) {
        SortedMap<Long, CompanyChanged> unknown = new TreeMap<>();
        for (CompanyChanged change = changes.poll(); change != null; change = changes.poll()) {
            if (before != null && change.revision() > before.revision()) {
                unknown.put(change.revision(), change);
            }
        }
        if (before == null) {
            return List.of();
        }
        long last = Math.max(wanted.get(), unknown.isEmpty() ? 0 : unknown.lastKey());
        if (last - before.revision() > unknown.size() && last - before.revision() <= MOST_FOLLOWED) {
            companies.changes(before.revision(), last).forEach(change -> unknown.put(change.revision(), change));
        }
        return List.copyOf(unknown.values());
    }

    /** Whether these are all that happened since a plan, each told in full. */
    private boolean follow(PlanVersion before, List<CompanyChanged> news) {
        long revision = before.revision();
        for (CompanyChanged change : news) {
            if (change.changes() == null || change.revision() != ++revision) {
                return false;
            }
        }
        // what came just now is asked for already, and follows next
        return revision > before.revision();
    }

    /** One after the other, so that each is known to have caused what it did; where many came meanwhile, together. */
    private PlanVersion after(PlanVersion before, List<CompanyChanged> news) {
        if (news.size() > MOST_APART) {
            PlanVersion next =
                    behind(() -> after(before, news, news.get(news.size() - 1).revision()));
            long rest = Math.min(next.tookMillis(), LONGEST_REST_MILLIS);
            restUntil = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(rest);
            return next;
        }
        PlanVersion version = before;
        for (CompanyChanged change : news) {
            version = after(version, List.of(change), change.revision());
        }
        return version;
    }

    /** On one core, and giving way. */
    private PlanVersion behind(Supplier<PlanVersion> making) {
        try {
            return CompletableFuture.supplyAsync(() -> Parallel.alone(making), behind)
                    .join();
        } catch (CompletionException e) {
            throw e.getCause() instanceof RuntimeException cause ? cause : e;
        }
    }

    private PlanVersion after(PlanVersion before, List<CompanyChanged> news, long revision) {
        long begun = System.nanoTime();
        PlanVersion next = before.told(news).at(revision, today.now()).took(millisSince(begun));
        tell(before, next);
        return next;
    }

    /** A plan that cannot be followed is a plan all the same. */
    private void tell(PlanVersion before, PlanVersion next) {
        for (PlanFollower follower : followers) {
            try {
                follower.follow(before, next);
            } catch (RuntimeException e) {
                LOG.error("What changed with revision {} was not kept", next.revision(), e);
            }
        }
    }

    private PlanVersion fromStore() {
        long begun = System.nanoTime();
        CompanyStore.Stored stored = store.read();
        LocalDate day = today.day();
        LocalDate horizonEnd = day.plusDays(stored.horizonDays());
        Plan plan = new Planner().plan(Company.snapshot(stored.dataset(), day, horizonEnd), PlanOptions.ALL);
        PlanVersion next = new PlanVersion(
                        stored.revision(),
                        today.now(),
                        0,
                        day,
                        horizonEnd,
                        stored.name(),
                        stored.demo(),
                        plan,
                        new Directory(Facts.of(stored.dataset()).on(day)))
                .took(millisSince(begun));
        warmUp(next);
        tell(current, next);
        return next;
    }

    private void warmUp(PlanVersion version) {
        if (version.plan().pointCount() <= 2 * largest) {
            return;
        }
        largest = version.plan().pointCount();
        long begun = System.nanoTime();
        for (WarmUp one : warmUps) {
            try {
                one.warmUp(version);
            } catch (Exception e) {
                LOG.warn("{} was not warmed up", one.getClass().getSimpleName(), e);
            }
        }
        LOG.info("Warmed up in {} ms", millisSince(begun));
        memory.look();
    }

    private static long millisSince(long begun) {
        return TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - begun);
    }

    @Override
    public void destroy() {
        worker.shutdownNow();
        behind.shutdownNow();
    }
}
