import { describe, expect, it } from 'vitest';
import { leadsTo, scanning, type Scan } from './scanning.svelte';

const scan = (more: Partial<Scan>): Scan => ({ kind: 'item', sentence: '', ...more });

describe('a scanned code', () => {
  it('leads to the page of what it means', () => {
    expect(leadsTo(scan({ item: 'SUIT-M' }))).toBe('/stock?words=SUIT-M');
    expect(leadsTo(scan({ kind: 'lot', item: 'SYRUP-5', lot: 'S 1/2' }))).toBe(
      '/stock/lot?item=SYRUP-5&lot=S+1%2F2'
    );
    expect(leadsTo(scan({ kind: 'serial', item: 'EXTR-4', serial: 'X7' }))).toBe(
      '/stock/lot?item=EXTR-4&serial=X7'
    );
    expect(leadsTo(scan({ kind: 'order', number: 'PO-1' }))).toBe('/orders?number=PO-1');
    expect(leadsTo(scan({ kind: 'nothing' }))).toBeUndefined();
  });

  it('goes to the page in sight first, and says what is nothing', () => {
    const seen: string[] = [];
    const gone = scanning.takenBy((s) => seen.push(s.item ?? '') > 0);
    scanning.use(scan({ item: 'A' }));
    scanning.use(scan({ kind: 'nothing', sentence: 'Nothing here is called B' }));
    expect(seen).toEqual(['A']);
    expect(scanning.said).toBe('Nothing here is called B');
    gone();
  });

  it('waits for the line of its item, once', () => {
    scanning.wait(scan({ item: 'A', lot: 'L1', kind: 'lot' }));
    expect(scanning.take('B')).toBeUndefined();
    expect(scanning.take('A')?.lot).toBe('L1');
    expect(scanning.take('A')).toBeUndefined();
  });
});
