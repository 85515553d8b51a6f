package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Costs through all levels, by hand. */
class CostCommandTest {
    @TempDir
    private Path folder;

    private void file(String name, String... lines) throws IOException {
        Files.writeString(folder.resolve(name + ".csv"), String.join("\n", lines) + "\n");
    }

    private List<String> cost() throws IOException {
        Path out = folder.resolve("out");
        CostCommand.cost(folder, out, null);
        List<String> lines = Files.readAllLines(out.resolve("cost.csv"));
        return lines.subList(1, lines.size());
    }

    @BeforeEach
    void company() throws IOException {
        file("settings", "key,value", "today,2026-03-20");
        file("units", "code,decimals", "pc,0", "box,0");
        file("unit_conversions", "item,from_unit,to_unit,factor", "A,box,pc,3");
        file("sites", "code", "W", "D", "C");
        file("suppliers", "code", "S", "T");
        file("work_centers", "code,site,minutes_per_day,efficiency,cost_per_hour", "M,W,480,0.5,60");
    }

    /** The first choice is T, whose box of 3 is 2: a third of it. B has no price and costs its standard. */
    @Test
    void boughtAtTheFirstChoice() throws IOException {
        file("items", "code,unit,standard_cost", "A,pc,9", "B,pc,4", "N,pc,5");
        file("planning", "item,site,source,supplier", "A,W,buy,", "A,D,buy,S", "B,W,buy,", "N,W,none,");
        file(
                "supplier_items",
                "supplier,item,from_quantity,unit,price,preference",
                "S,A,0,,1,",
                "T,A,0,box,2,1",
                "T,A,100,box,1,1");
        assertThat(cost()).containsExactly("A,D,1,1,0,0", "A,W,0.666667,0.666667,0,0", "B,W,4,4,0,0", "N,W,5,5,0,0");
    }

    /** What was T's first choice ended yesterday; of those that hold today S comes first. */
    @Test
    void whatNoLongerHoldsIsNoChoice() throws IOException {
        file("items", "code,unit", "A,pc");
        file("planning", "item,site,source", "A,W,buy");
        file(
                "supplier_items",
                "supplier,item,from_quantity,valid_from,valid_to,price,preference",
                "T,A,0,,2026-03-19,1,1",
                "T,A,0,2026-03-20,,2,3",
                "S,A,0,,,4,2");
        assertThat(cost()).containsExactly("A,W,4,4,0,0");
    }

    /**
     * P of 2 A (1 each) and, for a lot of 5, one B (4): 2.8 material; 10 minutes of setup for 5 and 1 a piece, at 1 a minute
     * and half efficiency: 6 of work; all by the yield of 0.8: 3.5 and 7.5. At D it is brought from W; X is P coated at C for 2
     * a piece, with a yield of 0.5.
     */
    @Test
    void madeBroughtAndWorkedOnByOthers() throws IOException {
        file("items", "code,unit,standard_cost,cost_batch", "A,pc,1,", "B,pc,4,", "P,pc,,5", "X,pc,,");
        file(
                "planning",
                "item,site,source,supplier,from_site,yield",
                "P,W,make,,,0.8",
                "P,D,transfer,,W,",
                "P,C,transfer,,D,",
                "X,W,subcontract,S,C,0.5");
        file("supplier_items", "supplier,item,from_quantity,price", "S,X,0,2");
        file("bom_lines", "parent,line,component,quantity,per", "P,10,A,2,", "P,20,B,1,order", "X,10,P,1,");
        file("operations", "item,step,work_center,setup_minutes,run_minutes_per_unit", "P,10,M,10,1");
        assertThat(cost()).containsExactly("P,C,11,3.5,7.5,0", "P,D,11,3.5,7.5,0", "P,W,11,3.5,7.5,0", "X,W,24,7,15,2");
    }

    /** Lines of today only; scrap of a tenth; what loops has no row, nor what lies above it. */
    @Test
    void loopsHaveNoCost() throws IOException {
        file("items", "code,unit,kind,standard_cost", "A,pc,,1", "K,pc,kit,", "L,pc,,", "M,pc,,", "T,pc,,");
        file("planning", "item,site,source", "A,W,none", "L,W,make", "M,W,make", "T,W,make");
        file(
                "bom_lines",
                "parent,line,component,quantity,scrap,valid_from,valid_to",
                "K,10,A,2,0.1,,2026-03-20",
                "K,20,A,7,,2026-03-21,",
                "L,10,M,1,,,",
                "M,10,L,1,,,",
                "T,10,L,1,,,");
        assertThat(cost()).containsExactly("A,W,1,1,0,0", "K,W,2.2,2.2,0,0");
    }
}
