package rescient.core;

/** The item and the site of a stock point. */
record PointName(String item, String site) {}
