package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.core.stock.Books;
import rescient.core.stock.Poster;

/** Postings on a dataset in files. */
class PostCommandTest {
    @TempDir
    private Path folder;

    private Path file(Path in, String name, String... lines) throws IOException {
        Files.createDirectories(in);
        return Files.writeString(in.resolve(name + ".csv"), String.join("\n", lines) + "\n");
    }

    @BeforeEach
    void company() throws IOException {
        Path in = folder.resolve("in");
        file(in, "settings", "key,value", "today,2026-03-20", "currency,JPY");
        file(in, "units", "code,name,decimals", "pc,,0", "box,,0");
        file(in, "unit_conversions", "item,from_unit,to_unit,factor", ",box,pc,10");
        file(in, "sites", "code,name", "W,Works");
        file(in, "items", "code,unit,costing,standard_cost,issue", "A,pc,average,3,backflush", "P,pc,average,,");
        file(in, "stock", "item,site,lot,quantity,received", "A,W,,10,2026-01-05");
        file(
                in,
                "open_orders",
                "number,line,kind,stage,item,site,supplier,quantity,due_date,unit,price",
                "10,1,buy,released,A,W,S,20,2026-03-25,box,45",
                "20,1,make,released,P,W,,4,2026-03-25,,");
        file(in, "open_order_components", "number,line,component,quantity,needed_date", "20,1,A,8,2026-03-20");
        file(in, "customer_orders", "number,line,customer,item,site,quantity,due_date", "C1,1,X,P,W,2,2026-03-25");
    }

    private void post(Path in, Path out, String... rows) throws IOException {
        Path postings = file(folder, "postings-" + out.getFileName(), rows);
        PostCommand.post(in, postings, out, null);
    }

    private List<String> lines(Path out, String name) throws IOException {
        return Files.readAllLines(out.resolve(name + ".csv"));
    }

    private static final String HEAD = "key,date,action,number,line,item,site,quantity,minutes,reverses";

    /** Yen have no decimals: a box of ten at 45 is 45; of 55 for 20 pieces one is 3 (75 / 20 = 3.75 is 4). */
    @Test
    void theDatasetIsAsItIsAfterwards() throws IOException {
        Path out = folder.resolve("out");
        post(
                folder.resolve("in"),
                out,
                HEAD,
                "k1,2026-03-19,receive,10,,,,1,,",
                "k2,2026-03-20,output,20,,,,4,,",
                "k3,2026-03-20,ship,C1,,,,2,,",
                "k4,2026-03-20,ship,C1,,,,2,,");
        assertThat(lines(out, "movements"))
                .extracting(line -> line.split(",")[3] + " " + line.split(",")[9] + " " + line.split(",")[10])
                .containsExactly(
                        "kind quantity value", "receipt 10 45", "issue -8 -30", "output 4 30", "shipment -2 -15");
        assertThat(lines(out, "stock_values")).containsExactly("item,site,quantity,value", "A,W,12,45", "P,W,2,15");
        assertThat(lines(out, "customer_orders")).hasSize(1);
        assertThat(lines(out, "closed_customer_orders").get(1)).contains("C1").contains("2026-03-20");
        assertThat(lines(out, "shipments").get(1)).isEqualTo("P,W,2026-03-20,C1,1,X,2");
        assertThat(lines(out, "usage").get(1)).isEqualTo("A,W,2026-03-20,20,1,8");
        assertThat(lines(out, "refused"))
                .containsExactly("key,item,site,lot,serial,code,wanted,there", "k4,P,W,,,closed,,");
        assertThat(lines(out, "stock")).anyMatch(line -> line.startsWith("A,W,") && line.contains("2026-01-05"));
    }

