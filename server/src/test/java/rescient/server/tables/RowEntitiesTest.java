package rescient.server.tables;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import rescient.dataset.Column;
import rescient.dataset.Table;
import rescient.server.testing.TestDatabase;

/** Every table of a dataset has an entity with its columns, so that its rows are kept through Hibernate. */
@SpringBootTest
class RowEntitiesTest {
    private static final String DATABASE = TestDatabase.create();
    /** Views of supply orders. */
    private static final List<String> VIEWS = List.of("open_orders", "open_order_components");

    @Autowired
    RowEntities entities;

    @DynamicPropertySource
    static void properties(DynamicPropertyRegistry registry) {
        registry.add("spring.datasource.url", () -> DATABASE);
        registry.add("spring.datasource.username", TestDatabase::user);
        registry.add("spring.datasource.password", TestDatabase::password);
        registry.add("rescient.today", () -> "2026-11-23");
        registry.add("rescient.demo", () -> "../demo/dataset");
    }

    @Test
    void everyTableHasAnEntityWithItsColumns() {
        for (Table table : Table.ALL) {
            if (!VIEWS.contains(table.name())) {
                assertThat(entities.keep(table.name())).as(table.name()).isTrue();
                assertThat(entities.columns(table.name()))
                        .as(table.name())
                        .containsExactlyInAnyOrderElementsOf(
                                table.columns().stream().map(Column::name).toList());
            }
        }
    }
}
