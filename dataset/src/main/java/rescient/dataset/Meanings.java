package rescient.dataset;

import java.util.HashMap;
import java.util.Map;

/** What each table and each column means, in one line: for the guide, the data package and the templates. */
final class Meanings {
    private static final Map<String, String> TABLES = new HashMap<>();
    private static final Map<String, String> COLUMNS = new HashMap<>();

    private Meanings() {}

    static String of(Table table) {
        return TABLES.get(table.name());
    }

    /** The meaning in this table, or the one that the column has everywhere; null if nobody wrote one. */
    static String of(Table table, Column column) {
        String own = COLUMNS.get(table.name() + "." + column.name());
        return own != null ? own : COLUMNS.get(column.name());
    }

    private static void table(String name, String meaning) {
        TABLES.put(name, meaning);
    }

    private static void column(String name, String meaning) {
        COLUMNS.put(name, meaning);
    }

    static {
        table("settings", "What holds for the whole calculation");
        table("calendars", "Working weekdays of sites, suppliers and work centers");
        table("calendar_exceptions", "Days that work or do not, whatever their weekday");
        table("units", "Units of measure and how finely they are counted");
        table("unit_conversions", "How units convert, in general or for one item");
        table("sites", "Places that hold stock");
        table("item_groups", "Groups of items, with defaults for planning them");
        table("items", "Everything that is bought, made, stocked or sold");
        table("planning", "How one item is planned at one site: a stock point");
        table("bom_lines", "Bills of materials, and the parts of kits and phantoms");
        table("alternative_items", "What can be used in the place of an item that comes too late");
        table("operations", "Routings: what is done to make or assemble an item");
        table("work_centers", "Where operations are done");
        table("suppliers", "Who sells to us");
        table("supplier_items", "What suppliers offer, and their prices by quantity");
        table("customers", "Who buys from us");
        table("stock", "Stock on hand, lot by lot");
        table("customer_orders", "Lines of customer orders: quotes, open ones, done and cancelled ones");
        table("forecasts", "Forecasts, in named sets");
        table("history_corrections", "What buckets of the history count for; what was shipped stays as it was");
        table("forecast_choices", "How forecasts are made where that is not left to the calculation");
        table("forecast_adjustments", "What is known of buckets to come: stands on top of what is forecast");
        table("forecast_versions", "What was forecast, and when");
        table("shipments", "What was shipped to customers");
        table("approval_limits", "From which value on who is asked before a document goes on");
        table("lots", "What is known of lots and serial numbers, wherever they lie");
        table("lot_tests", "What tests of lots and serial numbers came to");
        table("invoices", "Invoices of suppliers and to customers, without tax");
        table("invoice_lines", "Which lines of orders an invoice charges, for how much and at which price");
        table("open_orders", "Firmed and released orders that are not done");
        table(
                "customer_order_parts",
                "What a kit consists of for one line of a customer order alone, in the place of its bill");
        table("open_order_components", "What open orders still have to issue or ship");
        everywhere();
        planning();
        materials();
        trade();
        orders();
        record();
    }

    private static void everywhere() {
        column("code", "Code");
        column("name", "Name");
        column("item", "Item");
        column("site", "Site");
        column("unit", "Unit of the quantities in this row; the item's own if not set");
        column("calendar", "Calendar");
        column("supplier", "Supplier");
        column("quantity", "Quantity in the item's unit");
        column("number", "Number of the document");
        column("line", "Line of the document");
        column("email", "Address for documents");
        column("retired", "Planned as before, but not offered any more");
        column(
                "settings.key",
                "today, horizon_end, forecast_set, forecast_consumption, release_ahead_days, currency, or forecast_run"
                        + " (daily, weekly or monthly: all series are forecast by themselves)");
        column("settings.value", "The setting");
        for (String day : new String[] {"mon", "tue", "wed", "thu", "fri", "sat", "sun"}) {
            column(day, "Works on this weekday; if not set, Monday to Friday do");
        }
        column("calendar_exceptions.date", "The day");
        column("calendar_exceptions.working", "Whether it works");
        column("units.decimals", "Decimals that a quantity in this unit may have, 0 to 6");
        column("unit_conversions.item", "Item that it holds for; every item if not set");
        column("from_unit", "Unit to convert from");
        column("to_unit", "Unit to convert to");
        column("factor", "How many to_unit one from_unit is");
        column("sites.kind", "What the place is");
        column("sites.calendar", "Its working days; Monday to Friday if not set");
        column(
                "purchase_release",
                "Whether released purchases are held for a buyer or ready to be sent; held if not set");
    }

