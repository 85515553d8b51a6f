package rescient.core.company;

import rescient.core.base.Ratio;

/**
 * An item that can be used in the place of another.
 *
 * @param factor how many units of the alternative do what one unit of the item does
 * @param itemStep what quantities of the item are multiples of, in millionths
 * @param step the same of the alternative
 */
public record Alternative(String item, String alternative, Ratio factor, long itemStep, long step) {}
