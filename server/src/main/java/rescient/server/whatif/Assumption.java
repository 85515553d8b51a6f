package rescient.server.whatif;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import rescient.core.company.UnfitException;
import rescient.dataset.FactChange;
import rescient.server.planning.Directory;

/** One thing that is otherwise in a what-if. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = DemandOtherwise.class, name = "DEMAND"),
    @JsonSubTypes.Type(value = OrderComes.class, name = "ORDER"),
    @JsonSubTypes.Type(value = SupplierSlower.class, name = "SUPPLIER_SLOWER"),
    @JsonSubTypes.Type(value = SupplierOut.class, name = "SUPPLIER_OUT"),
    @JsonSubTypes.Type(value = StockLost.class, name = "STOCK_LOST"),
    @JsonSubTypes.Type(value = PlanningOtherwise.class, name = "PLANNING"),
    @JsonSubTypes.Type(value = BillOtherwise.class, name = "BILL"),
    @JsonSubTypes.Type(value = SiteCalendar.class, name = "CALENDAR"),
    @JsonSubTypes.Type(value = AnotherForecast.class, name = "FORECAST_SET")
})
sealed interface Assumption
        permits DemandOtherwise,
                OrderComes,
                SupplierSlower,
                SupplierOut,
                StockLost,
                PlanningOtherwise,
                BillOtherwise,
                SiteCalendar,
                AnotherForecast {
    /** In characters, of a code or a value. */
    int LONGEST = 300;

    /** See {@link rescient.core.base.Limits#MOST}. */
    String MOST = "1000000000000";

    /**
     * What makes another company, in which it is so; nothing else is touched.
     *
     * @throws UnfitException if it does not fit the company, with the field
     */
    List<FactChange> apply(Assumed company);

    String sentence(Directory directory);
}
