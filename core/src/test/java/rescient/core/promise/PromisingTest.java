package rescient.core.promise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static rescient.core.Example.buy;
import static rescient.core.Example.day;
import static rescient.core.Example.make;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import rescient.core.Example;
import rescient.core.base.Quantity;
import rescient.core.company.ItemKind;
import rescient.core.company.PlanningData;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.Stage;
import rescient.core.company.StockLot;
import rescient.core.company.UnfitException;

/** Section 1 of the demand rules, sentence by sentence, worked out by hand. Today is Monday 2 March 2026. */
class PromisingTest {
    private static Request request(String item, long pieces, String wanted) {
        return new Request(item, "W", Quantity.of(pieces), day(wanted), 5);
    }

    private static List<String> answers(Example example, Request... lines) {
        return Promising.of(example.plan(), Arrays.asList(lines)).stream()
                .map(PromisingTest::text)
                .toList();
    }

    /** The day promised, what can be had on the wanted day, and what stands against it. */
    private static String text(Answer answer) {
        String text = (answer.promisedDay() == null ? "never" : Example.text(answer.promisedDay())) + ", "
                + Quantity.text(answer.available());
        if (answer.causeItem() != null) {
            text += ", " + answer.causeItem() + " " + answer.causeSite();
        }
        if (answer.limitingComponent() != null) {
            text += ", part " + answer.limitingComponent();
        }
        Answer.Taken taken = answer.takenFrom();
        return taken == null
                ? text
                : text + ", from " + (taken.request() == null ? taken.number() + " " + taken.line() : taken.request());
    }

    /** 4 are there; a fifth is bought in 5 working days: Monday 9 March. */
    @Test
    void whatIsMissingComesWithThePurchase() {
        Example example = new Example().planned(buy("A").leadTimeDays(5)).stock("A", 4);
        assertThat(answers(example, request("A", 4, "5 Mar"))).containsExactly("5 Mar, 4");
        assertThat(answers(example, request("A", 10, "5 Mar"))).containsExactly("9 Mar, 4, A W");
    }

    /** Saturday the 7th is no working day of the site, and last week is over. */
    @Test
    void theFirstWorkingDayNotBeforeTheWantedOneAndToday() {
        Example example = new Example().planned(buy("A").leadTimeDays(5)).stock("A", 4);
        assertThat(answers(example, request("A", 1, "7 Mar"))).containsExactly("9 Mar, 1");
        assertThat(answers(example, request("A", 1, "20 Feb"))).containsExactly("2 Mar, 1");
    }

    @Test
    void afterTheHorizonThereIsNoPromiseAndNoCause() {
        Example example = new Example().planned(buy("A").leadTimeDays(5)).stock("A", 4);
        Request next = new Request("A", "W", Quantity.of(1), day("31 Dec") + 1, 5);
        assertThat(answers(example, next)).containsExactly("never, 0");
    }

    /**
     * All ten are kept for order 1 on the 13th; a purchase takes 15 working days, until the 23rd. Before the 13th the request
     * would take five of them; from then on it waits for the purchase itself.
     */
    @Test
    void nobodyWhoWasPromisedGetsItLater() {
        Example example =
                new Example().planned(buy("A").leadTimeDays(15)).stock("A", 10).wanted("A", 10, "13 Mar");
        assertThat(answers(example, request("A", 5, "4 Mar"))).containsExactly("23 Mar, 0, A W, from 1 1");
    }

    /** An order that is late already must not get later: due on the 4th, it waits for the purchase until the 9th. */
    @Test
    void anOrderThatIsLateAlreadyIsProtectedToo() {
        Example example = new Example()
                .planned(buy("A").leadTimeDays(5).multiple(Quantity.of(10)))
                .open("P", Source.BUY, Stage.RELEASED, "A", 10, "6 Mar")
                .wanted("A", 10, "4 Mar");
        // on the 3rd it would be served first with the open order, and order 1 would wait until Monday
        assertThat(answers(example, request("A", 10, "3 Mar"))).containsExactly("9 Mar, 0, A W");
    }

    /** A request of more priority comes before order 1 of the same day, and would take from it. */
    @Test
    void priorityDecidesWhoIsServedFirst() {
        Example example =
                new Example().planned(buy("A").leadTimeDays(5)).stock("A", 5).wanted("A", 5, "5 Mar");
        assertThat(answers(example, new Request("A", "W", Quantity.of(5), day("5 Mar"), 1)))
                .containsExactly("9 Mar, 0, A W, from 1 1");
        assertThat(answers(example, new Request("A", "W", Quantity.of(5), day("5 Mar"), 9)))
                .containsExactly("9 Mar, 0, A W");
    }

