/**
 * The stock record: postings carried out on a company's books, all or nothing, with what they do to stock, lots, value, orders
 * and their cost (execution rules 1 to 3, 5 to 7; posting rules to the letter). No database and no clock.
 *
 * <p>{@link rescient.core.stock.Books} is the company as the stockroom sees it, {@link rescient.core.stock.Poster} carries out
 * one posting after the other; {@link rescient.core.stock.Masterdata} is what both are told of items, kits, routings and
 * prices.
 */
package rescient.core.stock;
