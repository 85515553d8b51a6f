package rescient.server.masterdata;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import rescient.dataset.Dataset;
import rescient.dataset.DatasetWriter;
import rescient.dataset.Row;
import rescient.dataset.Table;
import rescient.server.exchange.CompanyExchange;
import rescient.server.exchange.RecordRows;
import rescient.server.planning.LivePlan;
import rescient.server.planning.PlanVersion;
import rescient.server.platform.JobProblem;

/** The company's data out again: one table, or all of it as a dataset that loads into an empty company. */
@RestController
@RequestMapping("/api/exports")
class ExportController {
    private final LivePlan live;
    private final RecordRows record;

    ExportController(LivePlan live, RecordRows record) {
        this.live = live;
        this.record = record;
    }

    /** The whole company; {@code zip} of CSV files, or {@code xlsx} with a sheet for each table. */
    @GetMapping("/company.{ending}")
    void company(@PathVariable String ending, HttpServletResponse response) throws IOException {
        if (!List.of("zip", "xlsx").contains(ending)) {
            throw JobProblem.notFound("A company comes as .zip or as .xlsx");
        }
        PlanVersion version = live.current();
        String name = version.company().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
        send(
                record.with(CompanyExchange.asWritten(
                        version.directory().dataset(), version.today(), version.horizonEnd())),
                (name.isBlank() ? "company" : name) + "." + ending,
                response);
    }

    /** One table as an .xlsx file, or a zip of one CSV file. */
    @GetMapping("/tables/{table}.{ending}")
    void table(@PathVariable String table, @PathVariable String ending, HttpServletResponse response)
            throws IOException {
        Table of = Table.named(table);
        if (of == null || !List.of("zip", "xlsx").contains(ending)) {
            throw JobProblem.notFound("There is no table " + table + " to save so");
        }
        Map<String, List<Row>> rows = new HashMap<>();
        rows.put(table, live.current().directory().facts().rows(table));
        send(new Dataset(rows), table + "." + ending, response);
    }

    /** An empty workbook with the names of all columns and what they mean. */
    @GetMapping("/template.xlsx")
    void template(HttpServletResponse response) throws IOException {
        send(DatasetWriter::writeTemplate, "template.xlsx", response);
    }

    private static void send(Dataset dataset, String name, HttpServletResponse response) throws IOException {
        send(file -> DatasetWriter.write(dataset, file), name, response);
    }

    private static void send(Consumer<Path> writing, String name, HttpServletResponse response) throws IOException {
        Path folder = Files.createTempDirectory("rescient-export");
        Path file = folder.resolve(name);
        try {
            writing.accept(file);
            response.setContentType(
                    name.endsWith(".zip")
                            ? "application/zip"
                            : "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");
            response.setHeader("Content-Disposition", "attachment; filename=\"" + name + "\"");
            response.setContentLengthLong(Files.size(file));
            Files.copy(file, response.getOutputStream());
        } finally {
            Files.deleteIfExists(file);
            Files.delete(folder);
        }
    }
}
