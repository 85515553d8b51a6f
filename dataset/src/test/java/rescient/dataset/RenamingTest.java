package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A code becomes another, and what names it follows; what was never used goes with what is its own. */
class RenamingTest {
    @TempDir
    private Path folder;

    private Facts facts;

    @BeforeEach
    void aCompany() {
        facts = new FewTables(folder)
                .table("items", "code,unit", "STOOL,pcs", "LEG,pcs", "GLUE,kg", "OLD,pcs")
                .table("planning", "item,site,source", "STOOL,W,make", "LEG,W,buy", "OLD,W,buy")
                .table(
                        "bom_lines",
                        "parent,line,component,quantity",
                        "STOOL,1,LEG,3",
                        "STOOL,2,GLUE,0.1",
                        "OLD,1,LEG,1")
                .table(
                        "open_orders",
                        "number,line,kind,stage,item,site,quantity,due_date",
                        "MO-1,1,make,firmed,STOOL,W,5,2026-03-20")
                .table(
                        "open_order_components",
                        "number,line,component,quantity,needed_date",
                        "MO-1,1,LEG,15,2026-03-10",
                        "MO-1,1,GLUE,0.5,2026-03-10")
                .facts();
    }

    @Test
    void everythingThatNamesACodeFollows() {
        List<FactChange> changes = new Renaming(Table.named("items"), "LEG", "LEG-3").changes(facts);
        Facts after = facts.after(changes);
        assertThat(after.row("items", "LEG")).isNull();
        assertThat(after.row("items", "LEG-3").text("unit")).isEqualTo("pcs");
        assertThat(after.row("planning", "LEG", "W")).isNull();
        assertThat(after.row("planning", "LEG-3", "W").text("source")).isEqualTo("buy");
        assertThat(after.rows("bom_lines", "component", "LEG-3")).hasSize(2);
        assertThat(after.components("MO-1", "1"))
                .extracting(row -> row.text("component"), row -> row.text("quantity"))
                .containsExactly(tuple("LEG-3", "15"), tuple("GLUE", "0.5"));
        DatasetReader.checked(after.dataset());
    }

    @Test
    void aRenamingIsKnownByItsChangesAndSoIsItsUndoing() {
        List<FactChange> changes = new Renaming(Table.named("items"), "LEG", "LEG-3").changes(facts);
        assertThat(Renaming.of(changes)).contains(new Renaming(Table.named("items"), "LEG", "LEG-3"));
        assertThat(Renaming.of(changes.stream().map(FactChange::reversed).toList()))
                .contains(new Renaming(Table.named("items"), "LEG-3", "LEG"));
        Row leg = facts.row("items", "LEG");
        assertThat(Renaming.of(List.of(FactChange.of(leg, null)))).isEmpty();
        assertThat(Renaming.of(List.of(
                        FactChange.of(leg, null),
                        FactChange.of(null, leg.with("code", "X").with("name", "x")))))
                .isEmpty();
    }

    @Test
    void whoUsesACodeIsCountedWhatIsItsOwnIsNot() {
        assertThat(Uses.of(facts, Table.named("items"), "LEG"))
                .extracting(use -> use.table().name(), Uses.Use::column, Uses.Use::rows)
                .containsExactlyInAnyOrder(
                        tuple("bom_lines", "component", 2), tuple("open_order_components", "component", 1));
        assertThat(Uses.of(facts, Table.named("items"), "OLD")).isEmpty();
        assertThat(Uses.of(facts, Table.named("units"), "kg"))
                .extracting(Uses.Use::rows)
                .containsExactly(1);
    }

    @Test
    void whatWasNeverUsedGoesWithWhatIsItsOwn() {
        List<FactChange> removal = Uses.removal(facts, Table.named("items"), "OLD");
        assertThat(removal)
                .extracting(change -> change.table().name())
                .containsExactlyInAnyOrder("planning", "bom_lines", "items");
        Facts after = facts.after(removal);
        assertThat(after.row("items", "OLD")).isNull();
        assertThat(after.rows("bom_lines", "parent", "OLD")).isEmpty();
        DatasetReader.checked(facts, removal);
    }

    /** What a row that goes leaves behind is looked at too. */
    @Test
    void aCodeThatIsNamedCannotGo() {
        Row leg = facts.row("items", "LEG");
        assertThat(faults(List.of(FactChange.of(leg, null)))).contains(Map.entry("bom_lines.csv", "component"));
    }

    private List<Map.Entry<String, String>> faults(List<FactChange> changes) {
        try {
            DatasetReader.checked(facts, changes);
            return List.of();
        } catch (FaultyDatasetException e) {
            return e.faults().stream()
                    .map(fault -> Map.entry(fault.file(), fault.column()))
                    .toList();
        }
    }
}