    /** Safety stock is free to be promised. */
    @Test
    void safetyStockMayBePromised() {
        Example example = new Example()
                .planned(buy("A").leadTimeDays(5).safetyStock(Quantity.of(8)))
                .stock("A", 8);
        assertThat(answers(example, request("A", 8, "3 Mar"))).containsExactly("3 Mar, 8");
    }

    /** 10 are there: the first line takes 6 of them, the second finds 4 and waits for the purchase until the 16th. */
    @Test
    void theLinesOfARequestSeeThoseBeforeThem() {
        Example example = new Example().planned(buy("A").leadTimeDays(10)).stock("A", 10);
        assertThat(answers(example, request("A", 6, "3 Mar"), request("A", 6, "3 Mar")))
                .containsExactly("3 Mar, 6", "16 Mar, 4, A W");
    }

    /** The first line has the stock for the 10th; the second would take it on the 3rd. */
    @Test
    void aLineOfTheSameRequestIsNotTakenFrom() {
        Example example = new Example().planned(buy("A").leadTimeDays(10)).stock("A", 10);
        assertThat(answers(example, request("A", 10, "10 Mar"), request("A", 6, "3 Mar")))
                .containsExactly("10 Mar, 10", "16 Mar, 0, A W, from 0");
    }

    /** A kit of 1 P and 2 Q; 10 P and 4 Q are there: two kits. Three wait for two Q until the 9th. */
    @Test
    void aKitIsPromisedByItsScarcestPart() {
        Example example = new Example()
                .planned(buy("P").leadTimeDays(3), buy("Q").leadTimeDays(5))
                .item("K", ItemKind.KIT)
                .bom("K", "P", "1")
                .bom("K", "Q", "2")
                .stock("P", 10)
                .stock("Q", 4);
        assertThat(answers(example, request("K", 3, "3 Mar"))).containsExactly("9 Mar, 2, Q W, part Q");
        assertThat(answers(example, request("K", 2, "3 Mar"))).containsExactly("3 Mar, 2");
    }

    /** Both parts come on the 9th: of one day the first by item is the part. */
    @Test
    void ofPartsThatComeTogetherTheFirstByItem() {
        Example example = new Example()
                .planned(buy("Q").leadTimeDays(5), buy("P").leadTimeDays(5))
                .item("K", ItemKind.KIT)
                .bom("K", "Q", "1")
                .bom("K", "P", "1");
        assertThat(answers(example, request("K", 1, "3 Mar"))).containsExactly("9 Mar, 0, P W, part P");
    }

    /** A is made of 2 B in 2 days; one B is missing and comes on Monday the 9th, so A on the 11th. One A needs 2 of the 3 B. */
    @Test
    void theCauseIsTheSupplyThatDecides() {
        Example example = new Example()
                .planned(make("A").leadTimeDays(2), buy("B").leadTimeDays(5))
                .bom("A", "B", "2")
                .stock("B", 3);
        assertThat(answers(example, request("A", 2, "4 Mar"))).containsExactly("11 Mar, 1, B W");
    }

    /** What has no planning data, or no source, is promised from its stock alone. */
    @Test
    void withoutASourceThereIsOnlyTheStock() {
        Example example = new Example()
                .planned(new PlanningData("A", "W", Source.NONE))
                .items("N")
                .stock("A", 4)
                .stock("N", 2);
        assertThat(answers(example, request("A", 4, "4 Mar"))).containsExactly("4 Mar, 4");
        assertThat(answers(example, request("A", 5, "4 Mar"))).containsExactly("never, 4, A W");
        assertThat(answers(example, request("N", 2, "4 Mar"))).containsExactly("4 Mar, 2");
        assertThat(answers(example, request("N", 3, "4 Mar"))).containsExactly("never, 2, N W");
    }

    /** What is made of itself, and what lies below it, is never there; the point itself is the cause. */
    @Test
    void onALoopThereIsNoPromise() {
        Example example = new Example()
                .planned(make("A").leadTimeDays(2), make("B").leadTimeDays(2), buy("C").leadTimeDays(1))
                .bom("A", "B", "1")
                .bom("B", "A", "1")
                .bom("B", "C", "1")
                .stock("C", 5);
        assertThat(answers(example, request("A", 1, "4 Mar"))).containsExactly("never, 0, A W");
        assertThat(answers(example, request("C", 1, "4 Mar"))).containsExactly("never, 0, C W");
    }

    /** A purchase of 20 comes on the 20th, a new one only in April: the later open order is the soonest. */
    @Test
    void anOpenOrderThatIsSoonerThanANewOne() {
        Example example = new Example()
                .planned(buy("A").leadTimeDays(30))
                .open("P", Source.BUY, Stage.RELEASED, "A", 20, "20 Mar");
        assertThat(answers(example, request("A", 5, "4 Mar"))).containsExactly("20 Mar, 0, A W");
    }