    private static void planning() {
        column("items.group", "Group whose defaults hold");
        column("items.unit", "Unit it is stocked and planned in");
        column("items.kind", "stocked; kit: sold as one line and kept as its parts; phantom: passed through");
        column("tracking", "Whether stock is kept by lot or serial number");
        column("standard_cost", "Cost of one unit");
        column("items.price", "Sales price of one unit");
        column("costing", "How stock is valued; average if not set");
        column(
                "items.issue",
                "How it is taken as a component where the bill of materials does not say; manual if not set");
        column(
                "bom_lines.issue",
                "How it is taken: by hand, or with each report as planned; as the item says if not set");
        column("cost_batch", "Quantity for which its cost is worked out; 1 if not set");
        column(
                "zone",
                "Where it lies at the site, such as hall, aisle or shelf; pick lists go from zone to zone, A 02 before A 10");
        column("lot_pattern", "How its lots or serial numbers are made up: {yy}, {ww}, {####}");
        column("stock.received", "Day on which the lot first came to the site");
        column("planner", "Who plans it");
        column("source", "How the stock point is replenished; here or in the item's group");
        column("planning.supplier", "Chosen supplier; if not set, the first choice by preference");
        column("item_groups.supplier", "Chosen supplier");
        column("from_site", "Sending site of a transfer, or the subcontractor's premises");
        column("rule", "Planning rule; lot_for_lot if not set");
        column("safety_stock", "What should always be left");
        column("reorder_point", "Order when stock and receipts together fall below this");
        column("order_up_to", "Order up to this (min_max)");
        column("fixed_quantity", "Quantity of each order (fixed_quantity)");
        column("period_count", "How many periods one order covers (period)");
        column("period_unit", "Length of a period");
        column("min_quantity", "Least quantity of an order");
        column("max_quantity", "Greatest quantity of an order; more is split");
        column("multiple", "Orders are whole multiples of this");
        column("yield", "Good part of what is started, more than 0 and at most 1");
        column("lead_time_days", "Working days from start to due date");
        column("lead_time_per_unit_days", "Working days more for each unit started");
        column("safety_time_days", "Working days that receipts come before they are needed");
        column("frozen_days", "No planned order is due within so many days from today");
        column("demand_fence_days", "Forecasts within so many days from today do not count");
        column("consume_back_days", "Customer orders take from forecasts up to so many days earlier");
        column("consume_forward_days", "Customer orders take from forecasts up to so many days later");
        column("reschedule_tolerance_days", "An open order may be off by so many days without a signal");
        column("pull_in_days", "Open orders up to so many days later are pulled in; any if not set");
    }

    private static void materials() {
        column("parent", "Item that is made, assembled or passed through");
        column("bom_lines.line", "Place among the parent's lines");
        column("component", "Item that it takes");
        column("bom_lines.quantity", "How much for one unit of the parent, or for one order");
        column("per", "Whether the quantity is for one unit or for the order as a whole");
        column("scrap", "Part that is lost on the way: 0.05 is 5 % more");
        column("valid_from", "First day on which it holds; ever since if not set");
        column("valid_to", "Last day on which it holds; until further notice if not set");
        column("step", "Operation that needs it; the start of the order if not set");
        column("alternative_items.item", "Item that is asked for");
        column("alternative", "Item that can be used instead");
        column("alternative_items.parent", "What it may be used in; everything made of the item if not set");
        column("alternative_items.factor", "How many units of it do what one unit of the item does; 1 if not set");
        column("operations.step", "Orders the operations of an item");
        column("operations.site", "Site it holds for; every site if not set");
        column("work_center", "Where it is done");
        column("queue_minutes", "Minutes of waiting before");
        column("setup_minutes", "Minutes of setting up, once an order");
        column("run_minutes_per_unit", "Minutes for each unit started");
        column("move_minutes", "Minutes of moving on afterwards");
        column("note", "What the shop floor should know");
        column("work_centers.calendar", "Its working days; the site's if not set");
        column("minutes_per_day", "Minutes it works on a working day");
        column("efficiency", "1 is 100 %; setup and run minutes are divided by it");
        column("cost_per_hour", "Cost of an hour");
    }

