package rescient.dataset.plain;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rescient.core.base.Quantity;
import rescient.core.plan.Plan;
import rescient.core.plan.Planner;
import rescient.core.promise.Answer;
import rescient.core.promise.Promising;
import rescient.core.promise.Request;
import rescient.core.snapshot.PlanOptions;
import rescient.core.snapshot.Snapshot;
import rescient.dataset.Company;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetReader;
import rescient.dataset.FaultyDatasetException;

/** Random requests to random companies are promised as by the definition. */
class PlainPromiseTest {
    private static final int COMPANIES = Integer.getInteger("rescient.promised", 12);
    private static final int REQUESTS = 3;
    private static final int MOST = 40;

    @TempDir
    private Path folder;

    @Test
    void randomRequestsArePromisedByTheDefinition() throws Exception {
        int asked = 0;
        for (long seed = 1; seed <= COMPANIES; seed++) {
            Path written = folder.resolve("d" + seed);
            RandomCompany.of(seed).write(written);
            Dataset dataset = read(written);
            if (dataset == null) {
                continue;
            }
            LocalDate today = LocalDate.parse(dataset.setting("today"));
            Snapshot snapshot = Company.snapshot(dataset, today, LocalDate.parse(dataset.setting("horizon_end")));
            Plan plan = new Planner().plan(snapshot, PlanOptions.ALL);
            Random random = new Random(seed);
            for (int i = 0; i < REQUESTS; i++) {
                List<PlainPromise.Wish> wishes = new ArrayList<>();
                for (int line = 0; line <= random.nextInt(2); line++) {
                    wishes.add(wish(dataset, snapshot, today, random));
                }
                assertThat(answers(plan, wishes))
                        .as("company " + seed + " " + wishes)
                        .isEqualTo(new PlainPromise(dataset).answers(wishes));
                asked += wishes.size();
            }
        }
        assertThat(asked).isGreaterThan(COMPANIES);
    }

    private static Dataset read(Path written) {
        try {
            return DatasetReader.read(written);
        } catch (FaultyDatasetException e) {
            return null;
        }
    }

    private static PlainPromise.Wish wish(Dataset dataset, Snapshot snapshot, LocalDate today, Random random) {
        List<String> items =
                dataset.rows("items").stream().map(row -> row.text("code")).toList();
        List<String> sites =
                dataset.rows("sites").stream().map(row -> row.text("code")).toList();
        String item = items.get(random.nextInt(items.size()));
        return new PlainPromise.Wish(
                item,
                sites.get(random.nextInt(sites.size())),
                1L + random.nextInt(MOST),
                snapshot.step(item),
                today.plusDays(random.nextInt(30) - 2L),
                1 + random.nextInt(9));
    }

    private static List<String> answers(Plan plan, List<PlainPromise.Wish> wishes) {
        List<Answer> answers = Promising.of(
                plan,
                wishes.stream()
                        .map(wish -> new Request(
                                wish.item(),
                                wish.site(),
                                wish.steps() * wish.step(),
                                Math.toIntExact(wish.wanted().toEpochDay()),
                                wish.priority()))
                        .toList());
        return answers.stream().map(PlainPromiseTest::text).toList();
    }

    private static String text(Answer answer) {
        String text = (answer.promisedDay() == null ? null : LocalDate.ofEpochDay(answer.promisedDay())) + " "
                + Quantity.text(answer.available());
        if (answer.causeItem() != null) {
            text += " " + answer.causeItem() + " " + answer.causeSite();
        }
        Answer.Taken taken = answer.takenFrom();
        if (taken == null) {
            return text;
        }
        return text + " from "
                + (taken.request() != null
                        ? Integer.toString(taken.request() + 1)
                        : taken.number() + " " + taken.line());
    }
}
