-- A scanned lot or serial number is found whatever item it is of.
create index movements_lot on movements (lot) where lot is not null;
create index movements_serial on movements (serial) where serial is not null;