    private static void trade() {
        column("suppliers.calendar", "Its working days; the receiving site's if not set");
        column("currency", "Currency of its prices");
        column("minimum_order_value", "Least value of one order");
        column("from_quantity", "Price from this quantity on; 0: the base row, whose terms plan");
        column("price", "Price of one unit");
        column("preference", "1 is the first choice");
        column("supplier_items.min_quantity", "Least quantity, in the unit of this row");
        column("supplier_items.max_quantity", "Greatest quantity, in the unit of this row");
        column("supplier_items.multiple", "Whole multiples of this, in the unit of this row");
        column("supplier_items.lead_time_days", "Working days from order to receipt");
        column("supplier_code", "What the supplier calls the item");
        column("over_receipt_percent", "So much more than ordered is taken without asking");
        column("suppliers.order_text", "What is printed on each order to it");
        column("supplier_items.order_text", "What is printed below a line that orders it");
        column("address", "Postal address");
        column("contact", "Person to talk to");
        column("phone", "Telephone number");
        column("payment_days", "Days from an invoice to its payment");
        column("tax_number", "Number for taxes");
        column("tax_rate", "Tax on their goods, in percent");
        column("customer", "Customer");
        column("priority", "1 is served first; 5 if not set");
        column("customer_orders.quantity", "Still open, in the item's unit");
        column("due_date", "Day it is wanted or promised");
        column("customer_orders.ordered", "Ordered in all, in the item's unit; what is open if not set");
        column("customer_orders.unit", "Unit in which the customer asked for it");
        column("show_parts", "Of a kit: documents for customers name its parts");
        column("entered", "Day on which it came in");
        column("wanted_date", "Day the customer asked for");
        column("promised_date", "Day the customer was told");
        column("reference", "The customer's own number of his order");
        column("customer_orders.state", "A quote binds nobody yet; open if not set. Only what is open is planned");
        column("complete", "All lines of the order go together; line by line if not set");
        column(
                "supply",
                "From stock (or not set), bought for this line alone and kept for it (own), or shipped straight to the"
                        + " customer by the supplier (direct)");
        column("customer_orders.supplier", "Of whom it is bought for this line; the stock point's if not set");
    }

