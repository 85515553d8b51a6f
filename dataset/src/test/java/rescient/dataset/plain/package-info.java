/**
 * The rules of planning, promising, posting and costing once more, written from their text alone and as plainly as they stand there: every
 * day is walked through, every number is a fraction, nothing is kept for speed. It is what the calculation is compared with. What the text
 * does not say is left out ({@link rescient.dataset.plain.PlainAct.Unsaid}).
 */
package rescient.dataset.plain;
