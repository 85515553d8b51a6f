package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.JsonNode;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

/** What suppliers charge, held against what came and what was agreed. Ten motors are on order with PO-2041. */
class InvoiceTest extends ServerTest {
    private static final String ORDER = "PO-2041";

    private String supplier() {
        return jdbc.queryForObject("select supplier from supply_orders where number = ?", String.class, ORDER);
    }

    private void agreed(String price) {
        jdbc.update(
                "update supply_order_lines set unit_price = ? where order_number = ?",
                new java.math.BigDecimal(price),
                ORDER);
        store.replace(store.readWhole().dataset(), "Larkmoor Hives", true);
        knowing();
    }

    private Reply receive(String quantity) throws Exception {
        Reply reply = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'lines':[{'act':'RECEIVE','number':'" + ORDER + "','line':'1','quantity':" + quantity + "}]}");
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        knowing();
        return reply;
    }

    private String invoice(String number, String quantity, String price) {
        return "{'kind':'INVOICE','supplier':'" + supplier() + "','number':'" + number
                + "','date':'2026-11-20','lines':[{'order':'" + ORDER + "','line':'1','quantity':" + quantity
                + ",'price':" + price + "}]}";
    }

    private Reply step(String login, String number, String step) throws Exception {
        return decide(
                login,
                "{'kind':'INVOICES','step':'" + step + "','reason':'too dear','invoices':[{'supplier':'" + supplier()
                        + "','number':'" + number + "'}]}");
    }

    private JsonNode view(String number) throws Exception {
        return get("bram", "/api/invoices/invoice?supplier=" + supplier() + "&number=" + number)
                .body();
    }

    private String state(String number) throws Exception {
        return view(number).get("invoice").get("state").asText();
    }

    private static String refusal(Reply reply) {
        assertThat(reply.status()).isEqualTo(422);
        return reply.body().get("detail").asText();
    }

    /** As agreed and received it may be paid at once, in parts too; what is left to be charged follows. */
    @Test
    void whatIsAsItShouldBeMayBePaid() throws Exception {
        int earlier = get("bram", "/api/invoices").body().get("total").asInt();
        agreed("48");
        receive("6");
        JsonNode can =
                get("bram", "/api/invoices/chargeable?supplier=" + supplier()).body();
        assertThat(can).hasSize(1);
        assertThat(can.get(0).get("left").asDouble()).isEqualTo(6);
        assertThat(can.get(0).get("agreed").asDouble()).isEqualTo(48);

        Reply part = decide("bram", invoice("R-1", "4", "48"));
        assertThat(part.status()).as(String.valueOf(part.body())).isEqualTo(201);
        assertThat(state("R-1")).isEqualTo("approved");
        assertThat(view("R-1").get("invoice").get("value").asDouble()).isEqualTo(192);
        assertThat(get("bram", "/api/invoices/chargeable?supplier=" + supplier())
                        .body()
                        .get(0)
                        .get("left")
                        .asDouble())
                .isEqualTo(2);
        // taken back, it is not here any more and all can be charged again
        undo("bram", part);
        assertThat(get("bram", "/api/invoices").body().get("total").asInt()).isEqualTo(earlier);
        assertThat(get("bram", "/api/invoices/chargeable?supplier=" + supplier())
                        .body()
                        .get(0)
                        .get("left")
                        .asDouble())
                .isEqualTo(6);
    }

    /** What goes back after it was charged is credited: as much as went back may be kept at once, more is looked at. */
    @Test
    void whatWentBackIsCredited() throws Exception {
        double worth = get("bram", "/api/invoices").body().get("value").asDouble();
        agreed("48");
        receive("10");
        assertThat(decide("bram", invoice("R-1", "10", "48")).status()).isEqualTo(201);
        Reply back = post(
                "stella",
                "/api/stock/postings",
                UUID.randomUUID(),
                "{'reason':'broken','lines':[{'act':'RETURN_TO_SUPPLIER','number':'" + ORDER
                        + "','line':'1','item':'MOTOR-180','site':'LARKMOOR','quantity':2}]}");
        assertThat(back.status()).as(String.valueOf(back.body())).isEqualTo(201);
        knowing();
        JsonNode can =
                get("bram", "/api/invoices/chargeable?supplier=" + supplier()).body();
        assertThat(can.get(0).get("left").asDouble()).isEqualTo(-2);
        assertThat(consequence(invoice("G-1", "-3", "48")).get("remarks").toString())
                .contains("3 pcs are credited, 2 went back: 48.00 EUR less");
        assertThat(refusal(decide("bram", invoice("G-1", "0", "48")))).contains("nothing is charged");

        byte[] document = ("<CreditNote xmlns='urn:oasis:names:specification:ubl:schema:xsd:CreditNote-2'"
                        + " xmlns:cbc='urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2'"
                        + " xmlns:cac='urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2'>"
                        + "<cbc:ID>G-1</cbc:ID><cbc:IssueDate>2026-11-20</cbc:IssueDate><cac:OrderReference><cbc:ID>"
                        + ORDER
                        + "</cbc:ID></cac:OrderReference><cac:AccountingSupplierParty><cbc:CustomerAssignedAccountID>"
                        + supplier()
                        + "</cbc:CustomerAssignedAccountID></cac:AccountingSupplierParty><cac:CreditNoteLine><cbc:ID>1</cbc:ID>"
                        + "<cbc:CreditedQuantity>2</cbc:CreditedQuantity><cac:Price><cbc:PriceAmount>48</cbc:PriceAmount>"
                        + "</cac:Price></cac:CreditNoteLine></CreditNote>")
                .getBytes(StandardCharsets.UTF_8);
        Reply read = reply(
                "bram",
                MockMvcRequestBuilders.post("/api/invoices/read")
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_OCTET_STREAM)
                        .content(document));
        assertThat(read.status()).as(String.valueOf(read.body())).isEqualTo(200);
        assertThat(read.body().get("lines").get(0).get("quantity").asDouble()).isEqualTo(-2);

        Reply kept = decide("bram", invoice("G-1", "-2", "48"));
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        assertThat(kept.body().get("sentence").asText())
                .contains("credit note G-1")
                .contains("96.00");
        assertThat(state("G-1")).isEqualTo("approved");
        assertThat(get("bram", "/api/invoices").body().get("value").asDouble()).isEqualTo(worth + 384);
        assertThat(get("bram", "/api/invoices/chargeable?supplier=" + supplier())
                        .body())
                .isEmpty();
    }

    /** Dearer than agreed it waits for those whom the limits ask; who entered it does not approve it. */
    @Test
    void aWrongPriceWaitsForApproval() throws Exception {
        agreed("48");
        receive("10");
        assertThat(consequence(invoice("R-2", "10", "52")).get("remarks").toString())
                .contains("at 52 a ")
                .contains("agreed was 48: 40.00 EUR more");
        JsonNode order = get("bram", "/api/invoices/of-order?number=" + ORDER).body();
        assertThat(order.get("supplier").asText()).isEqualTo(supplier());
        assertThat(order.get("left").asBoolean()).isTrue();
        assertThat(decide("ida", invoice("R-2", "10", "52")).status()).isEqualTo(201);
        assertThat(state("R-2")).isEqualTo("awaiting_approval");
        order = get("bram", "/api/invoices/of-order?number=" + ORDER).body();
        assertThat(order.get("rows").findValuesAsText("number")).containsExactly("R-2");
        assertThat(order.get("left").asBoolean()).isFalse();
        // no limit asks anybody: an approver does
        assertThat(view("R-2").get("asks").asText()).isEqualTo("approver");
        assertThat(decide(
                                "ida",
                                "{'kind':'DATA','rows':[{'table':'approval_limits','key':{'document':'invoice','from_value':'100'},'fields':{'role':'planner'},'fresh':true}]}")
                        .status())
                .isEqualTo(201);
        assertThat(view("R-2").get("asks").asText()).isEqualTo("planner");
        assertThat(refusal(step("ida", "R-2", "APPROVE"))).contains("was made by you");
        assertThat(refusal(step("bram", "R-2", "APPROVE"))).contains("approval of a planner");
        Reply approved = step("tom", "R-2", "APPROVE");
        assertThat(approved.status()).isEqualTo(201);
        assertThat(state("R-2")).isEqualTo("approved");
        assertThat(view("R-2").get("approved").toString()).contains("Tom Ferris");
        undo("tom", approved);
        assertThat(state("R-2")).isEqualTo("awaiting_approval");
        assertThat(view("R-2").get("approved")).isEmpty();
    }

    /** More than came, and what nobody sent; the number is there once, unless it went back. */
    @Test
    void whatCannotBeChargedIsSaid() throws Exception {
        agreed("48");
        assertThat(consequence(invoice("R-3", "1", "48")).get("refusals").toString())
                .contains("nothing came");
        receive("4");
        assertThat(consequence(invoice("R-3", "5", "48")).get("remarks").toString())
                .contains("5 ")
                .contains("4 are left to be: 48.00 EUR more");
        assertThat(consequence(invoice("R-3", "4", "48").replace("2026-11-20", "2027-01-20"))
                        .get("refusals")
                        .toString())
                .contains("cannot be here yet");
        assertThat(decide("bram", invoice("R-3", "5", "48")).status()).isEqualTo(201);
        assertThat(refusal(decide("bram", invoice("R-3", "4", "48")))).contains("is here already");
        assertThat(step("aino", "R-3", "REJECT").status()).isEqualTo(201);
        assertThat(state("R-3")).isEqualTo("rejected");
        assertThat(view("R-3").get("invoice").get("note").asText()).isEqualTo("too dear");
        // sent back it charges nothing, and comes again as it should be
        assertThat(decide("bram", invoice("R-3", "4", "48")).status()).isEqualTo(201);
        assertThat(state("R-3")).isEqualTo("approved");
        assertThat(decide("stella", invoice("R-4", "1", "48")).status()).isEqualTo(403);
    }

    /** Who approved an entry that was taken back has not approved the next of that number. */
    @Test
    void anApprovalGoesWithItsEntry() throws Exception {
        agreed("48");
        receive("10");
        for (String limit : List.of("'10'},'fields':{'role':'planner'}", "'20'},'fields':{'role':'approver'}")) {
            assertThat(decide(
                                    "ida",
                                    "{'kind':'DATA','rows':[{'table':'approval_limits','key':{'document':'invoice','from_value':"
                                            + limit + ",'fresh':true}]}")
                            .status())
                    .isEqualTo(201);
        }
        Reply entered = decide("bram", invoice("R-6", "10", "52"));
        assertThat(step("ida", "R-6", "APPROVE").status()).isEqualTo(201);
        assertThat(view("R-6").get("asks").asText()).isEqualTo("approver");
        undo("bram", entered);
        assertThat(decide("bram", invoice("R-6", "10", "51")).status()).isEqualTo(201);
        assertThat(view("R-6").get("asks").asText()).isEqualTo("planner");
        assertThat(view("R-6").get("approved")).isEmpty();
        assertThat(decide("bram", invoice("R-7", "1.0000001", "48")).status()).isEqualTo(400);
    }

    /** Tolerances of the company are kept to. */
    @Test
    void withinTheTolerancesNobodyIsAsked() throws Exception {
        agreed("48");
        receive("10");
        decide(
                "ida",
                "{'kind':'DATA','rows':[{'table':'settings','key':{'key':'price_tolerance_percent'},'fields':{'value':'2'},'fresh':true}]}");
        assertThat(decide("bram", invoice("R-5", "10", "48.96")).status()).isEqualTo(201);
        assertThat(state("R-5")).isEqualTo("approved");
    }

    /** A document for machines is read; what is none says why. */
    @Test
    void aDocumentForMachinesIsRead() throws Exception {
        String document = """
                <Invoice xmlns="urn:oasis:names:specification:ubl:schema:xsd:Invoice-2"
                         xmlns:cac="urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2"
                         xmlns:cbc="urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2">
                  <cbc:ID>R-77</cbc:ID><cbc:IssueDate>2026-11-20</cbc:IssueDate><cbc:DueDate>2026-12-20</cbc:DueDate>
                  <cac:OrderReference><cbc:ID>PO-2041</cbc:ID></cac:OrderReference>
                  <cac:AccountingSupplierParty>
                    <cbc:CustomerAssignedAccountID>%s</cbc:CustomerAssignedAccountID>
                  </cac:AccountingSupplierParty>
                  <cac:InvoiceLine>
                    <cbc:ID>1</cbc:ID><cbc:InvoicedQuantity unitCode="pcs">10</cbc:InvoicedQuantity>
                    <cac:OrderLineReference><cbc:LineID>1</cbc:LineID></cac:OrderLineReference>
                    <cac:Price><cbc:PriceAmount currencyID="EUR">4900</cbc:PriceAmount>
                      <cbc:BaseQuantity unitCode="pcs">100</cbc:BaseQuantity></cac:Price>
                  </cac:InvoiceLine>
                </Invoice>
                """.formatted(supplier());
        agreed("48");
        receive("10");
        JsonNode read = read(document).body();
        assertThat(read.get("number").asText()).isEqualTo("R-77");
        assertThat(read.get("due").asText()).isEqualTo("2026-12-20");
        JsonNode line = read.get("lines").get(0);
        assertThat(line.get("row").get("order").asText()).isEqualTo(ORDER);
        assertThat(line.get("row").get("line").asText()).isEqualTo("1");
        assertThat(line.get("quantity").asDouble()).isEqualTo(10);
        assertThat(line.get("price").asDouble()).isEqualTo(49);
        assertThat(read.get("others")).isEmpty();
        JsonNode another = read(document.replace("PO-2041", "PO-7")).body();
        assertThat(another.get("others").get(0).asText()).isEqualTo("PO-7 line 1");
        assertThat(another.get("lines").get(0).hasNonNull("quantity")).isFalse();
        assertThat(refusal(read("no document"))).contains("no XML");
        assertThat(refusal(read("<a/>"))).contains("no Invoice of UBL");
        assertThat(refusal(read(document.replace(">10<", ">1e99999999<")))).contains("InvoicedQuantity");
        assertThat(refusal(read("<!DOCTYPE x [<!ENTITY a \"b\">]>" + document))).contains("no XML");
    }

    private Reply read(String document) throws Exception {
        return reply(
                "bram",
                MockMvcRequestBuilders.post("/api/invoices/read")
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_OCTET_STREAM)
                        .content(document.getBytes(StandardCharsets.UTF_8)));
    }

    private static String with(String invoice, String order, int quantity, String prices) {
        return "{'charge':{'number':'" + invoice + "','date':'2026-11-20','prices':[" + prices
                + "]},'lines':[{'act':'RECEIVE','number':'" + order + "','line':'1','quantity':" + quantity + "}]}";
    }

    private Reply receivedWith(UUID key, String wish) throws Exception {
        return post("ida", "/api/stock/postings", key, wish);
    }

    /** What lies with the goods is entered with them: both or neither, and both are taken back. */
    @Test
    void anInvoiceComesWithTheGoods() throws Exception {
        agreed("48");
        int earlier = get("bram", "/api/invoices").body().get("total").asInt();
        String wish = with("R-7", ORDER, 6, "");
        assertThat(post("stella", "/api/stock/postings", UUID.randomUUID(), wish)
                        .status())
                .isEqualTo(403);
        JsonNode seen = post("ida", "/api/stock/preview", null, wish).body();
        assertThat(seen.get("refused")).isEmpty();
        assertThat(seen.get("remarks").toString())
                .contains("invoice R-7")
                .contains("288.00 EUR: as agreed, it may be paid");

        UUID key = UUID.randomUUID();
        Reply kept = receivedWith(key, wish);
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        assertThat(kept.body().get("posting").get("sentence").asText())
                .isEqualTo("Received 6 MOTOR-180 on " + ORDER + ", with invoice R-7");
        assertThat(receivedWith(key, wish).status()).isEqualTo(201);
        assertThat(count(moved())).isEqualTo(1);
        assertThat(state("R-7")).isEqualTo("approved");
        assertThat(view("R-7").get("lines").get(0).get("quantity").asDouble()).isEqualTo(6);

        // his number is here already: the rest is not received either
        Reply again = receivedWith(UUID.randomUUID(), with("R-7", ORDER, 4, ""));
        assertThat(refusal(again)).contains("R-7").contains("is here already");
        assertThat(count(moved())).isEqualTo(1);

        Reply back = receivedWith(
                UUID.randomUUID(), "{'reason':'wrong','lines':[{'act':'REVERSE','reverses':'" + key + "'}]}");
        assertThat(back.status()).as(String.valueOf(back.body())).isEqualTo(201);
        assertThat(get("bram", "/api/invoices").body().get("total").asInt()).isEqualTo(earlier);
        assertThat(receivedWith(UUID.randomUUID(), wish).status()).isEqualTo(201);
    }

    /** Dearer than agreed it waits; once it was decided on it stays when the goods are taken back, and that is said. */
    @Test
    void aDearInvoiceThatComesWithTheGoodsWaits() throws Exception {
        agreed("48");
        String dear = "{'order':'" + ORDER + "','line':'1','price':50}";
        UUID key = UUID.randomUUID();
        JsonNode seen = post("ida", "/api/stock/preview", null, with("R-8", ORDER, 6, dear))
                .body();
        assertThat(seen.get("remarks").toString())
                .contains("it waits for somebody to approve it")
                .contains("agreed was 48: 12.00 EUR more");
        assertThat(receivedWith(key, with("R-8", ORDER, 6, dear)).status()).isEqualTo(201);
        assertThat(state("R-8")).isEqualTo("awaiting_approval");
        assertThat(step("aino", "R-8", "APPROVE").status()).isEqualTo(201);

        String back = "{'reason':'wrong','lines':[{'act':'REVERSE','reverses':'" + key + "'}]}";
        assertThat(post("ida", "/api/stock/preview", null, back)
                        .body()
                        .get("remarks")
                        .toString())
                .contains("Invoice R-8, which came with it, has been decided on or changed since, and stays");
        assertThat(receivedWith(UUID.randomUUID(), back).status()).isEqualTo(201);
        assertThat(state("R-8")).isEqualTo("approved");
    }

    /** Screws are bought by the box of 1,000 and received by the piece: two boxes are charged. */
    @Test
    void whatComesInPiecesIsChargedInBoxes() throws Exception {
        Reply kept = receivedWith(UUID.randomUUID(), with("R-9", "PO-2033", 2000, ""));
        assertThat(kept.status()).as(String.valueOf(kept.body())).isEqualTo(201);
        JsonNode line = get("bram", "/api/invoices/invoice?supplier=FENWICKE&number=R-9")
                .body()
                .get("lines")
                .get(0);
        assertThat(line.get("unit").asText()).isEqualTo("box");
        assertThat(line.get("quantity").asDouble()).isEqualTo(2);
        assertThat(line.get("price").asDouble()).isEqualTo(21.5);
    }

    /** An invoice is of one supplier, and charges what comes. */
    @Test
    void anInvoiceThatComesWithTheGoodsIsOfOneSupplier() throws Exception {
        Reply two = receivedWith(
                UUID.randomUUID(),
                "{'charge':{'number':'R-10','date':'2026-11-20'},'lines':[{'act':'RECEIVE','number':'" + ORDER
                        + "','line':'1'},{'act':'RECEIVE','number':'PO-2033','line':'1'}]}");
        assertThat(refusal(two)).contains("An invoice is of one supplier, and this comes from 2 of them");
        Reply none = receivedWith(
                UUID.randomUUID(),
                "{'charge':{'number':'R-10','date':'2026-11-20'},'lines':[{'act':'ADJUST','item':'ROD-12','site':'LARKMOOR','quantity':1}]}");
        assertThat(refusal(none)).contains("An invoice is of one supplier, and this comes from none");
        assertThat(count(moved())).isZero();
    }
}
