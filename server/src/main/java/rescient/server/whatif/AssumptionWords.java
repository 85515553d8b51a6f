package rescient.server.whatif;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import rescient.server.planning.Directory;
import rescient.server.planning.Words;

/** An assumption in a sentence. */
record AssumptionWords(Directory directory, Assumption assumption) {
    String sentence() {
        return switch (assumption.kind()) {
            case DEMAND -> demand();
            case ORDER ->
                "An order of " + number(assumption.quantity()) + " " + assumption.item()
                        + (assumption.field("customer") == null
                                ? ""
                                : " for " + directory.customerName(assumption.field("customer")))
                        + ", wanted " + day(assumption.due());
            case SUPPLIER_SLOWER ->
                directory.supplierName(assumption.supplier()) + " takes " + assumption.days()
                        + (assumption.days() != null && assumption.days() == 1 ? " working day" : " working days")
                        + " longer" + time();
            case SUPPLIER_OUT -> directory.supplierName(assumption.supplier()) + " delivers nothing" + time();
            case STOCK_LOST ->
                (assumption.quantity() == null ? "All" : number(assumption.quantity())) + " " + assumption.item()
                        + " in stock at " + directory.siteName(assumption.site()) + " are lost";
            case PLANNING -> assumption.item() + ": " + fields();
            case BILL -> bill();
            case CALENDAR ->
                directory.siteName(assumption.site())
                        + (Boolean.TRUE.equals(assumption.working()) ? " works every day" : " is closed")
                        + time();
            case FORECAST_SET -> assumption.set() == null ? "No forecast" : "The forecast " + assumption.set();
        };
    }

    private String demand() {
        List<String> of = new ArrayList<>();
        if (assumption.item() != null) {
            of.add(assumption.item());
        }
        if (assumption.group() != null) {
            of.add("group " + directory.groupName(assumption.group()));
        }
        if (assumption.customer() != null) {
            of.add(directory.customerName(assumption.customer()));
        }
        String what = "forecast".equals(assumption.of())
                ? "Forecasts"
                : "orders".equals(assumption.of()) ? "Customer orders" : "Demand";
        BigDecimal percent = assumption.percent() == null ? BigDecimal.ZERO : assumption.percent();
        return what + (of.isEmpty() ? "" : " for " + String.join(", ", of)) + (percent.signum() < 0 ? " down" : " up")
                + " by " + number(percent.abs()) + " %" + time();
    }

    private String bill() {
        String quantity = assumption.field("quantity");
        if (assumption.field("component") != null) {
            return "Each " + assumption.item() + " takes " + (quantity == null ? "1" : quantity) + " "
                    + assumption.field("component") + " more";
        }
        String component = directory.bomLines(assumption.item()).stream()
                .filter(row -> row.text("line").equals(assumption.field("line")))
                .map(row -> row.text("component"))
                .findFirst()
                .orElse("line " + assumption.field("line"));
        return quantity == null || quantity.equals("0")
                ? assumption.item() + " is made without " + component
                : "Each " + assumption.item() + " takes " + quantity + " " + component;
    }

    private String fields() {
        List<String> said = new ArrayList<>();
        Map<String, String> fields = assumption.fields() == null ? Map.of() : new TreeMap<>(assumption.fields());
        fields.forEach((name, value) ->
                said.add(name.replace('_', ' ') + " " + (value == null || value.isBlank() ? "none" : value.strip())));
        return String.join(", ", said);
    }

    private String time() {
        return (assumption.from() == null ? "" : " from " + day(assumption.from()))
                + (assumption.to() == null ? "" : " to " + day(assumption.to()));
    }

    private static String day(LocalDate day) {
        return day == null ? "some day" : Words.day((int) day.toEpochDay());
    }

    private static String number(BigDecimal number) {
        return number == null ? "some" : number.stripTrailingZeros().toPlainString();
    }
}
