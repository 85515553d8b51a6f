package rescient.core.company;

/**
 * What one line of a customer order has for itself alone: what is bought for it, with a stock point of its own that is
 * planned beside the others of the item, or a kit with other parts. Its code is the item's, an arrow and the line's, so that
 * it can be told wherever an item is named.
 *
 * @param item the item that is bought, or the kit
 * @param number the customer order
 * @param line its line
 */
public record Earmark(String item, String number, String line) {
    private static final String FOR = " → ";
    private static final String LINE = " / ";

    /** By what its stock point goes in the place of the item. */
    public String code() {
        return item + FOR + number + LINE + line;
    }

    /** Whether a code could be mistaken for one of these. */
    public static boolean isCode(String code) {
        return code.indexOf('→') >= 0 && code.contains(FOR);
    }

    /**
     * What a code says.
     *
     * @return null if it is that of an ordinary item
     */
    public static Earmark of(String code) {
        int to = isCode(code) ? code.indexOf(FOR) : -1;
        int line = to < 0 ? -1 : code.lastIndexOf(LINE);
        return line < to + FOR.length()
                ? null
                : new Earmark(
                        code.substring(0, to),
                        code.substring(to + FOR.length(), line),
                        code.substring(line + LINE.length()));
    }

    /** The item itself, of a code of either kind. */
    public static String item(String code) {
        Earmark earmark = of(code);
        return earmark == null ? code : earmark.item;
    }
}
