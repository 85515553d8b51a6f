package rescient.dataset;

import static rescient.dataset.Table.table;

import java.util.List;
import java.util.stream.Stream;
import rescient.core.base.Limits;
import rescient.core.company.ForecastMethod;

/** The definitions of all tables of a company, which are read as {@link Table#ALL}. */
final class CompanyTables {
    private static final ColumnType TEXT = ColumnType.TEXT;
    private static final ColumnType AMOUNT = ColumnType.AMOUNT;
    private static final ColumnType BUCKET = ColumnType.words("day", "week", "month");
    private static final String[] METHODS =
            Stream.of(ForecastMethod.values()).map(ForecastMethod::code).toArray(String[]::new);
    private static final ColumnType DAYS = ColumnType.DAYS;
    private static final ColumnType COUNT = new ColumnType.Whole(1, 10_000);
    private static final ColumnType PART =
            new ColumnType.Decimal(java.math.BigDecimal.ZERO, true, java.math.BigDecimal.ONE, Texts.MOST_DECIMALS);

    private static final ColumnType USED =
            new ColumnType.Decimal(java.math.BigDecimal.ZERO, false, Limits.MOST, Texts.MOST_DECIMALS);

    /** How a stock point is planned; an item group may hold defaults for all of it. */
    static final List<Column> PLANNING_COLUMNS = List.of(
            Column.of("source", ColumnType.words("make", "assemble", "buy", "transfer", "subcontract", "none")),
            Column.of("supplier", TEXT).to("suppliers"),
            Column.of("from_site", TEXT).to("sites"),
            Column.of("rule", ColumnType.words("lot_for_lot", "per_order", "period", "fixed_quantity", "min_max")),
            Column.of("safety_stock", AMOUNT),
            Column.of("reorder_point", AMOUNT),
            Column.of("order_up_to", AMOUNT),
            Column.of("fixed_quantity", AMOUNT),
            Column.of("period_count", COUNT),
            Column.of("period_unit", BUCKET),
            Column.of("min_quantity", AMOUNT),
            Column.of("max_quantity", AMOUNT),
            Column.of("multiple", AMOUNT),
            Column.of("yield", PART),
            Column.of("lead_time_days", DAYS),
            Column.of("lead_time_per_unit_days", AMOUNT),
            Column.of("safety_time_days", DAYS),
            Column.of("frozen_days", DAYS),
            Column.of("demand_fence_days", DAYS),
            Column.of("consume_back_days", DAYS),
            Column.of("consume_forward_days", DAYS),
            Column.of("reschedule_tolerance_days", DAYS),
            Column.of("pull_in_days", DAYS));

    private CompanyTables() {}

    /** Each after those it refers to. */
    static List<Table> all() {
        return Stream.of(places(), partners(), items(), supply(), demand(), papers(), orders())
                .flatMap(List::stream)
                .toList();
    }

    /** The company, its calendars, units and sites. */
    private static List<Table> places() {
        return List.of(
                table("settings", Column.key("key", TEXT), Column.of("value", TEXT)),
                table(
                        "calendars",
                        Column.key("code", TEXT),
                        Column.of("mon", ColumnType.FLAG),
                        Column.of("tue", ColumnType.FLAG),
                        Column.of("wed", ColumnType.FLAG),
                        Column.of("thu", ColumnType.FLAG),
                        Column.of("fri", ColumnType.FLAG),
                        Column.of("sat", ColumnType.FLAG),
                        Column.of("sun", ColumnType.FLAG)),
                table(
                        "calendar_exceptions",
                        Column.key("calendar", TEXT).to("calendars"),
                        Column.key("date", ColumnType.DAY),
                        Column.required("working", ColumnType.FLAG)),
                table(
                        "units",
                        Column.key("code", TEXT),
                        Column.of("name", TEXT),
                        Column.required("decimals", new ColumnType.Whole(0, 6))),
                table(
                        "sites",
                        Column.key("code", TEXT),
                        Column.of("name", TEXT),
                        Column.of("kind", ColumnType.words("works", "depot", "subcontractor")),
                        Column.of("calendar", TEXT).to("calendars"),
                        Column.of("address", TEXT),
                        Column.of("purchase_release", ColumnType.words("held", "ready")),
                        Column.of("retired", ColumnType.FLAG)));
    }

