package rescient.core.company;

/** The unit of a period: days, weeks of seven days, or months up to the day before the same day of a later month. */
public enum PeriodUnit {
    DAY,
    WEEK,
    MONTH
}
