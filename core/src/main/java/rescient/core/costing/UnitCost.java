package rescient.core.costing;

/** What one of something costs, exactly: material, own work, and work of others. */
public record UnitCost(Exact material, Exact work, Exact outside) {
    static final UnitCost NOTHING = new UnitCost(Exact.ZERO, Exact.ZERO, Exact.ZERO);

    static UnitCost ofMaterial(Exact amount) {
        return new UnitCost(amount, Exact.ZERO, Exact.ZERO);
    }

    public Exact sum() {
        return material.plus(work).plus(outside);
    }

    UnitCost plus(UnitCost other) {
        return new UnitCost(material.plus(other.material), work.plus(other.work), outside.plus(other.outside));
    }

    UnitCost times(Exact factor) {
        return new UnitCost(material.times(factor), work.times(factor), outside.times(factor));
    }
}
