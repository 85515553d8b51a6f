package rescient.bench;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Locale;
import java.util.function.Consumer;
import rescient.core.base.Quantity;
import rescient.core.company.BomLine;
import rescient.core.company.CustomerOrderLine;
import rescient.core.company.ForecastBucket;
import rescient.core.company.OpenOrder;
import rescient.core.company.OpenOrderComponent;
import rescient.core.company.PlanningRule;
import rescient.core.company.Source;
import rescient.core.company.StockLot;

/** Writes a generated company as a dataset: {@code CompanyFolder POINTS FOLDER}. */
public final class CompanyFolder {
    private final GeneratedCompany company;
    private final Path folder;

    private CompanyFolder(GeneratedCompany company, Path folder) {
        this.company = company;
        this.folder = folder;
    }

    public static void main(String[] words) throws IOException {
        if (words.length != 2) {
            System.err.println("Say how many stock points, and where the dataset goes: generate POINTS FOLDER");
            System.exit(1);
        }
        write(Integer.parseInt(words[0]), 1, Path.of(words[1]));
    }

    /** A company of so many stock points, the same for the same seed, as CSV files. */
    public static void write(int points, long seed, Path folder) throws IOException {
        write(new GeneratedCompany(CompanySize.scaled(points), seed), folder);
    }

    static void write(GeneratedCompany company, Path folder) throws IOException {
        Files.createDirectories(folder);
        CompanyFolder writer = new CompanyFolder(company, folder);
        writer.masters();
        writer.materials();
        writer.trade();
        writer.orders();
    }

    private void table(String name, String header, Consumer<CsvWriter> rows) throws IOException {
        try (CsvWriter csv = CsvWriter.builder().build(folder.resolve(name + ".csv"))) {
            csv.writeRecord(header.split(","));
            rows.accept(csv);
        }
    }

    private void masters() throws IOException {
        table("settings", "key,value", csv -> {
            csv.writeRecord("today", GeneratedCompany.TODAY.toString());
            csv.writeRecord(
                    "horizon_end",
                    GeneratedCompany.TODAY.plusDays(GeneratedCompany.DAYS).toString());
            csv.writeRecord("forecast_set", GeneratedCompany.SET);
        });
        table("units", "code,decimals", csv -> csv.writeRecord("pcs", "0"));
        table("sites", "code", csv -> {
            GeneratedCompany.WORKS.forEach(csv::writeRecord);
            csv.writeRecord(GeneratedCompany.DEPOT);
        });
        table("suppliers", "code", csv -> GeneratedCompany.suppliers().forEach(csv::writeRecord));
        table("items", "code,unit", csv -> company.items.forEach(item -> csv.writeRecord(item, "pcs")));
        table(
                "planning",
                "item,site,source,supplier,from_site,rule,lead_time_days,safety_stock,reorder_point,order_up_to,"
                        + "fixed_quantity,period_count,period_unit,min_quantity,multiple,consume_back_days,"
                        + "consume_forward_days",
                csv -> company.parts.forEach(part -> planning(csv, part)));
        table("supplier_items", "supplier,item,from_quantity,unit,lead_time_days,preference", csv -> {
            for (Part part : company.parts) {
                if (part.source() == Source.BUY) {
                    csv.writeRecord(part.supplier(), part.item(), "0", "pcs", text(part.leadTimeDays()), "1");
                }
            }
        });
    }

    private static void planning(CsvWriter csv, Part part) {
        boolean period = part.rule() == PlanningRule.PERIOD;
        csv.writeRecord(
                part.item(),
                part.site(),
                word(part.source()),
                part.supplier(),
                part.fromSite(),
                word(part.rule()),
                text(part.leadTimeDays()),
                text(part.safetyStock()),
                set(part.reorderPoint()),
                set(part.orderUpTo()),
                set(part.fixedQuantity()),
                period ? text(part.weeks()) : "",
                period ? "week" : "",
                set(part.minQuantity()),
                set(part.multiple()),
                "7",
                "7");
    }

    private void materials() throws IOException {
        table("bom_lines", "parent,line,component,quantity", csv -> {
            for (BomLine line : company.bomLines) {
                csv.writeRecord(
                        line.parent(),
                        line.line(),
                        line.component(),
                        line.quantity().numerator().toString());
            }
        });
        table("stock", "item,site,lot,quantity,expiry", csv -> {
            for (StockLot lot : company.stock) {
                csv.writeRecord(
                        lot.item(),
                        lot.site(),
                        lot.lot(),
                        Quantity.text(lot.quantity()),
                        lot.expiry() == Integer.MAX_VALUE ? "" : date(lot.expiry()));
            }
        });
    }

    private void trade() throws IOException {
        table("customer_orders", "number,line,item,site,quantity,due_date,priority", csv -> {
            for (CustomerOrderLine line : company.customerOrders) {
                csv.writeRecord(
                        line.number(),
                        line.line(),
                        line.item(),
                        line.site(),
                        Quantity.text(line.quantity()),
                        date(line.dueDay()),
                        text(line.priority()));
            }
        });
        table("forecasts", "set,item,site,from_date,bucket,quantity", csv -> {
            for (ForecastBucket bucket : company.forecasts) {
                csv.writeRecord(
                        bucket.set(),
                        bucket.item(),
                        bucket.site(),
                        date(bucket.fromDay()),
                        word(bucket.length()),
                        Quantity.text(bucket.quantity()));
            }
        });
    }

    private void orders() throws IOException {
        table(
                "open_orders",
                "number,line,kind,stage,item,site,from_site,supplier,quantity,due_date,start_date,locked",
                csv -> {
                    for (OpenOrder order : company.openOrders) {
                        csv.writeRecord(
                                order.number(),
                                order.line(),
                                word(order.kind()),
                                word(order.stage()),
                                order.item(),
                                order.site(),
                                order.fromSite(),
                                order.supplier(),
                                Quantity.text(order.quantity()),
                                date(order.dueDay()),
                                order.startDay() == OpenOrder.NO_DAY ? "" : date(order.startDay()),
                                Boolean.toString(order.locked()));
                    }
                });
        table("open_order_components", "number,line,component,quantity,needed_date", csv -> {
            for (OpenOrderComponent row : company.components) {
                csv.writeRecord(
                        row.number(),
                        row.line(),
                        row.component(),
                        Quantity.text(row.quantity()),
                        date(row.neededDay()));
            }
        });
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }

    private static String text(int value) {
        return Integer.toString(value);
    }

    private static String set(int value) {
        return value == 0 ? "" : text(value);
    }

    private static String date(int day) {
        return LocalDate.ofEpochDay(day).toString();
    }
}
