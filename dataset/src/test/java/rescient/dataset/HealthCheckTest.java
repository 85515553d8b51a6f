package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.math.BigDecimal;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.core.health.Finding;
import rescient.core.health.Finding.Kind;
import rescient.core.health.HealthCheck;

/** What is wrong or doubtful in a company's data: each kind by a row that is so, beside one that is not. */
class HealthCheckTest {
    @TempDir
    private Path folder;

    private FewTables tables;

    @BeforeEach
    void aSoundCompany() {
        tables = new FewTables(folder)
                .table("suppliers", "code,name", "S,Smith")
                .table(
                        "items",
                        "code,name,unit,standard_cost,price",
                        "STOOL,Stool,pcs,20,50",
                        "LEG,Leg,pcs,2,",
                        "ROD,Rod,kg,1,")
                .table("planning", "item,site,source,lead_time_days", "STOOL,W,make,3", "LEG,W,buy,5", "ROD,W,buy,5")
                .table("supplier_items", "supplier,item,from_quantity,price", "S,LEG,0,2", "S,ROD,0,1")
                .table("bom_lines", "parent,line,component,quantity", "STOOL,1,LEG,3")
                .table("customer_orders", "number,line,item,site,quantity,due_date", "SO-1,1,STOOL,W,10,2026-05-04");
    }

    private List<Finding> found() {
        return HealthCheck.of(tables.facts(), tables.plan());
    }

    private Finding only(Kind kind) {
        List<Finding> some = found().stream().filter(f -> f.kind() == kind).toList();
        assertThat(some).hasSize(1);
        return some.get(0);
    }

    @Test
    void nothingIsFoundInASoundCompany() {
        assertThat(found()).isEmpty();
    }

    @Test
    void aLoop() {
        tables.table("bom_lines", "parent,line,component,quantity", "STOOL,1,LEG,3", "LEG,1,STOOL,1");
        tables.table("planning", "item,site,source,lead_time_days", "STOOL,W,make,3", "LEG,W,make,5", "ROD,W,buy,5");
        assertThat(found()).extracting(Finding::kind).contains(Kind.LOOP, Kind.LOOP);
    }

    /** 30 legs for 10 stools at 2 each depend on it. */
    @Test
    void nobodySuppliesWhatIsAskedFor() {
        tables.table("planning", "item,site,source,lead_time_days", "STOOL,W,make,3", "ROD,W,buy,5");
        Finding finding = only(Kind.NOBODY_SUPPLIES);
        assertThat(finding.key()).containsExactly("LEG", "W");
        assertThat(finding.weight()).isEqualByComparingTo("60");
    }

    @Test
    void noSourceNoSupplierNoComponents() {
        tables.table("planning", "item,site,source,lead_time_days", "STOOL,W,make,3", "LEG,W,none,5", "ROD,W,buy,5");
        assertThat(only(Kind.NO_SOURCE).item()).isEqualTo("LEG");
        tables.table("supplier_items", "supplier,item,from_quantity,price", "S,LEG,0,2");
        assertThat(only(Kind.NO_SUPPLIER).item()).isEqualTo("ROD");
        tables.table("bom_lines", "parent,line,component,quantity");
        assertThat(only(Kind.NO_COMPONENTS).key()).containsExactly("STOOL");
    }

    @Test
    void leadTimesThatAreNothing() {
        tables.table("planning", "item,site,source,lead_time_days", "STOOL,W,make,0", "LEG,W,buy,", "ROD,W,buy,5");
        assertThat(only(Kind.LEAD_TIME_ZERO).item()).isEqualTo("STOOL");
        assertThat(only(Kind.LEAD_TIME_NEVER_SET).item()).isEqualTo("LEG");
        // the supplier says one
        tables.table("supplier_items", "supplier,item,from_quantity,price,lead_time_days", "S,LEG,0,2,9", "S,ROD,0,1,");
        assertThat(found()).extracting(Finding::kind).containsExactly(Kind.LEAD_TIME_ZERO);
    }

    @Test
    void sizesThatCannotBeMeant() {
        tables.table(
                "planning",
                "item,site,source,lead_time_days,rule,fixed_quantity,multiple,min_quantity",
                "STOOL,W,make,3,fixed_quantity,25,10,",
                "LEG,W,buy,5,,,,200",
                "ROD,W,buy,5,,,,");
        Finding multiple = only(Kind.NOT_A_MULTIPLE);
        assertThat(multiple.value()).isEqualByComparingTo("25");
        assertThat(multiple.would()).isEqualByComparingTo("30");
        // 25 are rounded up to 30 stools, which take 90 legs in the 305 days of the plan: 90 × 365 ÷ 305 = 107.7
        Finding minimum = only(Kind.MINIMUM_LARGE);
        assertThat(minimum.would()).isEqualByComparingTo("108");
    }

