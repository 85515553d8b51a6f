package rescient.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** What is coated at Silverleaf: the drum of the extractor, whose welded drums are sent there. */
class SubcontractTest extends ServerTest {
    private JsonNode planned(String item) throws Exception {
        JsonNode orders = get("ida", "/api/plan/orders?words=" + item).body().get("orders");
        for (JsonNode order : orders) {
            if (order.get("item").asText().equals(item)
                    && order.get("source").asText().equals("subcontract")) {
                return order;
            }
        }
        throw new AssertionError("Nothing is planned of " + item);
    }

    private static List<String> kinds(JsonNode documents) {
        List<String> kinds = new ArrayList<>();
        documents.forEach(document -> kinds.add(document.get("kind").asText()));
        return kinds;
    }

    @Test
    void oneReleaseBringsTheTransfersOfItsParts() throws Exception {
        knowing();
        String key = planned("DRM-380P").get("key").asText();
        JsonNode preview = post("ida", "/api/releases/preview", UUID.randomUUID(), "{\"orders\":[\"" + key + "\"]}")
                .body();
        assertThat(kinds(preview.get("documents"))).containsExactlyInAnyOrder("subcontract", "transfer");
        assertThat(preview.get("brought")).hasSize(1);
        // a buyer gives out the service alone
        JsonNode buyers = post("bram", "/api/releases/preview", UUID.randomUUID(), "{\"orders\":[\"" + key + "\"]}")
                .body();
        assertThat(kinds(buyers.get("documents"))).containsExactly("subcontract");
    }

    private JsonNode parts(String number) throws Exception {
        knowing();
        return get("ida", "/api/orders/parts?number=" + number).body();
    }

    private JsonNode posted(String login, String lines) throws Exception {
        Reply reply =
                post(login, "/api/stock/postings", UUID.randomUUID(), ("{'lines':[" + lines + "]}").replace('\'', '"'));
        assertThat(reply.status()).as(String.valueOf(reply.body())).isEqualTo(201);
        return reply.body();
    }

    /** Released with its transfer, sent there, coated, received: what lies where is said at each step. */
    @Test
    void thePartsAreFollowedToThePremisesAndIntoTheProduct() throws Exception {
        knowing();
        String key = planned("DRM-380P").get("key").asText();
        JsonNode out = release("ida", UUID.randomUUID(), false, key).body().get("orders");
        assertThat(kinds(out)).containsExactlyInAnyOrder("subcontract", "transfer");
        String service = number(out, "subcontract");
        String transfer = number(out, "transfer");
        JsonNode view = parts(service);
        assertThat(view.get("site").asText()).isEqualTo("SILVERLEAF");
        assertThat(view.get("premises").asBoolean()).isTrue();
        assertThat(view.get("transfers")).isEmpty();
        JsonNode drum = view.get("parts").get(0);
        assertThat(drum.get("item").asText()).isEqualTo("DRM-380");
        double wanted = drum.get("wanted").asDouble();
        double there = drum.get("there").asDouble();
        assertThat(drum.get("missing").asDouble()).isZero();
        double coming = 0;
        for (JsonNode one : drum.get("coming")) {
            coming += one.get("quantity").asDouble();
        }
        assertThat(there + coming).isEqualTo(wanted);
        assertThat(drum.get("coming").toString()).contains(transfer);

        // what is still missing in the works is put there, so that it can be sent
        posted("stella", "{'act':'ADJUST','item':'DRM-380','site':'LARKMOOR','quantity':100}");
        posted("stella", "{'act':'SHIP_TRANSFER','number':'" + transfer + "'}");
        posted("stella", "{'act':'RECEIVE_TRANSFER','number':'" + transfer + "'}");
        assertThat(parts(service).get("parts").get(0).get("coming").toString()).doesNotContain(transfer);

        double before = lying();
        JsonNode received = posted("stella", "{'act':'RECEIVE','number':'" + service + "'}");
        assertThat(received.toString()).contains("DRM-380P");
        assertThat(parts(service).get("parts")).isEmpty();
        assertThat(lying()).isEqualTo(before - wanted);
        posted("stella", "{'act':'REVERSE','reverses':'" + received.get("key").asText() + "'}");
        assertThat(lying()).isEqualTo(before);
        assertThat(parts(service).get("parts").get(0).get("there").asDouble()).isEqualTo(wanted);
    }