    private static void record() {
        table("closed_orders", "Orders that are done, as those that are open");
        table(
                "postings",
                "What people posted, one row for each act; not needed, but without it nobody knows of postings that moved nothing");
        column("postings.key", "Of the posting; its movements bear it");
        column("postings.date", "Day that it counts for");
        column("postings.reverses", "Key of the posting that it takes back");
        column("postings.sentence", "What it was, in words");
        column("postings.entered", "Moment in which it was posted");
        table(
                "posting_steps",
                "What each posting changed on documents, so that it can be taken back whole; without it, as far as its movements tell");
        column("posting_steps.key", "Of the posting");
        column("posting_steps.place", "The first, second, … that it changed");
        column("posting_steps.kind", "What was changed");
        column("posting_steps.number", "Of the document");
        column("posting_steps.line", "Of the document");
        column("posting_steps.what", "Component or item; of a cost its kind, of a row of the history its table");
        column("posting_steps.item", "Of what moved");
        column("posting_steps.lot", "Of what moved");
        column("posting_steps.serial", "Of what moved");
        column("posting_steps.site", "Of what moved");
        column("posting_steps.step", "Step of the routing");
        column("posting_steps.a", "Quantity, or value of a cost; of an end 1 if somebody ended it");
        column("posting_steps.b", "Second figure: what is open less, put out, spoiled, or its value");
        column("posting_steps.c", "Third figure: value of what is inside");
        table("movements", "The stock record: what moved, one immutable line each");
        table("stock_values", "What stock is worth, where that is not its quantity at standard cost");
        table("stock_layers", "Of items valued by what came first: what is left of each receipt");
        table("closed_customer_orders", "Lines of customer orders that are done, as those that are open");
        column("closed_customer_orders.unit", "Unit in which it was asked for; empty: the item's");
        column("closed_customer_orders.price", "For one in the item's unit");
        column("closed_customer_orders.quantity", "What never went: 0 unless it was closed by hand");
        column("closed_customer_orders.state", "done, whatever it says");
        table("closed_order_components", "What orders that are done have taken");
        table("order_costs", "What orders have cost");
        table("order_steps", "How far orders have come at each step");
        table("usage", "What went into orders, or to another site, less what came back");
        column("usage.date", "Day on which it went");
        column("usage.number", "Of the order");
        column("usage.line", "Of the order");
        column("usage.quantity", "In the item's unit");
        table("receipts", "What suppliers brought, less what went back");
        column("receipts.number", "Of the purchase order");
        column("receipts.line", "Of the purchase order");
        column("received_date", "Day on which it came");
        column("receipts.supplier", "Who brought it");
        column("ordered_date", "Day on which the order was sent");
        column("receipts.first_confirmed_date", "Day that the supplier promised first");
        column("receipts.quantity", "In the item's unit");
        table("in_transit", "What transfers have sent and nobody has received");
        column("closed_orders.unit", "Unit that it was bought in");
        column("closed_orders.price", "For one of that unit");
        column("closed_orders.kind", "How it replenished");
        column("closed_orders.quantity", "What never came: 0 unless it was closed by hand");
        column("scrapped", "Pieces that were spoiled");
        column("confirmed_date", "The day that the supplier promised");
        column("split_of", "The line that it was a part of");
        column("state", "Where it stands");
        column("lots.expiry", "It serves until before that day");
        column("supplier_lot", "The number that its maker gave it");
        column("lots.document", "Of a certificate, or where that lies");
        column("lots.note", "What else is to be known of it");
        column("lot_tests.name", "What was tested");
        column("lot_tests.value", "What was found");
        column("lot_tests.unit", "In which it is measured");
        column("lower", "The least that is allowed");
        column("upper", "The most that is allowed");
        column("lot_tests.date", "Day of the test");
        column("sent_date", "The day that it went to the supplier");
        column("first_confirmed_date", "The day that the supplier promised first, whatever he said later");
        column("purchase_state", "Of a subcontract order, where its service purchase stands");
        column("closed_date", "Day on which it was done");
        column("movement", "Running number, without gaps");
        column("movements.key", "Of the posting that made it; all its movements have one key");
        column("movements.date", "Day that it counts for");
        column("movements.kind", "What moved it");
        column("movements.quantity", "In the item's unit; below 0: it went out");
        column("movements.value", "In the company's currency, with the same sign");
        column("document", "Kind of the order or customer order that it belongs to");
        column("movements.number", "Of that document");
        column("movements.line", "Of that document");
        column("movements.quarantined", "It lies, or lay, quarantined");
        column("reverses", "The movement that it takes back");
        column("movements.reason", "Why, in a few words");
        column("person", "Who did it");
        column("entered", "When it was entered");
        column("stock_values.quantity", "What lies there; stock says so itself");
        column("stock_values.value", "Of all that lies there");
        column("stock_layers.date", "Day on which it came; before all others if not set");
        column("stock_layers.number", "Of the movement that it came with; below 0: it was there at first");
        column("stock_layers.quantity", "What is left of it");
        column("stock_layers.value", "Of what is left");
        column("material", "Components, or what was bought");
        column("work", "Time at its cost");
        column("outside", "What others were paid for working on it");
        column("put_out", "Value of what came of it");
        column("variance", "What it cost more than what came of it");
        column("in_process", "Material, work and outside less what was put out and the variance");
    }

