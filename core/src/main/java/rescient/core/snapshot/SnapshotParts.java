package rescient.core.snapshot;

import java.util.List;
import java.util.Map;
import rescient.core.base.ChunkedList;
import rescient.core.company.StockLot;

/** The parts of a snapshot while it is put together; see the fields of {@link Snapshot}. */
final class SnapshotParts {
    Network network;
    ChunkedList<DocumentDemands> demands;
    StockLot[][] stockOf;
    OpenSupply[][] openOrdersOf;
    ForecastConsumption.Outlook[] outlooks;
    Map<Long, Integer> outlookNumbers;
    int[][] outlooksOf;
    List<Snapshot.KitOrder> kitOrders;
    DatingOrder waves;
    Ranks numbers;
    Ranks lines;
    int[] itemRank;
    int[] siteRank;
    Map<String, Integer> itemIndex;
    Map<String, Integer> siteIndex;
    DocumentRows documents;

    SnapshotParts() {}

    /** The parts of a snapshot, to change some of them. */
    SnapshotParts(Snapshot of) {
        this.network = of.network;
        this.demands = of.demands;
        this.stockOf = of.stockOf;
        this.openOrdersOf = of.openOrdersOf;
        this.outlooks = of.outlooks;
        this.outlookNumbers = of.outlookNumbers;
        this.outlooksOf = of.outlooksOf;
        this.kitOrders = of.kitOrders;
        this.waves = of.waves;
        this.numbers = of.numbers;
        this.lines = of.lines;
        this.itemRank = of.itemRank;
        this.siteRank = of.siteRank;
        this.itemIndex = of.itemIndex;
        this.siteIndex = of.siteIndex;
        this.documents = of.documents;
    }
}
