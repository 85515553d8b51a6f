/** Tables as others write them, with their own names, dates and decimals, understood as rows of a company. */
package rescient.dataset.sheets;