    /** Whom it buys from and sells to. */
    private static List<Table> partners() {
        return List.of(
                table(
                        "suppliers",
                        Column.key("code", TEXT),
                        Column.of("name", TEXT),
                        Column.of("calendar", TEXT).to("calendars"),
                        Column.of("email", TEXT),
                        Column.of("currency", TEXT),
                        Column.of("minimum_order_value", AMOUNT),
                        Column.of("address", TEXT),
                        Column.of("contact", TEXT),
                        Column.of("phone", TEXT),
                        Column.of("payment_days", DAYS),
                        Column.of("tax_number", TEXT),
                        Column.of("tax_rate", AMOUNT),
                        Column.of("order_text", TEXT),
                        Column.of("retired", ColumnType.FLAG)),
                table(
                        "customers",
                        Column.key("code", TEXT),
                        Column.of("name", TEXT),
                        Column.of("email", TEXT),
                        Column.of("address", TEXT),
                        Column.of("contact", TEXT),
                        Column.of("phone", TEXT),
                        Column.of("payment_days", DAYS),
                        Column.of("tax_number", TEXT),
                        Column.of("tax_rate", AMOUNT),
                        Column.of("retired", ColumnType.FLAG)));
    }

    /** Its items, how they are planned and what they are made of. */
    private static List<Table> items() {
        return List.of(
                table(
                        "item_groups",
                        joined(List.of(Column.key("code", TEXT), Column.of("name", TEXT)), PLANNING_COLUMNS)),
                table(
                        "items",
                        Column.key("code", TEXT),
                        Column.of("name", TEXT),
                        Column.of("group", TEXT).to("item_groups"),
                        Column.required("unit", TEXT).to("units"),
                        Column.of("kind", ColumnType.words("stocked", "kit", "phantom")),
                        Column.of("tracking", ColumnType.words("none", "lot", "serial")),
                        Column.of("standard_cost", AMOUNT),
                        Column.of("price", AMOUNT),
                        Column.of("costing", ColumnType.words("standard", "average", "fifo", "specific")),
                        Column.of("planner", TEXT),
                        Column.of("retired", ColumnType.FLAG),
                        Column.of("show_parts", ColumnType.FLAG),
                        Column.of("issue", ColumnType.words("manual", "backflush")),
                        Column.of("cost_batch", AMOUNT),
                        Column.of("lot_pattern", TEXT)),
                table(
                        "unit_conversions",
                        Column.openKey("item", TEXT).to("items"),
                        Column.key("from_unit", TEXT).to("units"),
                        Column.key("to_unit", TEXT).to("units"),
                        Column.required("factor", ColumnType.CONVERSION)),
                table(
                        "planning",
                        joined(
                                List.of(
                                        Column.key("item", TEXT).to("items"),
                                        Column.key("site", TEXT).to("sites")),
                                joined(PLANNING_COLUMNS, List.of(Column.of("zone", TEXT))))),
                table(
                        "bom_lines",
                        Column.key("parent", TEXT).to("items"),
                        Column.key("line", TEXT),
                        Column.required("component", TEXT).to("items"),
                        Column.required("quantity", ColumnType.RATIO),
                        Column.of("unit", TEXT).to("units"),
                        Column.of("per", ColumnType.words("unit", "order")),
                        Column.of("scrap", ColumnType.RATIO),
                        Column.of("valid_from", ColumnType.DAY),
                        Column.of("valid_to", ColumnType.DAY),
                        Column.of("step", TEXT),
                        Column.of("issue", ColumnType.words("manual", "backflush"))),
                table(
                        "alternative_items",
                        Column.key("item", TEXT).to("items"),
                        Column.key("alternative", TEXT).to("items"),
                        Column.openKey("parent", TEXT).to("items"),
                        Column.of("factor", ColumnType.FACTOR),
                        Column.of("preference", new ColumnType.Whole(1, 1_000))));
    }

    /** Where they come from and what lies there. */
    private static List<Table> supply() {
        return List.of(
                table(
                        "work_centers",
                        Column.key("code", TEXT),
                        Column.of("name", TEXT),
                        Column.required("site", TEXT).to("sites"),
                        Column.of("calendar", TEXT).to("calendars"),
                        Column.required("minutes_per_day", ColumnType.FACTOR),
                        Column.of("efficiency", ColumnType.FACTOR),
                        Column.of("cost_per_hour", AMOUNT)),
                table(
                        "operations",
                        Column.key("item", TEXT).to("items"),
                        Column.key("step", TEXT),
                        Column.openKey("site", TEXT).to("sites"),
                        Column.required("work_center", TEXT).to("work_centers"),
                        Column.of("queue_minutes", AMOUNT),
                        Column.of("setup_minutes", AMOUNT),
                        Column.of("run_minutes_per_unit", AMOUNT),
                        Column.of("move_minutes", AMOUNT),
                        Column.of("note", TEXT)),
                table(
                        "supplier_items",
                        Column.key("supplier", TEXT).to("suppliers"),
                        Column.key("item", TEXT).to("items"),
                        Column.key("from_quantity", AMOUNT),
                        Column.openKey("valid_from", ColumnType.DAY),
                        Column.of("valid_to", ColumnType.DAY),
                        Column.of("unit", TEXT).to("units"),
                        Column.of("price", AMOUNT),
                        Column.of("lead_time_days", DAYS),
                        Column.of("min_quantity", AMOUNT),
                        Column.of("multiple", AMOUNT),
                        Column.of("max_quantity", AMOUNT),
                        Column.of("preference", new ColumnType.Whole(1, 1_000)),
                        Column.of("supplier_code", TEXT),
                        Column.of("over_receipt_percent", AMOUNT),
                        Column.of("order_text", TEXT)),
                table(
                        "stock",
                        Column.key("item", TEXT).to("items"),
                        Column.key("site", TEXT).to("sites"),
                        Column.openKey("lot", TEXT),
                        Column.openKey("serial", TEXT),
                        Column.required("quantity", AMOUNT),
                        Column.of("expiry", ColumnType.DAY),
                        // of one lot free and quarantined stock are kept apart
                        Column.openKey("quarantined", ColumnType.FLAG),
                        Column.openKey("for_order", TEXT),
                        Column.openKey("for_line", TEXT),
                        Column.of("received", ColumnType.DAY)));
    }

