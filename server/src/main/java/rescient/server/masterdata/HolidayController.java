package rescient.server.masterdata;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.StringReader;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.temporal.Temporal;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Period;
import net.fortuna.ical4j.model.component.VEvent;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rescient.server.platform.JobProblem;

/** Public holidays as they are published: in an iCalendar file (RFC 5545). */
@RestController
@RequestMapping("/api/data/holidays")
class HolidayController {
    private static final int LONGEST = 1_900_000;
    private static final int MOST = 400;

    record Holiday(LocalDate date, String name) {}

    /** The days of a year on which the file has something for the whole day, those that come again every year too. */
    @PostMapping(consumes = "text/calendar")
    List<Holiday> holidays(
            @RequestParam @Min(1900) @Max(2200) int year, @RequestBody @Size(max = LONGEST) String file) {
        Map<LocalDate, String> days = new LinkedHashMap<>();
        try {
            Calendar calendar = new CalendarBuilder().build(new StringReader(file));
            for (Object component : calendar.getComponents("VEVENT")) {
                days((VEvent) component, year, days);
            }
        } catch (IOException | ParserException | RuntimeException e) {
            throw new JobProblem(
                    HttpStatus.UNPROCESSABLE_ENTITY, "This is no calendar that can be read; it has to be an .ics file");
        }
        return days.entrySet().stream()
                .map(day -> new Holiday(day.getKey(), day.getValue()))
                .sorted(Comparator.comparing(Holiday::date))
                .limit(MOST)
                .toList();
    }

    private static void days(VEvent event, int year, Map<LocalDate, String> into) {
        String name = event.getSummary() == null || event.getSummary().getValue() == null
                ? ""
                : event.getSummary().getValue();
        LocalDate first = LocalDate.of(year, 1, 1);
        LocalDate last = LocalDate.of(year, 12, 31);
        Set<Period<Temporal>> times = event.calculateRecurrenceSet(new Period<>(first, last.plusDays(1)));
        for (Period<Temporal> time : times) {
            LocalDate from = day(time.getStart());
            LocalDate to = time.getEnd() == null ? from.plusDays(1) : day(time.getEnd());
            for (LocalDate day = from; day.isBefore(to) || day.equals(from); day = day.plusDays(1)) {
                if (!day.isBefore(first) && !day.isAfter(last)) {
                    into.putIfAbsent(day, name);
                }
            }
        }
    }

    private static LocalDate day(Temporal moment) {
        try {
            return LocalDate.from(moment);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(e);
        }
    }
}
