package rescient.server.decisions;

import java.math.BigDecimal;
import java.time.LocalDate;
import rescient.core.base.Quantity;
import rescient.core.order.Drafting;
import rescient.core.order.OrderDraft;
import rescient.core.plan.PlannedOrder;
import rescient.core.plan.PointView;
import rescient.dataset.Row;
import rescient.server.planning.OrderKey;
import rescient.server.planning.Words;
import rescient.server.tables.OrderImage;

/** An order that a decision is about. */
sealed interface Target {
    /** Asked for by the plan. */
    record Planned(OrderKey name, PlannedOrder order, PointView point) implements Target {
        @Override
        public String key() {
            return name.text();
        }

        @Override
        public OrderDraft as() {
            return Drafting.of(point).planned(order.sequence());
        }

        @Override
        public String label() {
            return Quantity.text(order.quantity()) + " " + order.item();
        }
    }

    /** Given out, or firmed. */
    record Open(String number, String line, OrderImage image, OrderDraft as) implements Target {
        @Override
        public String key() {
            return OrderKey.ofLine(number, line);
        }

        @Override
        public String label() {
            return number + " (" + Quantity.text(as.quantity()) + " " + as.item() + ")";
        }

        boolean firmed() {
            return image.line(line).text("stage").equals("firmed");
        }

        /** It lies with somebody outside, who has to be asked. */
        boolean outside() {
            Row row = image.line(line);
            return PurchaseState.isPurchase(row) && PurchaseState.of(row).isOut();
        }

        /** It is nobody else's yet: it may become another one, until it is sent. */
        boolean changeable() {
            return firmed() || (PurchaseState.isPurchase(image.line(line)) && !outside());
        }

        /** A purchase that a buyer has yet to look at: it may be split, and combined with others. */
        boolean held() {
            Row row = image.line(line);
            return PurchaseState.isPurchase(row) && PurchaseState.of(row) == PurchaseState.HELD;
        }
    }

    String key();

    /** The order as it stands. */
    OrderDraft as();

    /** {@code 126 ROD-12}. */
    String label();

    default LocalDate due() {
        return Words.date(as().dueDay());
    }

    default BigDecimal quantity() {
        return Quantity.decimal(as().quantity());
    }
}
