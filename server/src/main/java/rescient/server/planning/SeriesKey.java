package rescient.server.planning;

import rescient.core.company.UnfitException;
import rescient.core.forecast.DemandSeries;
import rescient.core.forecast.Together;
import rescient.server.platform.Nullable;

/**
 * Names a series of demand in an address: an item at a site, or several as one.
 *
 * @param by what several have in common; null: it is one item at one site
 * @param code of the item, or of what they have in common
 * @param site null if it is several
 */
public record SeriesKey(
        @Nullable Together.By by, String code, @Nullable String site) {
    private static final char BETWEEN = '~';

    public static SeriesKey of(DemandSeries.Place place) {
        return new SeriesKey(null, place.item(), place.site());
    }

    /** @throws UnfitException if it is no key of a series */
    public static SeriesKey of(String text) {
        int between = text.indexOf(BETWEEN);
        int second = text.indexOf(BETWEEN, between + 1);
        try {
            if (between > 0 && second < 0) {
                return new SeriesKey(
                        null,
                        OrderKey.decoded(text.substring(0, between)),
                        OrderKey.decoded(text.substring(between + 1)));
            }
            if (between == 0 && second > 0) {
                return new SeriesKey(
                        Together.By.valueOf(text.substring(1, second)),
                        OrderKey.decoded(text.substring(second + 1)),
                        null);
            }
        } catch (IllegalArgumentException e) {
            throw (UnfitException) new UnfitException("There is no series " + text, "series").initCause(e);
        }
        throw new UnfitException("There is no series " + text, "series");
    }

    /** The place of one item at one site. */
    public DemandSeries.Place place() {
        return new DemandSeries.Place(code, site);
    }

    /** As it stands in an address. */
    public String text() {
        return by == null
                ? OrderKey.encoded(code) + BETWEEN + OrderKey.encoded(site)
                : BETWEEN + by.name() + BETWEEN + OrderKey.encoded(code);
    }
}
