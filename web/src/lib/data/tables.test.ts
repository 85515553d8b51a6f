import { describe, expect, it } from 'vitest';
import { keyOf, label, nameOf, shown, typed, type ColumnView, type TableView } from './tables';

const column = (name: string, holds: string, more: Partial<ColumnView> = {}): ColumnView => ({
  name,
  holds,
  key: false,
  required: false,
  meaning: '',
  ...more
});
const TABLE: TableView = {
  name: 'planning',
  meaning: '',
  columns: [
    column('item', 'text', { key: true }),
    column('site', 'text', { key: true }),
    column('rule', 'words')
  ]
};

describe('values of the company’s data', () => {
  it('are read as people write them, and typed text is sent as the server reads it', () => {
    const quantity = column('safety_stock', 'number');
    expect(shown(quantity, '1250.5')).toBe('1 250.5'.replace(' ', '\u2009'));
    expect(typed(quantity, '1 250.5', '2026-11-23')).toBe('1250.5');
    expect(typed(quantity, 'soon', '2026-11-23')).toBe('soon');
    expect(shown(quantity, 'soon')).toBe('soon');
    expect(typed(quantity, '0.000001', '2026-11-23')).toBe('0.000001');
    expect(typed(quantity, '', '2026-11-23')).toBe('');
  });

  it('know dates, yes and no, and words', () => {
    expect(typed(column('valid_from', 'date'), '9 Dec', '2026-11-23')).toBe('2026-12-09');
    expect(shown(column('retired', 'flag'), 'true')).toBe('yes');
    expect(typed(column('retired', 'flag'), 'No', '2026-11-23')).toBe('false');
    expect(shown(column('rule', 'words'), 'lot_for_lot')).toBe('lot for lot');
    expect(label('lead_time_days')).toBe('Lead time');
    expect(label('standard_cost')).toBe('Standard cost');
  });

  it('tell rows by their keys', () => {
    const row = { item: 'A', site: 'W', rule: 'min_max' };
    expect(keyOf(TABLE, row)).toEqual({ item: 'A', site: 'W' });
    expect(nameOf(TABLE, row)).toBe('A W');
    expect(keyOf(TABLE, { item: 'A' })).toEqual({ item: 'A' });
  });
});