    /** Ten are there, promised to order 1 on the 13th and order 2 on the 16th, five each; more comes on the 23rd. */
    @Test
    void allWhomTheWantedDayWouldMakeLaterAreNamed() {
        Example example = new Example()
                .planned(buy("A").leadTimeDays(15))
                .stock("A", 10)
                .wanted("A", 5, "13 Mar")
                .wanted("A", 5, "16 Mar");
        Answer answer =
                Promising.of(example.plan(), List.of(request("A", 10, "4 Mar"))).get(0);
        assertThat(answer.delayed())
                .containsExactly(
                        new Answer.Delayed(new Answer.Taken(null, "1", "1"), day("13 Mar"), day("23 Mar")),
                        new Answer.Delayed(new Answer.Taken(null, "2", "1"), day("16 Mar"), day("23 Mar")));
    }

    /** Both are wanted on the 4th, order 1 came first; before everybody else the request is met, and order 1 waits. */
    @Test
    void precedenceSaysWhomItTakesFrom() {
        Example example =
                new Example().planned(buy("A").leadTimeDays(15)).stock("A", 5).wanted("A", 5, "4 Mar");
        Promising promising = Promising.of(example.plan());
        assertThat(promising.precedence(request("A", 5, "4 Mar"), Promising.UNWATCHED))
                .isEqualTo(new Precedence(
                        true,
                        day("4 Mar"),
                        List.of(new Answer.Delayed(new Answer.Taken(null, "1", "1"), day("4 Mar"), day("23 Mar")))));
        assertThat(promising
                        .precedence(request("A", 9, "4 Mar"), Promising.UNWATCHED)
                        .onTime())
                .isFalse();
        assertThat(promising.precedence(
                        new Request("A", "W", Quantity.of(1), day("31 Dec") + 1, 5), Promising.UNWATCHED))
                .isNull();
    }

    /** A new order's number sorts before order 9's, so that of the five on the same day it gets them. */
    @Test
    void anOrderIsTriedUnderTheNumberThatItWouldGet() {
        Example example =
                new Example().planned(buy("A").leadTimeDays(15)).stock("A", 5).wanted("A", 5, "4 Mar");
        Request request = request("A", 5, "4 Mar");
        assertThat(Promising.of(example.plan(), "0", 1)
                        .promise(request, Promising.UNWATCHED)
                        .answer()
                        .takenFrom())
                .isEqualTo(new Answer.Taken(null, "1", "1"));
        assertThat(Promising.of(example.plan())
                        .promise(request, Promising.UNWATCHED)
                        .answer())
                .extracting(Answer::takenFrom, Answer::causeItem)
                .containsExactly(null, "A");
    }

    /** The wanted day is kept although the line is late there: the next line finds the stock taken. */
    @Test
    void aLineWithoutAPromiseIsInTheWayToo() {
        Example example = new Example().planned(buy("A").leadTimeDays(15)).stock("A", 5);
        Answer next = Promising.of(example.plan())
                .with(request("A", 9, "4 Mar"), day("4 Mar"), Promising.UNWATCHED)
                .promise(request("A", 5, "4 Mar"), Promising.UNWATCHED)
                .answer();
        assertThat(next.promisedDay()).isEqualTo(day("23 Mar"));
    }

    /** A and C are made of B, of which 10 are there and more come on the 16th; C is promised 5 of them for the 10th. */
    private static Example ofOnePart(PlanningData a) {
        Example example = new Example()
                .planned(a.leadTimeDays(1), make("C").leadTimeDays(1), buy("B").leadTimeDays(10))
                .stock("B", 10);
        return example.bom("A", "B", "1").bom("C", "B", "1").wanted("C", 5, "10 Mar");
    }

    private static boolean onlyItsSizes(Example example, long pieces) {
        Answer answer = Promising.of(example.plan(), List.of(request("A", pieces, "5 Mar")))
                .get(0);
        assertThat(answer.takenFrom()).isNotNull();
        return answer.sizesAlone();
    }

    /** 3 A of at least 10 take all 10 B, and C comes late; an order of 3 would leave 7. Of 8 only 2 would be left. */
    @Test
    void whetherOnlyTheSizeOfTheOrderHarmsOthersIsSaid() {
        assertThat(onlyItsSizes(ofOnePart(make("A").minQuantity(Quantity.of(10))), 3))
                .isTrue();
        assertThat(onlyItsSizes(ofOnePart(make("A").multiple(Quantity.of(10))), 3))
                .isTrue();
        assertThat(onlyItsSizes(
                        ofOnePart(make("A").rule(PlanningRule.FIXED_QUANTITY).fixedQuantity(Quantity.of(10))), 3))
                .isTrue();
        assertThat(onlyItsSizes(ofOnePart(make("A").minQuantity(Quantity.of(10))), 8))
                .isFalse();
        assertThat(onlyItsSizes(ofOnePart(make("A")), 8)).isFalse();
    }

