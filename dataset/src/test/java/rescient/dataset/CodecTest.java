package rescient.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import rescient.core.company.BasicFacts;
import rescient.core.company.Fact;
import rescient.core.company.ForecastFacts;
import rescient.core.company.InvoiceFacts;
import rescient.core.company.ItemFacts;
import rescient.core.company.MakingFacts;
import rescient.core.company.OrderFacts;
import rescient.core.company.PeriodUnit;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;

class CodecTest {
    @Test
    void everyTableHasFactsAndEveryFactATable() {
        assertThat(Codec.all()).extracting(c -> c.table().name()).containsExactlyInAnyOrderElementsOf(tables());
        assertThat(Codec.all()).hasSameSizeAs(kinds());
        assertThat(kinds()).allSatisfy(kind -> assertThat(Codec.of(kind)).isNotNull());
    }

    @Test
    void everyColumnBelongsToOneComponent() {
        for (Codec<?> codec : Codec.all()) {
            assertThat(codec.columns())
                    .as(codec.table().name())
                    .containsExactlyInAnyOrderElementsOf(
                            codec.table().columns().stream().map(Column::name).toList());
        }
    }

    @Test
    void aComponentHoldsWhatItsColumnAllows() {
        for (Class<? extends Fact> kind : kinds()) {
            components(kind).forEach(component -> {
                Column column = column(Codec.of(kind).table(), component);
                assertThat(allowed(column.type())).as(kind + " " + component).contains(component.getType());
                if (component.getType().isEnum()) {
                    assertThat(((ColumnType.Words) column.type()).allowed())
                            .as(kind + " " + component)
                            .isSubsetOf(Arrays.stream(component.getType().getEnumConstants())
                                    .map(constant -> ((Enum<?>) constant).name().toLowerCase(Locale.ROOT))
                                    .toList());
                }
                // a value that need not be there can be absent
                if (component.getType().isPrimitive()) {
                    assertThat(column.required()).as(kind + " " + component).isTrue();
                }
            });
        }
    }

    @Test
    void readsAndWritesBackEveryColumn() {
        for (Codec<?> codec : Codec.all()) {
            Row row = new Row(
                    codec.table(),
                    0,
                    codec.table().columns().stream()
                            .map(column -> sample(column.type()))
                            .toArray(String[]::new));
            assertThat(again(codec, row)).as(codec.table().name()).isEqualTo(row.values());
        }
    }

    @Test
    void leavesOutWhatIsNotSet() {
        Row row = Row.of(Table.named("items"), Map.of("code", "NAIL", "unit", "pcs"));
        ItemFacts.Item nail = Codec.of(ItemFacts.Item.class).read(row);
        assertThat(nail.name()).isNull();
        assertThat(nail.kind()).isNull();
        assertThat(nail.is()).isEqualTo(rescient.core.company.ItemKind.STOCKED);
        assertThat(Codec.of(ItemFacts.Item.class).write(nail).values()).isEqualTo(row.values());
    }

    @Test
    void readsTheValuesThatAreNested() {
        Row row = Row.of(
                Table.named("planning"),
                Map.of("item", "NAIL", "site", "W", "source", "buy", "rule", "min_max", "order_up_to", "90.50"));
        ItemFacts.Planning planning = Codec.of(ItemFacts.Planning.class).read(row);
        assertThat(planning.planned().source()).isEqualTo(Source.BUY);
        assertThat(planning.planned().rule()).isEqualTo(PlanningRule.MIN_MAX);
        assertThat(planning.planned().orderUpTo()).isEqualByComparingTo("90.5");
        assertThat(Codec.of(ItemFacts.Planning.class).write(planning).text("order_up_to"))
                .isEqualTo("90.5");
    }

    @Test
    void whatAPointDoesNotSayItsGroupDoes() {
        ItemFacts.Planned own = planned("source", "make", "lead_time_days", "0");
        ItemFacts.Planned group =
                planned("source", "buy", "lead_time_days", "7", "period_unit", "week", "multiple", "12");
        ItemFacts.Planned both = own.or(group);
        assertThat(both.source()).isEqualTo(Source.MAKE);
        assertThat(both.leadTimeDays()).isZero();
        assertThat(both.periodUnit()).isEqualTo(PeriodUnit.WEEK);
        assertThat(both.multiple()).isEqualByComparingTo("12");
        assertThat(own.or(null)).isEqualTo(own);
    }

