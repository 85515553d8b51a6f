package rescient.server.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.core.plan.PointView;
import rescient.core.plan.Urgency;

/** What signals and slips say, in whole sentences. */
class WordingTest {
    @TempDir
    Path folder;

    private SmallCompany company;

    @BeforeEach
    void aCompany() {
        company = new SmallCompany(folder).items("A");
    }

    private static List<String> sentences(PlanVersion version) {
        return version.signals().stream()
                .map(s -> SignalView.of(version, s).sentence())
                .toList();
    }

    @Test
    void anOrderThatShouldHaveStartedAndTheCustomerWhoWaits() {
        company.table("planning", "item,site,source,supplier,lead_time_days", "A,W,buy,S,6")
                .table("customer_orders", "number,line,item,site,quantity,due_date", "SO-1,1,A,W,1250,2026-03-05");
        // Thu 5 Mar less 6 working days is Wed 25 Feb; possible on 10 Mar
        assertThat(sentences(company.planned()))
                .containsExactly(
                        "SO-1 is late by 5 days: wanted 2026-03-05, possible 2026-03-10; to blame: A.",
                        "1\u2009250 pcs should have started on 2026-02-25, 5 days ago.");
    }

    @Test
    void openOrdersAtTheWrongTime() {
        company.items("A", "B", "C")
                .table("planning", "item,site,source,supplier", "A,W,buy,S", "B,W,buy,S", "C,W,buy,S")
                .table(
                        "open_orders",
                        "number,line,kind,stage,item,site,supplier,quantity,due_date",
                        "PO-1,1,buy,released,A,W,S,10,2026-03-16",
                        "PO-2,1,buy,released,B,W,S,10,2026-03-06",
                        "PO-3,1,buy,released,C,W,S,10,2026-02-27")
                .table(
                        "customer_orders",
                        "number,line,item,site,quantity,due_date",
                        "SO-1,1,A,W,10,2026-03-09",
                        "SO-2,1,B,W,10,2026-03-16");
        assertThat(sentences(company.planned()))
                .containsExactly(
                        "PO-1 is due on 2026-03-16 and needed on 2026-03-09: bring it forward by 7 days.",
                        "SO-1 is late by 7 days: wanted 2026-03-09, possible 2026-03-16; to blame: A.",
                        "PO-2 is due on 2026-03-06 and not needed before 2026-03-16: push it back by 10 days.",
                        "Nothing needs the 10 pcs of PO-3: cancel it.",
                        "PO-3 was due on 2026-02-27, 3 days ago; the plan counts on it today.");
    }

    @Test
    void whatCannotBePlanned() {
        company.items("A", "B", "L")
                .table("planning", "item,site,source", "A,W,buy", "B,W,none", "L,W,make")
                .table("bom_lines", "parent,line,component,quantity", "L,10,L,1")
                .table(
                        "customer_orders",
                        "number,line,item,site,quantity,due_date",
                        "SO-1,1,A,W,4,2026-03-09",
                        "SO-2,1,B,W,7,2026-03-10");
        assertThat(sentences(company.planned()))
                .containsExactly(
                        "4 pcs are to be bought from 2026-03-09 on, and no supplier is known.",
                        "Up to 7 pcs below the safety stock from 2026-03-10 on.",
                        "SO-2 can never be met; to blame: B.",
                        "7 pcs are missing from 2026-03-10 on, and nothing says how this stock point is replenished.",
                        "Its bill of materials leads back to itself; nothing below can be planned.");
    }

    @Test
    void stockThatExpiresAndOrdersBehindTheFence() {
        company.table("planning", "item,site,source,frozen_days", "A,W,make,5")
                .table("stock", "item,site,lot,quantity,expiry", "A,W,L1,9,2026-03-05")
                .table("customer_orders", "number,line,item,site,quantity,due_date", "SO-1,1,A,W,2,2026-03-06");
        assertThat(sentences(company.planned()))
                .contains(
                        "9 pcs of lot L1 expire unused on 2026-03-05.",
                        "2 pcs wanted on 2026-03-06 fall inside the frozen time and move to 2026-03-09.");
    }

    private String sentence(String planning, String stock) {
        company.table("planning", planning.split("\n"))
                .table("stock", "item,site,quantity", "A,W," + stock)
                .table("customer_orders", "number,line,item,site,quantity,due_date", "SO-1,1,A,W,10,2026-03-16");
        PlanVersion version = company.planned();
        PointView point = SmallCompany.point(version, "A");
        return Slip.quantity(version, point, point.plannedOrders().get(0)).sentence();
    }

    @Test
    void everyRuleSaysHowItSized() {
        assertThat(sentence("item,site,source\nA,W,make", "4"))
                .isEqualTo("6 pcs would be missing on 2026-03-16; lot-for-lot orders what is missing.");
        assertThat(sentence("item,site,source,safety_stock,multiple\nA,W,make,3,12", "4"))
                .isEqualTo(
                        "6 pcs would be missing on 2026-03-16; the safety stock is 3 pcs; lot-for-lot orders what is missing."
                                + " 9 pcs are wanted, sized to 12 pcs.");
        assertThat(sentence("item,site,source,rule,order_up_to\nA,W,make,min_max,20", "4"))
                .isEqualTo("6 pcs would be missing on 2026-03-16; min-max fills up to 20 pcs.");
        assertThat(sentence("item,site,source,rule,fixed_quantity,reorder_point\nA,W,make,fixed_quantity,25,30", "28"))
                .isEqualTo(
                        "28 pcs would be left on 2026-03-02, and with all that comes later it is below the reorder point of"
                                + " 30 pcs; the fixed quantity is ordered as often as it takes. 2 pcs are wanted, sized to 25 pcs.");
        assertThat(sentence("item,site,source,rule\nA,W,make,per_order", "4"))
                .contains("per order, each demand has an order of its own");
        assertThat(sentence("item,site,source,rule,period_count,period_unit\nA,W,make,period,1,week", "4"))
                .contains("the period's need is gathered");
    }

