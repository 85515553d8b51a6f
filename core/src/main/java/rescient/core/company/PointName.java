package rescient.core.company;

/** The item and the site of a stock point. */
public record PointName(String item, String site) {}
