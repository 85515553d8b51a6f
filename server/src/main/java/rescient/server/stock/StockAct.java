package rescient.server.stock;

/** What is done with stock. */
enum StockAct {
    RECEIVE,
    RETURN_TO_SUPPLIER,
    ISSUE,
    OUTPUT,
    FINISH,
    SHIP_TRANSFER,
    RECEIVE_TRANSFER,
    SHIP,
    RETURN_FROM_CUSTOMER,
    ADJUST,
    COUNT,
    QUARANTINE,
    FREE,
    REVERSE
}
