package rescient.core.forecast;

/** The straight line of least squares through all values so far, the first at place 0. */
final class Line {
    private int n;
    private double sum;
    private double weighted;

    void see(double value) {
        weighted += n * value;
        sum += value;
        n++;
    }

    int size() {
        return n;
    }

    /** By how much it rises from one place to the next; 0 with fewer than two values. */
    double slope() {
        if (n < 2) {
            return 0;
        }
        double places = (n - 1) / 2.0;
        double spread = n * ((double) n * n - 1) / 12;
        return (weighted - places * sum) / spread;
    }

    double at(double place) {
        return n == 0 ? 0 : sum / n + slope() * (place - (n - 1) / 2.0);
    }
}