    @Test
    void everyValueOfAPointComesFromItsGroupIfItSaysNothing() {
        String[] texts = CompanyTables.PLANNING_COLUMNS.stream()
                .flatMap(column -> Stream.of(column.name(), sample(column.type())))
                .toArray(String[]::new);
        assertThat(planned().or(planned(texts))).isEqualTo(planned(texts));
        assertThat(planned(texts).or(planned())).isEqualTo(planned(texts));
    }

    private static ItemFacts.Planned planned(String... columns) {
        Row row = Row.of(Table.named("item_groups"), Map.of("code", "G"));
        for (int i = 0; i < columns.length; i += 2) {
            row = row.with(columns[i], columns[i + 1]);
        }
        return Codec.of(ItemFacts.ItemGroup.class).read(row).planned();
    }

    private static <F extends Fact> List<String> again(Codec<F> codec, Row row) {
        return codec.write(codec.read(row)).values();
    }

    @SuppressWarnings("unchecked") // all that the interfaces permit are facts
    private static List<Class<? extends Fact>> kinds() {
        return Arrays.stream(Fact.class.getPermittedSubclasses())
                .flatMap(kinds -> Arrays.stream(kinds.getPermittedSubclasses()))
                .<Class<? extends Fact>>map(kind -> (Class<? extends Fact>) kind)
                .toList();
    }

    private static List<String> tables() {
        return Table.ALL.stream().map(Table::name).toList();
    }

    private static List<RecordComponent> components(Class<?> kind) {
        List<RecordComponent> all = new ArrayList<>();
        for (RecordComponent component : kind.getRecordComponents()) {
            if (component.getType().isRecord()) {
                all.addAll(components(component.getType()));
            } else {
                all.add(component);
            }
        }
        return all;
    }

    private static Column column(Table table, RecordComponent component) {
        String name = component.getName().replaceAll("([A-Z])", "_$1").toLowerCase(Locale.ROOT);
        return table.columns().get(table.indexOf(name));
    }

    private static List<Class<?>> allowed(ColumnType type) {
        if (type instanceof ColumnType.Decimal) {
            return List.of(BigDecimal.class);
        } else if (type instanceof ColumnType.Whole) {
            return List.of(int.class, Integer.class);
        } else if (type instanceof ColumnType.Day) {
            return List.of(LocalDate.class);
        } else if (type instanceof ColumnType.Flag) {
            return List.of(boolean.class, Boolean.class);
        } else if (type instanceof ColumnType.Words) {
            return List.of(
                    Source.class,
                    PlanningRule.class,
                    PeriodUnit.class,
                    rescient.core.company.ItemKind.class,
                    rescient.core.company.Stage.class,
                    InvoiceFacts.Document.class,
                    InvoiceFacts.Role.class,
                    BasicFacts.SiteKind.class,
                    BasicFacts.PurchaseRelease.class,
                    InvoiceFacts.InvoiceState.class,
                    ItemFacts.Tracking.class,
                    MakingFacts.Issue.class,
                    ItemFacts.Costing.class,
                    MakingFacts.Per.class,
                    OrderFacts.OrderState.class,
                    OrderFacts.LineSupply.class,
                    rescient.core.company.ForecastMethod.class,
                    ForecastFacts.AdjustmentKind.class,
                    ForecastFacts.CorrectionKind.class);
        }
        return List.of(String.class);
    }

    private static String sample(ColumnType type) {
        if (type instanceof ColumnType.Words words) {
            return words.allowed().get(words.allowed().size() - 1);
        } else if (type instanceof ColumnType.Decimal) {
            return "0.25";
        } else if (type instanceof ColumnType.Whole) {
            return "3";
        } else if (type instanceof ColumnType.Day) {
            return "2026-03-20";
        }
        return type instanceof ColumnType.Flag ? "true" : "some text";
    }
}