    /** What is asked for, was and will be. */
    private static List<Table> demand() {
        return List.of(
                table(
                        "customer_orders",
                        Column.key("number", TEXT),
                        Column.key("line", TEXT),
                        Column.of("customer", TEXT).to("customers"),
                        Column.required("item", TEXT).to("items"),
                        Column.required("site", TEXT).to("sites"),
                        Column.required("quantity", AMOUNT),
                        Column.required("due_date", ColumnType.DAY),
                        Column.of("priority", new ColumnType.Whole(0, 1_000_000)),
                        Column.of("price", AMOUNT),
                        Column.of("ordered", AMOUNT),
                        Column.of("unit", TEXT).to("units"),
                        Column.of("entered", ColumnType.DAY),
                        Column.of("wanted_date", ColumnType.DAY),
                        Column.of("promised_date", ColumnType.DAY),
                        Column.of("reference", TEXT),
                        Column.of("state", ColumnType.words("quote", "open", "done", "cancelled")),
                        Column.of("complete", ColumnType.FLAG),
                        Column.of("supply", ColumnType.words("stock", "own", "direct")),
                        Column.of("supplier", TEXT).to("suppliers")),
                table(
                        "customer_order_parts",
                        Column.key("number", TEXT),
                        Column.key("line", TEXT),
                        Column.key("component", TEXT).to("items"),
                        Column.required("quantity", ColumnType.RATIO)),
                table(
                        "forecasts",
                        Column.key("set", TEXT),
                        Column.key("item", TEXT).to("items"),
                        Column.key("site", TEXT).to("sites"),
                        Column.key("from_date", ColumnType.DAY),
                        Column.required("bucket", BUCKET),
                        Column.required("quantity", AMOUNT)),
                table(
                        "shipments",
                        Column.key("item", TEXT).to("items"),
                        Column.key("site", TEXT).to("sites"),
                        Column.key("date", ColumnType.DAY),
                        Column.key("number", TEXT),
                        Column.openKey("line", TEXT),
                        Column.of("customer", TEXT).to("customers"),
                        Column.required("quantity", AMOUNT)),
                table(
                        "history_corrections",
                        Column.key("item", TEXT).to("items"),
                        Column.key("site", TEXT).to("sites"),
                        Column.key("from_date", ColumnType.DAY),
                        Column.key("bucket", BUCKET),
                        Column.required("quantity", AMOUNT),
                        Column.of("kind", ColumnType.words("outlier", "promotion", "closure", "out_of_stock")),
                        Column.of("reason", TEXT)),
                table(
                        "forecast_choices",
                        Column.key("item", TEXT).to("items"),
                        Column.key("site", TEXT).to("sites"),
                        Column.key("bucket", BUCKET),
                        Column.of("method", ColumnType.words(METHODS)),
                        Column.of("parameters", TEXT),
                        Column.of("from_date", ColumnType.DAY),
                        Column.of("to_date", ColumnType.DAY),
                        Column.of("like_item", TEXT).to("items"),
                        Column.of("like_site", TEXT).to("sites"),
                        Column.of("like_percent", ColumnType.FACTOR),
                        Column.of("reason", TEXT)),
                table(
                        "forecast_adjustments",
                        Column.key("item", TEXT).to("items"),
                        Column.key("site", TEXT).to("sites"),
                        Column.key("from_date", ColumnType.DAY),
                        Column.key("bucket", BUCKET),
                        Column.of("amount", ColumnType.SIGNED),
                        Column.of("percent", ColumnType.PERCENT),
                        Column.of("kind", ColumnType.words("promotion", "closure", "event", "judgement")),
                        Column.of("reason", TEXT)),
                table(
                        "forecast_versions",
                        Column.key("set", TEXT),
                        Column.key("item", TEXT).to("items"),
                        Column.key("site", TEXT).to("sites"),
                        Column.key("bucket", BUCKET),
                        Column.key("made", ColumnType.DAY),
                        Column.key("from_date", ColumnType.DAY),
                        Column.required("quantity", AMOUNT),
                        Column.required("adjusted", AMOUNT),
                        Column.of("naive", AMOUNT),
                        Column.of("method", ColumnType.words(METHODS))));
    }

