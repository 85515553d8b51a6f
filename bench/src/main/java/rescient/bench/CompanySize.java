package rescient.bench;

/**
 * How large a generated company is.
 *
 * @param points stock points, 100 or more; a tenth of them are at the depot
 * @param bomLines lines of bills of materials over all made items
 * @param demands customer order lines and forecast buckets together
 * @param openOrders firmed and released orders
 */
record CompanySize(int points, int bomLines, int demands, int openOrders) {
    /** Company L of the proofs. */
    static final CompanySize L = scaled(100_000);

    /** The proportions of company L for another number of stock points. */
    static CompanySize scaled(int points) {
        return new CompanySize(points, points * 4, points * 5, points);
    }
}