    /** What was posted is known in the next run: its keys, what may go back, and what is taken back. */
    @Test
    void whatWasPostedIsKnownInTheNextRun() throws IOException {
        Path out = folder.resolve("out");
        Path again = folder.resolve("again");
        post(folder.resolve("in"), out, HEAD, "k1,2026-03-19,receive,10,,,,1,,", "k2,2026-03-20,output,20,,,,4,,");
        post(
                out,
                again,
                HEAD,
                "k1,2026-03-19,receive,10,,,,1,,",
                "k3,2026-03-20,reverse,,,,,,,k1",
                "k4,2026-03-20,return_to_supplier,10,,,,1,,");
        assertThat(lines(again, "refused"))
                .containsExactly("key,item,site,lot,serial,code,wanted,there", "k4,A,W,,,over,10,0");
        assertThat(lines(again, "movements")).hasSize(5);
        assertThat(lines(again, "movements").get(4)).startsWith("4,k3,2026-03-20,receipt,A,W,,,,-10,-45");
        assertThat(lines(again, "open_orders").get(1)).contains("10,1,buy").contains(",20,");
    }

    /** What came and went is lowered again when it is taken back, in the same run or in the next. */
    @Test
    void theHistoryIsLoweredInTheNextRunToo() throws IOException {
        String[] done = {
            "k1,2026-03-19,receive,10,,,,1,,", "k2,2026-03-20,output,20,,,,4,,", "k3,2026-03-20,ship,C1,,,,2,,"
        };
        String[] back = {"k4,2026-03-20,reverse,,,,,,,k3", "k5,2026-03-20,reverse,,,,,,,k1"};
        post(folder.resolve("in"), folder.resolve("half"), HEAD, done[0], done[1], done[2]);
        assertThat(lines(folder.resolve("half"), "receipts")).hasSize(2);
        assertThat(lines(folder.resolve("half"), "shipments")).hasSize(2);
        post(folder.resolve("half"), folder.resolve("two"), HEAD, back[0], back[1]);
        post(folder.resolve("in"), folder.resolve("one"), HEAD, done[0], done[1], done[2], back[0], back[1]);
        for (String run : List.of("one", "two")) {
            assertThat(lines(folder.resolve(run), "refused")).hasSize(1);
            for (String table : List.of("receipts", "shipments")) {
                assertThat(lines(folder.resolve(run), table))
                        .as(run + " " + table)
                        .hasSize(1);
            }
            assertThat(lines(folder.resolve(run), "usage")).as(run).hasSize(2);
        }
    }

    /** Taken in one run or in two, the same postings come to the same. */
    @Test
    void twoRunsAreAsGoodAsOne() throws IOException {
        String first = "k1,2026-03-19,receive,10,,,,1,,";
        String second = "k2,2026-03-20,output,20,,,,3,,";
        String third = "k3,2026-03-20,output,20,,,,1,,";
        post(folder.resolve("in"), folder.resolve("one"), HEAD, first, second, third);
        post(folder.resolve("in"), folder.resolve("half"), HEAD, first, second);
        post(folder.resolve("half"), folder.resolve("two"), HEAD, third);
        for (String table :
                List.of("movements", "stock", "stock_values", "open_orders", "order_costs", "order_steps")) {
            assertThat(lines(folder.resolve("two"), table)).isEqualTo(lines(folder.resolve("one"), table));
        }
    }

    /** What was moved and has come passes no steps, in the next run neither. */
    @Test
    void aTransferThatHasComePassesNoSteps() throws IOException {
        Path in = folder.resolve("in");
        file(in, "sites", "code,name", "W,Works", "D,Depot");
        file(
                in,
                "open_orders",
                "number,line,kind,stage,item,site,from_site,quantity,due_date",
                "30,1,transfer,released,A,D,W,4,2026-03-25");
        file(in, "open_order_components", "number,line,component,quantity,needed_date", "30,1,A,4,2026-03-20");
        post(
                in,
                folder.resolve("half"),
                HEAD,
                "k1,2026-03-19,ship_transfer,30,,,,4,,",
                "k2,2026-03-19,receive_transfer,30,,,,4,,");
        post(folder.resolve("half"), folder.resolve("two"), HEAD, "k3,2026-03-20,adjust,,,A,D,-1,,");
        for (String table : List.of("movements", "order_costs", "order_steps", "in_transit")) {
            String was = String.join(" ", lines(folder.resolve("half"), table));
            String is = String.join(" ", lines(folder.resolve("two"), table));
            assertThat(is).as(table).startsWith(was);
        }
        assertThat(lines(folder.resolve("two"), "order_steps")).hasSize(1);
    }

