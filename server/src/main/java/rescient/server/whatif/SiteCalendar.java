package rescient.server.whatif;

import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import rescient.core.company.BasicFacts;
import rescient.core.scenario.Closures;
import rescient.core.scenario.Span;
import rescient.dataset.FactChange;
import rescient.server.planning.Directory;
import rescient.server.platform.Nullable;

/**
 * A site is closed for a time, or works every day of it.
 *
 * @param working null: it is closed
 */
record SiteCalendar(
        @Nullable @Size(max = LONGEST) String site,
        @Nullable Boolean working,
        @Nullable LocalDate from,
        @Nullable LocalDate to)
        implements Assumption {
    @Override
    public List<FactChange> apply(Assumed company) {
        company.facts().known(BasicFacts.Site.class, site, "site");
        Span span = new Span(from, to).complete();
        return FactChange.of(new Closures(company.facts(), span, Boolean.TRUE.equals(working)).site(site));
    }

    @Override
    public String sentence(Directory directory) {
        return directory.siteName(site)
                + (Boolean.TRUE.equals(working) ? " works every day" : " is closed")
                + Assumed.words(new Span(from, to));
    }
}
