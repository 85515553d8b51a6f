/**
 * The demo company, Larkmoor Hives, and the seeded generator that grows it. Everything in it is invented.
 *
 * <p>{@link rescient.demo.Larkmoor} writes the dataset in {@code demo/dataset}: {@link rescient.demo.Catalogue} says
 * what the company makes and buys, {@link rescient.demo.Trade} what is ordered and on its way, {@link
 * rescient.demo.OpeningStock} what lies on the shelves, {@link
 * rescient.demo.Story} what happened in the last fortnight.
 */
package rescient.demo;
