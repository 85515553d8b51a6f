package rescient.core.costing;

import java.math.BigDecimal;
import java.util.List;

/**
 * A stock point, or a kit or phantom at a site, with what its cost comes of.
 *
 * @param way how its cost comes about
 * @param standard its standard cost; 0 if nobody said
 * @param price of one, bought or worked on by others; null: nobody said
 * @param fromSite where it, or what it is made of at a subcontractor's, comes from
 * @param lot started pieces that share setup and per-order components, above 0
 * @param yield good pieces of one that is started, above 0
 */
public record CostPoint(
        Place place,
        Way way,
        BigDecimal standard,
        Exact price,
        String fromSite,
        BigDecimal lot,
        BigDecimal yield,
        List<Part> parts,
        List<Work> works) {
    /** An item at a site. */
    public record Place(String item, String site) {}

    /** How a cost comes about. */
    public enum Way {
        /** By its standard cost: all of it material. */
        STANDARD,
        BOUGHT,
        /** At what it costs where it comes from. */
        TRANSFERRED,
        MADE,
        SUBCONTRACTED,
        /** A kit or a phantom: at what its parts cost. */
        PARTS
    }

    /**
     * A component.
     *
     * @param quantity in its unit, scrap included
     * @param perOrder of all pieces of a lot together
     */
    public record Part(String item, Exact quantity, boolean perOrder) {}

    /**
     * A step of making it.
     *
     * @param setup in minutes, for a lot; {@code run} for one
     * @param efficiency 1: as planned
     */
    public record Work(BigDecimal setup, BigDecimal run, BigDecimal costPerHour, BigDecimal efficiency) {}
}
