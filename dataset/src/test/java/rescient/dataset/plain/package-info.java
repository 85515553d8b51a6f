/**
 * The planning rules once more, written from their text alone and as plainly as they stand there: every day is walked
 * through, every number is a fraction, nothing is kept for speed. It is what the calculation is compared with.
 */
package rescient.dataset.plain;
