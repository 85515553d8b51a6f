package rescient.server.decisions;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import rescient.server.access.Rights;

/** What a planner wants to be otherwise in the plan or in what it is made of; looked at first, then kept. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = FirmOrders.class, name = "FIRM"),
    @JsonSubTypes.Type(value = ChangeOrders.class, name = "CHANGE"),
    @JsonSubTypes.Type(value = MergeOrders.class, name = "MERGE"),
    @JsonSubTypes.Type(value = SplitOrders.class, name = "SPLIT"),
    @JsonSubTypes.Type(value = HoldOrders.class, name = "HOLD"),
    @JsonSubTypes.Type(value = ResumeOrders.class, name = "RESUME"),
    @JsonSubTypes.Type(value = CancelOrders.class, name = "CANCEL"),
    @JsonSubTypes.Type(value = AddOrder.class, name = "ADD"),
    @JsonSubTypes.Type(value = UseAlternative.class, name = "SUBSTITUTE"),
    @JsonSubTypes.Type(value = PlanOtherwise.class, name = "PLANNING"),
    @JsonSubTypes.Type(value = EnterCustomerOrder.class, name = "ENTER"),
    @JsonSubTypes.Type(value = AmendCustomerOrders.class, name = "AMEND"),
    @JsonSubTypes.Type(value = TakeOutOfBill.class, name = "BILL"),
    @JsonSubTypes.Type(value = ChangeData.class, name = "DATA"),
    @JsonSubTypes.Type(value = CopyItem.class, name = "COPY"),
    @JsonSubTypes.Type(value = ReplaceComponent.class, name = "REPLACE"),
    @JsonSubTypes.Type(value = KeepForecast.class, name = "FORECAST"),
    @JsonSubTypes.Type(value = AdjustForecast.class, name = "ADJUST"),
    @JsonSubTypes.Type(value = ChangeForecastSet.class, name = "SETS"),
    @JsonSubTypes.Type(value = AdvancePurchases.class, name = "PURCHASE"),
    @JsonSubTypes.Type(value = CombinePurchases.class, name = "COMBINE"),
    @JsonSubTypes.Type(value = ConfirmPurchase.class, name = "CONFIRMED"),
    @JsonSubTypes.Type(value = EnterPurchase.class, name = "BUY"),
    @JsonSubTypes.Type(value = EnterInvoice.class, name = "INVOICE"),
    @JsonSubTypes.Type(value = AdvanceInvoices.class, name = "INVOICES"),
    @JsonSubTypes.Type(value = InvoiceCustomers.class, name = "CHARGE"),
    @JsonSubTypes.Type(value = SequenceWork.class, name = "SEQUENCE")
})
sealed interface PlanCommand
        permits OfOrders,
                AddOrder,
                PlanOtherwise,
                EnterCustomerOrder,
                AmendCustomerOrders,
                TakeOutOfBill,
                ChangeData,
                CopyItem,
                ReplaceComponent,
                KeepForecast,
                AdjustForecast,
                ChangeForecastSet,
                AdvancePurchases,
                CombinePurchases,
                ConfirmPurchase,
                EnterPurchase,
                EnterInvoice,
                AdvanceInvoices,
                InvoiceCustomers,
                SequenceWork {
    /** In characters, of a code, a key or a value. */
    int LONGEST = 300;

    /** Of a note. */
    int LONGEST_NOTE = 1000;

    /** See {@link rescient.core.base.Limits#MOST}. */
    String MOST = "1000000000000";

    /** Works out which rows change, and into what; nothing is written. */
    void propose(Proposing desk);

    /**
     * Whether somebody may do it.
     *
     * @param sources of the orders it touches, as far as that is known
     */
    boolean permitted(Rights rights, List<String> sources);

    /** The name under which it is sent and kept. */
    default String kind() {
        for (JsonSubTypes.Type type :
                PlanCommand.class.getAnnotation(JsonSubTypes.class).value()) {
            if (type.value() == getClass()) {
                return type.name();
            }
        }
        throw new IllegalStateException(getClass() + " has no name");
    }
}
