package rescient.server.whatif;

import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import rescient.dataset.Dataset;
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
    public Dataset apply(Assumed company) {
        company.known("sites", site, "site");
        new Span(from, to).complete();
        return new Closing(company.dataset(), from, to, Boolean.TRUE.equals(working)).site(site);
    }

    @Override
    public String sentence(Directory directory) {
        return directory.siteName(site)
                + (Boolean.TRUE.equals(working) ? " works every day" : " is closed")
                + new Span(from, to).words();
    }
}
