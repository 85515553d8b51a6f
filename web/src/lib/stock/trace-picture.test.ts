import { describe, expect, it } from 'vitest';
import { label, placed, type Step } from './trace-picture';

const step = (depth: number, kind: string, item: string, more: Partial<Step> = {}): Step => ({
  depth,
  kind,
  item,
  itemName: item,
  quantity: 1,
  unit: 'pcs',
  date: '2026-11-02',
  document: 'make',
  number: 'MO-1',
  ...more
});

describe('the picture of a trace', () => {
  it('hangs each step on the last one before it that is less deep', () => {
    const rows = placed([
      step(0, 'output', 'HIVE'),
      step(1, 'issue', 'BOX'),
      step(2, 'receipt', 'BOX'),
      step(1, 'issue', 'LID'),
      step(0, 'output', 'HIVE')
    ]);
    expect(rows.map((r) => r.from)).toEqual([-1, 0, 1, 0, -1]);
    expect(rows.map((r) => r.row)).toEqual([0, 1, 2, 3, 4]);
  });

  it('names lots by their numbers and shipments by who has them', () => {
    const [made, went] = placed([
      step(0, 'output', 'HIVE', { serial: 'H-7' }),
      step(0, 'shipment', 'HIVE', { partner: 'Bramble & Comb', number: 'SO-4' })
    ]);
    expect(made && label(made)).toBe('HIVE H-7');
    expect(went && label(went)).toBe('Bramble & Comb');
  });
});