    @Test
    void pricesAndCosts() {
        tables.table("supplier_items", "supplier,item,from_quantity,price", "S,LEG,0,0", "S,ROD,0,");
        tables.table(
                "items", "code,name,unit,standard_cost,price", "STOOL,Stool,pcs,20,", "LEG,Leg,pcs,,", "ROD,Rod,kg,1,");
        assertThat(found())
                .extracting(Finding::kind, Finding::item)
                .containsExactlyInAnyOrder(
                        tuple(Kind.PRICE_MISSING, "LEG"),
                        tuple(Kind.PRICE_MISSING, "ROD"),
                        tuple(Kind.COST_MISSING, "LEG"),
                        tuple(Kind.SALES_PRICE_MISSING, "STOOL"));
    }

    /** Today is 2 March; what held until the last of February does not count any more, and what holds until today does. */
    @Test
    void termsThatHaveEnded() {
        tables.table(
                "planning",
                "item,site,source,lead_time_days,supplier",
                "STOOL,W,make,3,",
                "LEG,W,buy,5,S",
                "ROD,W,buy,5,S");
        tables.table(
                "supplier_items",
                "supplier,item,from_quantity,price,valid_from,valid_to",
                "S,LEG,0,2,2025-01-01,2026-02-28",
                "S,ROD,0,1,,2026-03-02");
        Finding expired = only(Kind.PRICE_EXPIRED);
        assertThat(expired.key()).containsExactly("S", "LEG", "0", "2025-01-01");
        assertThat(expired.others()).containsExactly("2026-02-28");
    }

    @Test
    void namesRetiredItemsAndOldOrders() {
        tables.table(
                "items",
                "code,name,unit,standard_cost,price,retired",
                "STOOL,Stool,pcs,20,50,",
                "LEG,Leg,pcs,2,,true",
                "ROD,  leg ,kg,1,,true");
        tables.table("customer_orders", "number,line,item,site,quantity,due_date", "SO-1,1,STOOL,W,10,2026-02-27");
        assertThat(only(Kind.SAME_NAME).others()).containsExactly("LEG", "ROD");
        assertThat(only(Kind.RETIRED_IN_USE).item()).isEqualTo("LEG");
        assertThat(only(Kind.CUSTOMER_ORDER_PAST).weight()).isEqualByComparingTo(new BigDecimal("500"));
    }

    @Test
    void aForecastOfWhatWasNeverShipped() {
        tables.table("settings", "key,value", "forecast_set,Base");
        tables.table(
                "forecasts",
                "set,item,site,from_date,bucket,quantity",
                "Base,STOOL,W,2026-04-01,month,5",
                "Base,LEG,W,2026-04-01,month,5",
                "Other,ROD,W,2026-04-01,month,5");
        tables.table("shipments", "item,site,date,number,quantity", "LEG,W,2025-04-01,S-1,5");
        assertThat(only(Kind.FORECAST_WITHOUT_HISTORY).key()).containsExactly("Base", "STOOL", "W");
    }

    @Test
    void theWorstComesFirst() {
        tables.table("supplier_items", "supplier,item,from_quantity,price", "S,LEG,0,0");
        tables.table("planning", "item,site,source,lead_time_days", "STOOL,W,make,0", "LEG,W,buy,5", "ROD,W,buy,5");
        assertThat(found())
                .extracting(Finding::kind)
                .containsExactly(Kind.NO_SUPPLIER, Kind.LEAD_TIME_ZERO, Kind.PRICE_MISSING);
    }

    /** It is the same finding while it is about the same, and is told again when a figure is otherwise. */
    @Test
    void aFindingIsKnownByWhatItIsAbout() {
        tables.table(
                "planning",
                "item,site,source,lead_time_days,rule,fixed_quantity,multiple",
                "STOOL,W,make,3,fixed_quantity,25,10");
        Finding before = only(Kind.NOT_A_MULTIPLE);
        tables.table(
                "planning",
                "item,site,source,lead_time_days,rule,fixed_quantity,multiple",
                "STOOL,W,make,3,fixed_quantity,24,10");
        Finding after = only(Kind.NOT_A_MULTIPLE);
        assertThat(after.id()).isEqualTo(before.id());
        assertThat(after.seen()).isNotEqualTo(before.seen());
    }
}
