import { describe, expect, it } from 'vitest';
import { assumptionOf, FIGURES, figureText, KINDS, monthsShown, type MonthRow } from './what-if';

describe('an assumption', () => {
  it('of demand needs a percentage', () => {
    expect(assumptionOf('DEMAND', { percent: '20 %', group: 'HIVE' })).toMatchObject({
      kind: 'DEMAND',
      percent: 20,
      group: 'HIVE'
    });
    expect(assumptionOf('DEMAND', { percent: '\u221212,5' })).toMatchObject({ percent: -12.5 });
    expect(assumptionOf('DEMAND', { percent: 'much' })).toBeUndefined();
    expect(assumptionOf('DEMAND', {})).toBeUndefined();
  });

  it('of an order needs item, site, quantity and day', () => {
    const form = { item: 'A', site: 'W', quantity: '1 200', due: '2026-12-01' };
    expect(assumptionOf('ORDER', form)).toMatchObject({ quantity: 1200, due: '2026-12-01' });
    expect(assumptionOf('ORDER', { ...form, customer: 'C1' })).toMatchObject({ customer: 'C1' });
    expect(assumptionOf('ORDER', { ...form, due: '' })).toBeUndefined();
  });

  it('of lost stock may mean all of it', () => {
    expect(assumptionOf('STOCK_LOST', { item: 'A', site: 'W' })).toEqual({
      kind: 'STOCK_LOST',
      item: 'A',
      site: 'W',
      quantity: undefined
    });
  });

  it('of a bill of materials changes a line, takes it out, or adds one', () => {
    expect(assumptionOf('BILL', { item: 'A', line: '10', quantity: '2' })).toEqual({
      kind: 'BILL',
      item: 'A',
      line: '10',
      quantity: 2
    });
    expect(assumptionOf('BILL', { item: 'A', line: '10' })).toMatchObject({
      line: '10',
      quantity: undefined
    });
    expect(assumptionOf('BILL', { item: 'A', component: 'B' })).toMatchObject({ component: 'B' });
    expect(assumptionOf('BILL', { item: 'A' })).toBeUndefined();
  });

  it('of planning data may empty a field', () => {
    expect(assumptionOf('PLANNING', { item: 'A', site: 'W', field: 'safety_stock' })).toMatchObject({
      fields: { safety_stock: '' }
    });
    expect(
      assumptionOf('PLANNING', { item: 'A', site: 'W', field: 'safety_stock', value: '1 200,5' })
    ).toMatchObject({ fields: { safety_stock: '1200.5' } });
    expect(
      assumptionOf('PLANNING', { item: 'A', site: 'W', field: 'supplier', value: '1 200' })
    ).toMatchObject({ fields: { supplier: '1 200' } });
  });

  it('of time needs both days', () => {
    const time = { from: '2026-12-01', to: '2026-12-04' };
    expect(assumptionOf('CALENDAR', { site: 'W', ...time })).toMatchObject({ working: false });
    expect(assumptionOf('CALENDAR', { site: 'W', working: 'works', ...time })).toMatchObject({
      working: true
    });
    expect(assumptionOf('SUPPLIER_OUT', { supplier: 'S', from: '2026-12-01' })).toBeUndefined();
    expect(assumptionOf('SUPPLIER_SLOWER', { supplier: 'S', days: '3' })).toMatchObject({ days: 3 });
    // for a time: both ends of it
    const slower = { supplier: 'S', days: '3', from: '2026-12-01' };
    expect(assumptionOf('SUPPLIER_SLOWER', slower)).toBeUndefined();
    expect(assumptionOf('SUPPLIER_SLOWER', { ...slower, to: '2026-12-31' })).toMatchObject({
      to: '2026-12-31'
    });
    expect(assumptionOf('FORECAST_SET', {})).toEqual({ kind: 'FORECAST_SET', set: undefined });
  });

  it('has a name for each kind', () => {
    expect(new Set(KINDS.map((k) => k.name)).size).toBe(9);
  });
});

describe('figures', () => {
  const named = (code: string) => FIGURES.find((f) => f.code === code)!;

  it('carry sign and unit', () => {
    expect(figureText(named('spend'), 1200.5, 'EUR', true)).toBe('+€\u20091\u2009200.50');
    expect(figureText(named('hours'), -3.5, 'EUR', true)).toBe('\u22123.5 h');
    expect(figureText(named('late_lines'), 2, 'EUR')).toBe('2');
  });

  it('that are the same are a dot', () => {
    expect(figureText(named('late_lines'), 0, 'EUR', true)).toBe('\u00b7');
  });
});

describe('months', () => {
  it('open into their parts', () => {
    const row = (month: string, code?: string): MonthRow => ({
      month,
      code,
      live: 1,
      other: 1,
      difference: 0
    });
    const rows = [row('2026-11-01'), row('2026-11-01', 'S'), row('2026-12-01'), row('2026-12-01', 'S')];
    expect(monthsShown(rows, new Set(['2026-12-01'])).map((r) => [r.month, r.code])).toEqual([
      ['2026-11-01', undefined],
      ['2026-12-01', undefined],
      ['2026-12-01', 'S']
    ]);
  });
});