    /** 20 come on the 20th and are pulled in for the request; a new order could be there on Monday the 9th. */
    @Test
    void aNewOrderThatIsSoonerThanTheOneThatIsPulledIn() {
        Example example = new Example()
                .planned(buy("A").leadTimeDays(5))
                .open("P", Source.BUY, Stage.RELEASED, "A", 20, "20 Mar");
        Promising promising = Promising.of(example.plan());
        Request request = request("A", 5, "4 Mar");
        assertThat(promising.promise(request, Promising.UNWATCHED).answer().promisedDay())
                .isEqualTo(day("20 Mar"));
        assertThat(promising.newOrder(request, Promising.UNWATCHED))
                .extracting(order -> order.pulledIn().number(), NewOrder::day)
                .containsExactly("P", day("9 Mar"));
    }

    /** Below A, made in two days, the same: A on the 24th with the order of B that is pulled in, on the 11th with a new one. */
    @Test
    void alsoOfAComponent() {
        Example example = new Example()
                .planned(make("A").leadTimeDays(2), buy("B").leadTimeDays(5))
                .bom("A", "B", "1")
                .open("P", Source.BUY, Stage.RELEASED, "B", 20, "20 Mar");
        assertThat(Promising.of(example.plan()).newOrder(request("A", 5, "4 Mar"), Promising.UNWATCHED))
                .extracting(order -> order.pulledIn().number(), NewOrder::day)
                .containsExactly("P", day("11 Mar"));
    }

    /** A new one takes until April, nothing is pulled in, or the line is in time: there is nothing to offer. */
    @Test
    void noNewOrderWhereItIsNoSooner() {
        Example slow = new Example()
                .planned(buy("A").leadTimeDays(30))
                .open("P", Source.BUY, Stage.RELEASED, "A", 20, "20 Mar");
        Example none = new Example().planned(buy("A").leadTimeDays(5));
        Example there = new Example().planned(buy("A").leadTimeDays(5)).stock("A", 9);
        for (Example example : List.of(slow, none, there)) {
            assertThat(Promising.of(example.plan()).newOrder(request("A", 5, "4 Mar"), Promising.UNWATCHED))
                    .isNull();
        }
    }

    /** Depot D has ten and gets them from W in two days; at W a purchase takes six weeks. */
    private static Example withADepot() {
        Example example = new Example()
                .planned(
                        buy("A").leadTimeDays(30),
                        new PlanningData("A", "D", Source.TRANSFER)
                                .fromSite("W")
                                .leadTimeDays(2));
        example.builder.stock(new StockLot("A", "D", null, null, Quantity.of(10), Integer.MAX_VALUE));
        return example;
    }

    /** What leaves D today is at W on the 4th, not on the 3rd; of twelve, ten. */
    @Test
    void broughtFromAnotherSite() {
        Example example = withADepot();
        assertThat(answers(example, request("A", 5, "4 Mar"))).containsExactly("13 Apr, 0, A W");
        assertThat(answers(example, request("A", 5, "4 Mar").broughtFrom("D"))).containsExactly("4 Mar, 5");
        assertThat(answers(example, request("A", 5, "3 Mar").broughtFrom("D"))).containsExactly("4 Mar, 0, A W");
    }

    /** What D has is promised there for the 10th, and comes again only by way of W. */
    @Test
    void whoWasPromisedItThereDoesNotGetItLater() {
        Example example = withADepot().wanted("A", "D", 10, "10 Mar", 5);
        Answer answer = Promising.of(
                        example.plan(), List.of(request("A", 5, "4 Mar").broughtFrom("D")))
                .get(0);
        assertThat(answer.takenFrom()).isEqualTo(new Answer.Taken(null, "1", "1"));
        assertThat(answer.promisedDay()).isNotEqualTo(day("4 Mar"));
    }

    /** Nobody knows the way from the coater C. */
    @Test
    void onlyWhereTheWayIsKnown() {
        Request request = request("A", 5, "4 Mar").broughtFrom("C");
        Promising promising = Promising.of(withADepot().plan());
        assertThatThrownBy(() -> promising.promise(request, Promising.UNWATCHED))
                .isInstanceOf(UnfitException.class)
                .hasMessage("Nobody knows how long a transfer of A from C to W takes");
    }
}
