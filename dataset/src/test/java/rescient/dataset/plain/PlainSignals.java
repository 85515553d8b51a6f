package rescient.dataset.plain;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** Section 10, but for what is late. */
final class PlainSignals {
    final List<String> rows = new ArrayList<>();
    private final PlainCompany company;
    private final int today;
    private final int ahead;

    PlainSignals(PlainCompany company) {
        this.company = company;
        this.today = company.today;
        this.ahead = Integer.parseInt(company.tables.setting("release_ahead_days", "0"));
    }

    void add(
            String kind,
            PlainCompany.Point at,
            String number,
            String line,
            Integer date,
            Integer newDate,
            Fraction quantity,
            Integer days,
            PlainCompany.Point cause) {
        rows.add(String.join(
                ",",
                kind,
                at.item(),
                at.site(),
                number,
                line,
                date == null ? "" : LocalDate.ofEpochDay(date).toString(),
                newDate == null ? "" : LocalDate.ofEpochDay(newDate).toString(),
                quantity == null ? "" : quantity.toString(),
                days == null ? "" : days.toString(),
                cause == null ? "" : cause.item(),
                cause == null ? "" : cause.site()));
    }

    void of(PlainPoint p) {
        if (!p.phantom) {
            planned(p);
        }
        p.opens.forEach(open -> open(p, open));
        for (PlainPoint.Lot lot : p.expired) {
            if (lot.quantity.sign() > 0) {
                add("expiring", p.point, lot.row.text("lot"), "", lot.expiry, null, lot.quantity, null, null);
            }
        }
        for (PlainPoint.Lot lot : p.lots) {
            if (lot.expiry <= company.horizon) {
                p.expiring(lot.expiry);
                if (p.unused.get(lot).sign() > 0) {
                    add("expiring", p.point, lot.row.text("lot"), "", lot.expiry, null, p.unused.get(lot), null, null);
                }
            }
        }
        if (p.noSourceDay < PlainCompany.FOR_EVER) {
            add("no_source", p.point, "", "", p.noSourceDay, null, p.noSource, null, null);
        }
        belowSafety(p);
    }

    private void planned(PlainPoint p) {
        Fraction sum = Fraction.ZERO;
        int first = PlainCompany.FOR_EVER;
        for (PlainPoint.Planned o : p.planned) {
            started(p.point, "", "", o.start, o.due, o.good);
            if (o.wantedDue != o.due) {
                add("inside_fence", p.point, "", "", o.wantedDue, o.due, o.good, null, null);
            }
            sum = sum.plus(o.good);
            first = Math.min(first, o.due);
        }
        if (!p.planned.isEmpty() && p.source.equals("buy") && p.supplier().isEmpty()) {
            add("no_supplier", p.point, "", "", first, null, sum, null, null);
        }
    }

    private void started(PlainCompany.Point at, String number, String line, int start, int due, Fraction quantity) {
        if (start < today) {
            add("start_overdue", at, number, line, start, due, quantity, today - start, null);
        } else if (start <= today + ahead) {
            add("release_due", at, number, line, start, due, quantity, null, null);
        }
    }

    private void open(PlainPoint p, PlainPoint.Open open) {
        String number = open.row.text("number");
        String line = open.row.text("line");
        if (!open.released() && open.row.has("start_date")) {
            started(p.point, number, line, open.row.day("start_date", 0), open.due, open.quantity);
        }
        if (open.due < today) {
            add("receipt_overdue", p.point, number, line, open.due, null, open.quantity, today - open.due, null);
        }
        switch (open.proposal) {
            case "cancel" -> add("cancel", p.point, number, line, open.due, null, open.quantity, null, null);
            case "bring_forward", "push_back" ->
                add(
                        open.proposal,
                        p.point,
                        number,
                        line,
                        open.due,
                        open.proposed,
                        open.quantity,
                        Math.abs(open.proposed - open.due),
                        null);
            default -> {}
        }
    }

    private void belowSafety(PlainPoint p) {
        Integer first = null;
        Integer back = null;
        Fraction largest = Fraction.ZERO;
        for (int day = today; day <= company.horizon; day++) {
            Fraction balance = p.balance(day);
            if (balance.less(p.safety)) {
                first = first == null ? Integer.valueOf(day) : first;
                largest = largest.most(p.safety.minus(balance));
            } else if (first != null && back == null) {
                back = day;
            }
        }
        if (first != null) {
            add("below_safety", p.point, "", "", first, back, largest, null, null);
        }
    }
}