    /** What is approved, tested and charged. */
    private static List<Table> papers() {
        return List.of(
                table(
                        "approval_limits",
                        Column.key("document", ColumnType.words("purchase_order", "invoice", "adjustment")),
                        Column.key("from_value", AMOUNT),
                        Column.required(
                                "role",
                                ColumnType.words(
                                        "planner", "buyer", "stores", "foreman", "sales", "engineer", "approver"))),
                table(
                        "lots",
                        Column.key("item", TEXT).to("items"),
                        Column.openKey("lot", TEXT),
                        Column.openKey("serial", TEXT),
                        Column.of("expiry", ColumnType.DAY),
                        Column.of("supplier_lot", TEXT),
                        Column.of("document", TEXT),
                        Column.of("note", TEXT)),
                table(
                        "lot_tests",
                        Column.key("item", TEXT).to("items"),
                        Column.openKey("lot", TEXT),
                        Column.openKey("serial", TEXT),
                        Column.key("name", TEXT),
                        Column.of("value", ColumnType.SIGNED),
                        Column.of("unit", TEXT),
                        Column.of("lower", ColumnType.SIGNED),
                        Column.of("upper", ColumnType.SIGNED),
                        Column.of("date", ColumnType.DAY)),
                table(
                        "invoices",
                        Column.openKey("supplier", TEXT).to("suppliers"),
                        Column.openKey("customer", TEXT).to("customers"),
                        Column.key("number", TEXT),
                        Column.required("date", ColumnType.DAY),
                        Column.of("due", ColumnType.DAY),
                        Column.required("state", ColumnType.words("awaiting_approval", "approved", "rejected")),
                        Column.of("entered_by", TEXT),
                        Column.of("note", TEXT)),
                table(
                        "invoice_lines",
                        Column.openKey("supplier", TEXT).to("suppliers"),
                        Column.openKey("customer", TEXT).to("customers"),
                        Column.key("number", TEXT),
                        Column.key("line", TEXT),
                        Column.required("order_number", TEXT),
                        Column.required("order_line", TEXT),
                        Column.required("quantity", ColumnType.SIGNED),
                        Column.of("unit", TEXT).to("units"),
                        Column.required("price", AMOUNT)));
    }

    /** What is on its way. */
    private static List<Table> orders() {
        return List.of(
                table(
                        "open_orders",
                        Column.key("number", TEXT),
                        Column.key("line", TEXT),
                        Column.required("kind", ColumnType.words("buy", "make", "assemble", "transfer", "subcontract")),
                        Column.required("stage", ColumnType.words("firmed", "released")),
                        Column.required("item", TEXT).to("items"),
                        Column.required("site", TEXT).to("sites"),
                        Column.of("from_site", TEXT).to("sites"),
                        Column.of("supplier", TEXT).to("suppliers"),
                        Column.required("quantity", AMOUNT),
                        Column.required("due_date", ColumnType.DAY),
                        Column.of("start_date", ColumnType.DAY),
                        Column.of("locked", ColumnType.FLAG),
                        Column.of("ordered", AMOUNT),
                        Column.of("start_quantity", AMOUNT),
                        Column.of("for_order", TEXT),
                        Column.of("for_line", TEXT),
                        Column.of("unit", TEXT).to("units"),
                        Column.of("price", AMOUNT),
                        Column.of("scrapped", AMOUNT),
                        Column.of("confirmed_date", ColumnType.DAY),
                        Column.of("split_of", TEXT),
                        Column.of("state", TEXT),
                        Column.of("purchase_state", TEXT),
                        Column.of("sent_date", ColumnType.DAY),
                        Column.of("first_confirmed_date", ColumnType.DAY)),
                table(
                        "open_order_components",
                        Column.key("number", TEXT),
                        Column.key("line", TEXT),
                        Column.key("component", TEXT).to("items"),
                        Column.required("quantity", AMOUNT),
                        Column.required("needed_date", ColumnType.DAY),
                        Column.openKey("step", TEXT),
                        Column.of("planned", AMOUNT),
                        Column.of("issued", AMOUNT),
                        Column.of("used", USED),
                        Column.of("value", ColumnType.SIGNED),
                        Column.of("per", ColumnType.words("unit", "order")),
                        Column.of("issue", ColumnType.words("manual", "backflush"))));
    }

    private static List<Column> joined(List<Column> first, List<Column> second) {
        return Stream.concat(first.stream(), second.stream()).toList();
    }
}
