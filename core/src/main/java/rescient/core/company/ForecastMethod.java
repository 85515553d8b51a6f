package rescient.core.company;

import java.util.Locale;

/** How a forecast is made, the simpler ones first: of two that are equally good the first is taken. */
public enum ForecastMethod {
    /** What was a season ago comes again; where there is no season, the last value. */
    SEASONAL_NAIVE("Seasonal naive"),
    /** The mean of the last values, of as many as fit best. */
    MOVING_AVERAGE("Moving average"),
    /** Simple exponential smoothing of the deseasonalised series: a level (Hyndman et al. 2008, model N,N). */
    SIMPLE("Simple smoothing"),
    /** Holt's exponential smoothing of the deseasonalised series: level and trend (model A,N). */
    HOLT("Holt's smoothing"),
    /** Holt's with a trend that fades (model Ad,N). */
    DAMPED("Damped trend"),
    /** The theta method (Assimakopoulos and Nikolopoulos 2000), by its equivalence (Hyndman and Billah 2003). */
    THETA("Theta"),
    /** A straight line with seasonal indices, its slope fading beyond the history. */
    TREND("Trend and season"),
    /** Level, fading trend and additive season (Holt-Winters; model Ad,A). */
    WINTERS_ADDITIVE("Holt-Winters, additive"),
    /** Level, fading trend and multiplicative season (Holt-Winters; model Ad,M). */
    WINTERS_MULTIPLICATIVE("Holt-Winters, multiplicative"),
    /** Croston's method: size and interval of demands smoothed by themselves. */
    CROSTON("Croston"),
    /** Croston's with the bias taken out (Syntetos and Boylan 2005). */
    SBA("Syntetos-Boylan"),
    /** The probability of a demand smoothed in every bucket (Teunter, Syntetos and Babai 2011). */
    TSB("Teunter-Syntetos-Babai"),
    /** The median of what all the others that fit the series say. */
    COMBINATION("Combination");

    private final String title;

    ForecastMethod(String title) {
        this.title = title;
    }

    /** As it is called on the screen. */
    public String title() {
        return title;
    }

    /** By what it is called in a dataset. */
    public static ForecastMethod of(String code) {
        return valueOf(code.toUpperCase(Locale.ROOT));
    }

    /** As it is called in a dataset: {@code winters_additive}. */
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
