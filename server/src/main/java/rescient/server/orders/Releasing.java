package rescient.server.orders;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.math.BigDecimal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import rescient.dataset.Facts;
import rescient.dataset.Row;
import rescient.server.access.SignedIn;
import rescient.server.commands.CommandPipeline;
import rescient.server.planning.Holds;
import rescient.server.planning.LivePlan;
import rescient.server.planning.OrderKey;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.Companies;
import rescient.server.platform.JobProblem;
import rescient.server.platform.Nullable;

/**
 * Turns planned orders into released ones: all of them in one transaction or none, and each only once, whatever another
 * browser, a reload or a lost connection does.
 */
@Service
class Releasing {
    private final LivePlan live;
    private final Companies companies;
    private final Holds holds;
    private final CommandPipeline pipeline;
    private final ReleasedDocuments documents;
    private final EarlierReleases earlier;
    private final ObjectMapper json;

    Releasing(
            LivePlan live,
            Companies companies,
            Holds holds,
            CommandPipeline pipeline,
            ReleasedDocuments documents,
            EarlierReleases earlier,
            ObjectMapper json) {
        this.live = live;
        this.companies = companies;
        this.holds = holds;
        this.pipeline = pipeline;
        this.documents = documents;
        this.earlier = earlier;
        this.json = json;
    }

    /** A document that came out. */
    record Created(
            String number,
            String kind,
            @Nullable String partner,
            String siteName,
            int lines,
            @Nullable BigDecimal value) {}

    record Answer(List<Created> orders, List<Release.Obstacle> leftOut) {}

    /** What would be created, from the plan as it is. */
    Release preview(SignedIn who, List<String> keys, boolean asPossible) {
        return release(live.current(), who, keys, asPossible);
    }

    /**
     * Releases orders; for what is what see {@link ReleaseOrders}.
     *
     * @throws JobProblem 409 if the plan no longer asks for one of them, or something happened at its stock point since,
     *     422 if one cannot go
     */
    Answer release(
            SignedIn who,
            UUID key,
            long seen,
            List<String> keys,
            boolean leaveOut,
            boolean asPossible,
            String note,
            Map<String, String> notes) {
        return pipeline.carryOut(
                who,
                key,
                new ReleaseOrders(this, documents, earlier, json, seen, keys, leaveOut, asPossible, note, notes));
    }

    Release release(PlanVersion version, SignedIn who, List<String> keys, boolean asPossible) {
        Map<String, ReleaseLine> firmed = new HashMap<>();
        Facts facts = version.directory().facts();
        for (String key : keys) {
            if (OrderKey.isLine(key)) {
                String number = OrderKey.number(key);
                String name = OrderKey.line(key);
                Row line = facts.row("open_orders", number, name);
                if (line != null
                        && line.text("stage").equals("firmed")
                        && line.decimal("quantity").signum() > 0) {
                    firmed.put(key, ReleaseLine.firmed(version, key, line, facts.components(number, name)));
                }
            }
        }
        boolean withTransfers = who.role().rights().mayRelease("transfer");
        return new Release(version, keys, firmed, holds.of(version), asPossible, withTransfers);
    }

    /** What happened at the stock points of planned orders after the plan that somebody saw. */
    List<String> since(Release release, long seen) {
        return Since.sentences(companies.since(PlanVersion.revisionOf(seen)), release.places());
    }

    /** What else could go out on the purchase orders of a release. */
    List<AlsoFrom> more(Release release, List<ReleaseDocument> documents, List<String> going, int days) {
        return AlsoFrom.of(release.version, documents, Set.copyOf(going), holds.of(release.version), days);
    }
}
