package rescient.core.forecast;

import java.util.Map;

/** A method with its parameters, and with the state that the values it has seen have left. Not to be shared. */
interface Model {
    /** The next value has come. */
    void see(double value);

    /** What comes after what was seen, one value for each place of the array. */
    void ahead(double[] into);

    /** The parameters that were fitted, by name. */
    Map<String, Double> parameters();
}
