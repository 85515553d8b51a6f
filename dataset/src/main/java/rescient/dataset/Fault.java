package rescient.dataset;

/**
 * One thing that is wrong with a dataset.
 *
 * @param row line of the file, the header being 1; 0 if it is about the file
 * @param column empty if it is about the row
 * @param value as it stands in the file
 */
public record Fault(String file, long row, String column, String value, String wrong, String right) {
    /** What is wrong with a value and what would be right. */
    public record Finding(String wrong, String right) {}

    @Override
    public String toString() {
        StringBuilder text = new StringBuilder(file);
        if (row > 0) {
            text.append(", row ").append(row);
        }
        if (!column.isEmpty()) {
            text.append(", ").append(column).append(" \"").append(value).append('"');
        }
        return text.append(": ")
                .append(wrong)
                .append("; right would be: ")
                .append(right)
                .toString();
    }
}