    private Reply toAnother(String service) throws Exception {
        knowing();
        return decide(
                "ida", "{'kind':'CHANGE','orders':['" + service + "~1'],'supplier':'ASHBEK','fromSite':'SILVERLEAF'}");
    }

    /** Somebody else may do the work until a part of it was sent, whether that is still on its way or lies there. */
    @Test
    void anotherMayDoItUntilSomethingWasSent() throws Exception {
        knowing();
        JsonNode out = release(
                        "ida",
                        UUID.randomUUID(),
                        false,
                        planned("DRM-380P").get("key").asText())
                .body()
                .get("orders");
        String service = number(out, "subcontract");
        String transfer = number(out, "transfer");
        Reply changed = toAnother(service);
        assertThat(changed.status()).as(String.valueOf(changed.body())).isEqualTo(201);
        knowing();
        assertThat(live.current().directory().openOrder(service, "1").supplier())
                .isEqualTo("ASHBEK");
        assertThat(undo("ida", changed).status()).isEqualTo(200);

        posted("stella", "{'act':'ADJUST','item':'DRM-380','site':'LARKMOOR','quantity':100}");
        posted("stella", "{'act':'SHIP_TRANSFER','number':'" + transfer + "'}");
        Reply late = toAnother(service);
        assertThat(late.status()).isEqualTo(422);
        assertThat(late.body().toString()).contains("DRM-380 is on its way there for it");
        posted("stella", "{'act':'RECEIVE_TRANSFER','number':'" + transfer + "'}");
        assertThat(toAnother(service).body().toString()).contains("DRM-380 lie there for it");
        // its day may still be another one
        knowing();
        assertThat(decide("ida", "{'kind':'CHANGE','orders':['" + service + "~1'],'days':7}")
                        .status())
                .isEqualTo(201);
    }

    /** Everything is taken back again: stock, value and orders are as before. */
    @Test
    void allOfItIsTakenBack() throws Exception {
        knowing();
        JsonNode out = release(
                        "ida",
                        UUID.randomUUID(),
                        false,
                        planned("DRM-380P").get("key").asText())
                .body()
                .get("orders");
        String service = number(out, "subcontract");
        String transfer = number(out, "transfer");
        List<String> before = asItIs();
        List<String> keys = new ArrayList<>();
        for (String act : List.of(
                "'act':'ADJUST','item':'DRM-380','site':'LARKMOOR','quantity':100",
                "'act':'SHIP_TRANSFER','number':'" + transfer + "'",
                "'act':'RECEIVE_TRANSFER','number':'" + transfer + "'",
                "'act':'RECEIVE','number':'" + service + "'")) {
            keys.add(0, posted("stella", "{" + act + "}").get("key").asText());
        }
        assertThat(asItIs()).isNotEqualTo(before);
        for (String key : keys) {
            posted("stella", "{'act':'REVERSE','reverses':'" + key + "'}");
        }
        assertThat(asItIs()).isEqualTo(before);
    }

    /** What lies where and is worth what, and what is open of orders. */
    private List<String> asItIs() {
        knowing();
        List<String> lines = new ArrayList<>(jdbc.queryForList(
                "select concat_ws(' ', item, site, lot, serial, quarantined, trim_scale(quantity)) from stock where"
                        + " quantity <> 0 order by 1",
                String.class));
        lines.addAll(jdbc.queryForList(
                "select concat_ws(' ', item, site, trim_scale(value)) from stock_values where value <> 0 and item like"
                        + " 'DRM%' order by 1",
                String.class));
        lines.addAll(jdbc.queryForList(
                "select concat_ws(' ', order_number, line, trim_scale(quantity), closed_date, state) from"
                        + " supply_order_lines order by 1",
                String.class));
        lines.addAll(jdbc.queryForList(
                "select concat_ws(' ', order_number, line, component, trim_scale(quantity), trim_scale(coalesce(issued,"
                        + " 0))) from supply_order_components order by 1",
                String.class));
        return lines;
    }

    private static String number(JsonNode orders, String kind) {
        for (JsonNode order : orders) {
            if (order.get("kind").asText().equals(kind)) {
                return order.get("number").asText();
            }
        }
        throw new AssertionError("No " + kind + " in " + orders);
    }

    /** How many welded drums lie at the coater's. */
    private double lying() throws Exception {
        knowing();
        for (JsonNode row : get("ida", "/api/stock?site=SILVERLEAF").body().get("rows")) {
            if (row.get("item").asText().equals("DRM-380")) {
                return row.get("free").asDouble();
            }
        }
        return 0;
    }
}