    private static void orders() {
        column("lot", "Lot number");
        column("serial", "Serial number");
        column("expiry", "First day on which it no longer serves");
        column("quarantined", "Does not count until it is cleared");
        column("set", "Name of the forecast set");
        column("from_date", "First day of the bucket");
        column("bucket", "Length of the bucket");
        column("shipments.date", "Day it was shipped");
        column("approval_limits.document", "Of which documents");
        column("from_value", "From this value on, in the company's currency");
        column("invoices.supplier", "Who sent it; empty: it goes to a customer");
        column("invoices.customer", "To whom it goes; empty: a supplier sent it");
        column("invoices.number", "As its sender numbers it, once");
        column("invoices.date", "Day it was written");
        column("due", "Day on which it is to be paid; empty: at once");
        column("invoices.state", "Whether it may be paid, waits for an approval, or went back");
        column("entered_by", "Who entered it");
        column("invoices.note", "Why it was rejected, or what else is to be known");
        column("invoice_lines.supplier", "As on the invoice");
        column("invoice_lines.customer", "As on the invoice");
        column("invoice_lines.number", "The invoice");
        column("order_number", "The order it charges");
        column("order_line", "The line of that order");
        column("invoice_lines.quantity", "How many are charged, in the unit");
        column("invoice_lines.unit", "Unit in which they are charged; empty: the item's");
        column("invoice_lines.price", "Price of one such unit, net of tax");
        column("role", "Who is asked, each in turn, the lowest limit first");
        column("open_orders.unit", "Unit in which it was ordered; empty: the item's");
        column("open_orders.price", "Price agreed for one such unit");
        column("open_orders.kind", "How it replenishes");
        column("stage", "firmed by the planner, or released to who carries it out");
        column("open_orders.quantity", "Good quantity still open, in the item's unit");
        column("start_date", "Day it starts");
        column("locked", "Not to be moved: no signal, never pulled in");
        column("ordered", "In all; where it is not said, what is still open");
        column(
                "start_quantity",
                "Started in all, before yield; where it is not said, what was ordered, divided by the yield");
        column("for_order", "The customer order whose line it is bought for alone; for all if not set");
        column("for_line", "That line");
        column("history_corrections.from_date", "A day of the bucket");
        column("history_corrections.bucket", "Of which buckets this is one: day, week from Monday, or calendar month");
        column("history_corrections.quantity", "What is taken to have been asked for in it");
        column(
                "history_corrections.kind",
                "outlier (it happens once), promotion, closure, or out_of_stock (more was asked for than could be shipped)");
        column("history_corrections.reason", "Why, in a few words");
        column("forecast_choices.bucket", "For forecasts in these buckets");
        column("forecast_choices.method", "By which it is made; not set: the one with the least error");
        column(
                "parameters",
                "Of the method, such as alpha=0.2 beta=0.1; those that are not named are fitted. alpha: share of an"
                        + " error that the level takes; beta: the trend, or the interval between demands; gamma: the"
                        + " season; phi: what is left of the trend from bucket to bucket; n: of how many the mean is taken");
        column("forecast_choices.from_date", "Before it the history does not count");
        column("to_date", "Behind it the history does not count");
        column("like_item", "Whose history stands for what the item does not have yet");
        column("like_site", "At which site; not set: at its own");
        column("like_percent", "So much of that history; not set: 100");
        column("forecast_choices.reason", "Why, in a few words");
        column("forecast_adjustments.from_date", "A day of the bucket");
        column("forecast_adjustments.bucket", "Of which buckets this is one");
        column("amount", "Is added, in the item's unit; below 0: is taken off");
        column("percent", "Of what is forecast is added; below 0: is taken off");
        column("forecast_adjustments.kind", "promotion, closure, event, or judgement");
        column("forecast_adjustments.reason", "Why, in a few words");
        column("made", "The day on which it was kept");
        column("forecast_versions.quantity", "As the method said");
        column("adjusted", "As it was kept, with what was changed by hand");
        column("naive", "What came a season before: what any method has to beat");
        column("forecast_versions.method", "By which it was made");
        column("customer_order_parts.quantity", "For one kit, in the component's unit");
        column("open_order_components.step", "Step of the routing at which it is needed");
        column("planned", "Planned in all; what is still to issue and what was issued, if not set");
        column("issued", "Issued so far, less what came back");
        column("used", "Of what was issued, what was put out with the product");
        column("open_order_components.value", "Of what is issued and not put out, in the company's currency");
        column(
                "open_order_components.per",
                "For each unit, or once for the order; as its bill of materials if not set");
        column(
                "open_order_components.issue",
                "Taken by hand, or with each report; as its bill of materials if not set");
        column("order_steps.step", "Step of the routing");
        column("reported", "Good units reported at the step");
        column("order_steps.scrapped", "Units that were spoiled at the step");
        column("booked", "Units for which the planned time was booked");
        column("minutes", "Minutes of work that were given; then none is booked as planned");
        column("in_transit.quantity", "On its way, in the item's unit");
        column("in_transit.value", "Of what is on its way");
        column("closed_order_components.step", "Step of the routing at which it was needed");
        column("closed_order_components.value", "Of what was issued and not put out, in the company's currency");
        column("closed_order_components.per", "For each unit, or once for the order");
        column("closed_order_components.issue", "Taken by hand, or with each report");
        column("closed_order_components.quantity", "What was still to issue when the order ended");
        column("open_order_components.quantity", "Still to issue; for a transfer the item itself, still to ship");
        column("needed_date", "Day it is needed");
    }
}
