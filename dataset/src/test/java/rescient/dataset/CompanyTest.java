package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.snapshot.PlanOptions;

/** From rows to a plan, and from a plan to files. */
class CompanyTest {
    @TempDir
    Path folder;

    @BeforeEach
    void aSmallCompany() throws IOException {
        file("units", "code,decimals", "pc,0", "kg,3", "g,0", "box,0");
        file("sites", "code", "W");
        file("suppliers", "code", "S", "T");
        file("items", "code,unit,group", "A,pc,G", "B,kg,", "C,pc,");
        file("item_groups", "code,source,lead_time_days,safety_stock", "G,make,3,4");
        file("planning", "item,site,source,supplier,lead_time_days", "A,W,,,2", "B,W,buy,S,1", "C,W,buy,,1");
        file("unit_conversions", "item,from_unit,to_unit,factor", ",kg,g,1000", "C,box,pc,500", ",box,pc,12");
    }

    private void file(String table, String... lines) throws IOException {
        Files.writeString(folder.resolve(table + ".csv"), String.join("\n", lines) + "\n");
    }

    private List<String> planned() throws IOException {
        Plan plan = plan();
        Path out = folder.resolve("out");
        PlanFiles.write(plan, rescient.core.trace.Scope.all(plan), out);
        return Files.readAllLines(out.resolve("planned_orders.csv")).stream()
                .skip(1)
                .toList();
    }

    private Plan plan() {
        return new Planner()
                .plan(
                        Company.snapshot(
                                DatasetReader.read(folder), LocalDate.of(2026, 3, 2), LocalDate.of(2026, 12, 31)),
                        PlanOptions.ALL);
    }

    @Test
    void aGroupGivesWhatTheRowLeavesOpen() throws IOException {
        file("stock", "item,site,quantity", "A,W,10");
        file("customer_orders", "number,line,item,site,quantity,due_date", "1,1,A,W,10,2026-03-20");
        // source make and safety stock 4 from the group, lead time 2 from the row
        assertThat(planned()).containsExactly("A,W,make,,,4,4,2026-03-18,2026-03-20,2026-03-20,,");
    }

    @Test
    void unitsOfBillsOfMaterialsAreConvertedEvenInverted() throws IOException {
        // 20 A × 250 g = 5 000 g = 5 kg, by the general row kg → g read backwards
        file("stock", "item,site,quantity", "A,W,4");
        file("bom_lines", "parent,line,component,quantity,unit", "A,10,B,250,g");
        file("customer_orders", "number,line,item,site,quantity,due_date", "1,1,A,W,20,2026-03-20");
        assertThat(planned()).contains("B,W,buy,S,,5,5,2026-03-17,2026-03-18,2026-03-18,,");
    }

    @Test
    void theItemsOwnConversionCountsBeforeTheGeneralOne() throws IOException {
        file("supplier_items", "supplier,item,from_quantity,unit,price,lead_time_days", "T,C,0,box,4.10,4");
        file("customer_orders", "number,line,item,site,quantity,due_date", "1,1,C,W,501,2026-03-20");
        file("stock", "item,site,quantity", "A,W,4");
        assertThat(planned()).containsExactly("C,W,buy,T,,1000,1000,2026-03-16,2026-03-20,2026-03-20,,");
    }

    @Test
    void aRoutingDatesTheOrderAndItsComponents() throws IOException {
        // 30 A on Fri 20 Mar: step 20 900 min of 480 a day from Wed 18 Mar on, step 10 240 min from Tue 17 Mar on
        file("stock", "item,site,quantity", "A,W,4");
        file("work_centers", "code,name,site,minutes_per_day", "M,m,W,480");
        file("operations", "item,step,work_center,setup_minutes,run_minutes_per_unit", "A,10,M,0,8", "A,20,M,60,28");
        file("bom_lines", "parent,line,component,quantity,step", "A,10,B,1,20", "A,20,C,1,");
        file("customer_orders", "number,line,item,site,quantity,due_date", "1,1,A,W,30,2026-03-20");
        assertThat(planned())
                .containsExactly(
                        "A,W,make,,,30,30,2026-03-17,2026-03-20,2026-03-20,,",
                        "B,W,buy,S,,30,30,2026-03-17,2026-03-18,2026-03-18,,",
                        "C,W,buy,,,30,30,2026-03-16,2026-03-17,2026-03-17,,");
    }

    @Test
    void quarantinedStockDoesNotCount() throws IOException {
        file("stock", "item,site,lot,quantity,quarantined", "A,W,L1,4,false", "A,W,L2,9,true");
        assertThat(plan().point("A", "W").orElseThrow().balances().get(0).balance())
                .isEqualTo(4_000_000);
    }

    @Test
    void thePlanIsWrittenWithItsSignalsPegsAndBalances() throws IOException {
        file("stock", "item,site,quantity", "A,W,9");
        file("customer_orders", "number,line,item,site,quantity,due_date", "1,1,A,W,12,2026-03-03");
        planned();
        Path out = folder.resolve("out");
        // 9 − 12 = −3; safety 4: 7 due 3 Mar, start 27 Feb overdue; possible 4 Mar, one working day late
        assertThat(Files.readAllLines(out.resolve("signals.csv")))
                .containsExactly(
                        "kind,item,site,order_number,order_line,date,new_date,quantity,days,cause_item,cause_site",
                        "demand_late,A,W,1,1,2026-03-03,2026-03-04,12,1,A,W",
                        "start_overdue,A,W,,,2026-02-27,2026-03-03,7,3,,");
        assertThat(Files.readAllLines(out.resolve("pegs.csv")).stream().skip(1))
                .containsExactly(
                        "A,W,stock,,,2026-03-02,customer_order,1,1,2026-03-03,9",
                        "A,W,planned,,,2026-03-03,customer_order,1,1,2026-03-03,3");
        assertThat(Files.readAllLines(out.resolve("balances.csv")).stream().filter(row -> row.startsWith("A,")))
                .containsExactly("A,W,2026-03-02,0,0,0,0,9", "A,W,2026-03-03,0,12,7,0,4");
        assertThat(Files.readAllLines(out.resolve("demands.csv")).stream().skip(1))
                .containsExactly("A,W,customer_order,1,1,12,2026-03-03,2026-03-04,1");
    }
}
