package rescient.core.order;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** How far orders with several lines are; today is day 10. */
class OrderStatusTest {
    private static final int TODAY = 10;

    private static OrderStatus.Line line(boolean firmed, boolean open, int due) {
        return new OrderStatus.Line(firmed, open, due);
    }

    private static OrderStatus of(OrderStatus.Line... lines) {
        return OrderStatus.of(List.of(lines), TODAY);
    }

    @Test
    void theLineThatIsDueNextOfThoseStillOpenSaysWhetherTheOrderIsOverdue() {
        assertThat(of(line(false, true, 14), line(false, false, 3), line(false, true, 9)))
                .isEqualTo(new OrderStatus(OrderStatus.Stage.RELEASED, 2, true));
        assertThat(of(line(false, true, 14), line(false, false, 3)))
                .isEqualTo(new OrderStatus(OrderStatus.Stage.RELEASED, 0, false));
    }

    @Test
    void whatIsDueTodayIsNotOverdue() {
        assertThat(of(line(false, true, TODAY)).overdue()).isFalse();
        assertThat(of(line(false, true, TODAY - 1)).overdue()).isTrue();
    }

    @Test
    void aLineThatIsNotGivenOutMakesItFirmedUntilNothingIsOpen() {
        assertThat(of(line(false, true, 14), line(true, true, 15)).stage()).isEqualTo(OrderStatus.Stage.FIRMED);
        assertThat(of(line(true, false, 3), line(false, false, 4)))
                .isEqualTo(new OrderStatus(OrderStatus.Stage.DONE, 0, false));
    }
}
