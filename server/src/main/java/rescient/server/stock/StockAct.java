package rescient.server.stock;

/** What is done with stock. */
enum StockAct {
    RECEIVE,
    RETURN_TO_SUPPLIER,
    ADJUST,
    COUNT,
    QUARANTINE,
    FREE,
    REVERSE
}