    @Test
    void aSlipNamesItsDocumentsAndItsUnits() {
        company.table("planning", "item,site,source,supplier,min_quantity", "A,W,buy,S,")
                .table("unit_conversions", "item,from_unit,to_unit,factor", "A,box,pcs,12")
                .table("supplier_items", "supplier,item,from_quantity,unit,price", "S,A,0,box,3")
                .table("customer_orders", "number,line,item,site,quantity,due_date", "SO-1,1,A,W,20,2026-03-16");
        PlanVersion version = company.planned();
        PointView point = SmallCompany.point(version, "A");
        Slip slip = Slip.quantity(version, point, point.plannedOrders().get(0));
        assertThat(slip.question()).isEqualTo("Why 24 pcs on 2026-03-16?");
        assertThat(slip.lines())
                .extracting(line -> line.text() + (line.quantity() == null ? "" : " " + line.quantity()))
                .containsExactly(
                        "On hand today 0",
                        "SO-1 -20",
                        "Would be left on -20",
                        "Wanted 20",
                        "Purchase unit 12",
                        "To order 24");
        assertThat(slip.lines().get(1).link().kind()).isEqualTo("customer_order");
        // two boxes at 3
        assertThat(PlannedOrders.of(version, version.plan().points().get(0))
                        .get(0)
                        .value())
                .isEqualByComparingTo("6");
    }

    @Test
    void aWeekEndsOnSunday() {
        company.items("A", "B", "C", "E")
                .table("planning", "item,site,source", "A,W,make", "B,W,make", "C,W,make", "E,W,make")
                .table("calendars", "code,sun", "EVERY,true")
                .table("sites", "code,calendar", "W,EVERY")
                .table(
                        "customer_orders",
                        "number,line,item,site,quantity,due_date",
                        "1,1,A,W,1,2026-03-02",
                        "2,1,B,W,1,2026-03-03",
                        "3,1,C,W,1,2026-03-08",
                        "4,1,E,W,1,2026-03-09");
        PlanVersion version = company.planned();
        assertThat(version.plan().points().stream().flatMap(p -> PlannedOrders.of(version, p).stream()))
                .extracting(PlannedOrders.PlannedOrderRow::group)
                .containsExactly(
                        Urgency.START_TODAY, Urgency.START_THIS_WEEK, Urgency.START_THIS_WEEK, Urgency.START_LATER);
    }

    /** 2 March 2026 is a Monday: the week that starts on Sunday ends on Saturday, the 7th, that of a Saturday on the 6th. */
    @Test
    void aWeekEndsTheDayBeforeThePersonsFirst() {
        LocalDate monday = LocalDate.of(2026, 3, 2);
        LocalDate saturday = LocalDate.of(2026, 3, 7);
        assertThat(Urgency.of(saturday, monday, DayOfWeek.SUNDAY)).isEqualTo(Urgency.START_THIS_WEEK);
        assertThat(Urgency.of(saturday.plusDays(1), monday, DayOfWeek.SUNDAY)).isEqualTo(Urgency.START_LATER);
        assertThat(Urgency.of(saturday, monday, DayOfWeek.SATURDAY)).isEqualTo(Urgency.START_LATER);
        assertThat(Urgency.of(saturday.minusDays(1), monday, DayOfWeek.SATURDAY))
                .isEqualTo(Urgency.START_THIS_WEEK);
        assertThat(Urgency.of(saturday.plusDays(1), monday, DayOfWeek.MONDAY)).isEqualTo(Urgency.START_THIS_WEEK);
    }

    /** 4 A take 3 B each: all 12 B of this order serve the 4 A that the customer ordered, in B. */
    @Test
    void aSupplyServesThroughTheLevelsUpToItsCustomer() {
        company.items("A", "B")
                .table("planning", "item,site,source,lead_time_days", "A,W,make,2", "B,W,make,1")
                .table("bom_lines", "parent,line,component,quantity", "A,10,B,3")
                .table("customers", "code,name", "C1,Aldery Bees")
                .table(
                        "customer_orders",
                        "number,line,customer,item,site,quantity,due_date",
                        "SO-1,1,C1,A,W,4,2026-03-16");
        PlanVersion version = company.planned();
        List<Served> served =
                Served.upFrom(version, SmallCompany.point(version, "B").serves(0));
        assertThat(served)
                .extracting(s -> s.depth() + " " + s.text() + " " + s.quantity())
                .containsExactly("0 A planned 12", "1 SO-1 Aldery Bees 12");
        assertThat(OrderKey.parse(served.get(0).link().key()).in(version.plan()))
                .isPresent();
    }

    @Test
    void aForecastGoesByItsSet() {
        company.table("planning", "item,site,source", "A,W,make")
                .table("settings", "key,value", "forecast_set,Base")
                .table("forecasts", "set,item,site,from_date,bucket,quantity", "Base,A,W,2026-03-09,week,8");
        PlanVersion version = company.planned();
        PointView point = SmallCompany.point(version, "A");
        Slip slip = Slip.quantity(version, point, point.plannedOrders().get(0));
        assertThat(slip.lines().get(1).text()).isEqualTo("forecast Base");
        assertThat(slip.lines().get(1).link().kind()).isEqualTo("forecast");
        assertThat(Served.upFrom(version, point.serves(0)).get(0).text()).isEqualTo("forecast Base");
    }
}
