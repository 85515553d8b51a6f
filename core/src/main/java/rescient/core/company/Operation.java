package rescient.core.company;

import rescient.core.base.Ratio;

/**
 * One operation of a routing; all times in minutes.
 *
 * @param site null: at every site; an operation of the same step that names the site comes before it
 * @param step orders the operations of an item: digits by value, else by code point
 */
public record Operation(
        String item,
        String step,
        String site,
        String workCenter,
        Ratio queue,
        Ratio setup,
        Ratio runPerUnit,
        Ratio move) {}