    @Test
    void whatCannotBeReadIsAFault() throws IOException {
        for (String row : List.of(
                ",2026-03-19,receive,10,,,,1,,",
                "k1,,receive,10,,,,1,,",
                "k1,2026-03-19,take,10,,,,1,,",
                "k1,2026-03-19,adjust,,,A,W,,,",
                "k1,2026-03-19,output,20,,,,1,-5,",
                "k1,2026-03-19,receive,10,,,,many,,")) {
            Path out = folder.resolve("none");
            assertThatThrownBy(() -> post(folder.resolve("in"), out, HEAD, row))
                    .as(row)
                    .isInstanceOf(FaultyDatasetException.class);
            assertThat(out).doesNotExist();
        }
        assertThatThrownBy(() -> post(folder.resolve("in"), folder.resolve("none"), "key,date,action,colour", "k,,,"))
                .hasMessageContaining("colour");
    }

    /** The books of a dataset without a movement hold what it says. */
    @Test
    void nothingPostedChangesNothing() throws IOException {
        ExecutionData data = new ExecutionData(
                ExecutionTables.read(folder.resolve("in")), java.time.LocalDate.of(2026, 3, 20), List.of());
        Books books = BooksReader.read(data);
        assertThat(new Poster(books).post(List.of())).isEmpty();
        assertThat(books.movements()).isEmpty();
        assertThat(books.values().values())
                .extracting(amount -> amount.value().toPlainString())
                .containsExactly("30");
    }

    /** Postings that could not be taken back are faults of the dataset, each told where it stands. */
    @Test
    void whatPostingsTellIsLookedAt() throws IOException {
        Path in = folder.resolve("in");
        file(
                in,
                "postings",
                "key,date,reverses",
                "a,2026-03-19,",
                "b,2026-03-19,a",
                "c,2026-03-19,a",
                "d,2026-03-19,x");
        file(
                in,
                "posting_steps",
                "key,place,kind,number,line,what,a",
                "a,1,cost,20,1,GOLD,5",
                "a,2,scrap,20,1,,",
                "y,1,end,20,1,,1");
        assertThatThrownBy(() -> post(in, folder.resolve("out"), HEAD, "k1,2026-03-19,receive,10,,,,1,,"))
                .hasMessageContaining("postings.csv, row 4, reverses \"a\": is taken back twice")
                .hasMessageContaining("postings.csv, row 5, reverses \"x\": is not in postings.csv")
                .hasMessageContaining("posting_steps.csv, row 2, what \"GOLD\"")
                .hasMessageContaining("posting_steps.csv, row 3, a")
                .hasMessageContaining("posting_steps.csv, row 4, key \"y\"");
    }

    /** A posting that moved nothing, and of which nobody says what it changed, is known, but not taken back as if it were nothing. */
    @Test
    void whatNobodyKnowsIsNotTakenBack() throws IOException {
        Path in = folder.resolve("in");
        Path out = folder.resolve("out");
        file(in, "postings", "key,date", "a,2026-03-19");
        post(in, out, HEAD, "k1,2026-03-20,reverse,,,,,,,a", "a,2026-03-20,receive,10,,,,1,,");
        assertThat(lines(out, "refused"))
                .containsExactly("key,item,site,lot,serial,code,wanted,there", "k1,,,,,closed,,");
        assertThat(lines(out, "movements")).hasSize(1);
    }
}
