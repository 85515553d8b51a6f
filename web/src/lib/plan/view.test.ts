import { describe, expect, it, vi } from 'vitest';

vi.mock('$app/state', () => ({ page: { url: new URL('http://x/plan') } }));

import { viewOf } from '$lib/links';
import { csv, tabbed } from '$lib/ui/export';
import { columnsOf, columnsText, listColumns, listWidth } from './columns';
import { filtersFrom } from './filters';
import { sheetOf } from './orders-sheet';
import { placeOf } from './place';
import type { Schemas } from '$lib/api/client';
import { repairsOf } from './repairs';

describe('columns', () => {
  it('are the ordinary ones unless the address says otherwise', () => {
    expect(columnsOf(undefined)).toEqual(['start', 'due', 'possible']);
    expect(columnsOf('due.value')).toEqual(['due', 'value']);
    expect(columnsOf('nonsense')).toEqual(['start', 'due', 'possible']);
  });

  it('stand in the address in their order, the ordinary ones not at all', () => {
    expect(columnsText(['possible', 'start', 'due'])).toBeUndefined();
    expect(columnsText(['value', 'start'])).toBe('start.value');
  });

  it('stand behind what the order is for and its quantity', () => {
    expect(listColumns(['start', 'value']).map((c) => c.code)).toEqual([
      'selected',
      'source',
      'item',
      'quantity',
      'start',
      'value'
    ]);
  });

  it('make the list wider, each by itself and a gap of 8', () => {
    expect(listWidth(6, 300 + 104)).toBe(listWidth(5, 300) + 112);
  });
});

describe('a view', () => {
  it('is what the address says of the list, without what is opened', () => {
    const address = new URLSearchParams('by=supplier&order=A~B&late=yes&without=SO-1~1');
    expect(viewOf(address)).toBe('late=yes&by=supplier');
  });

  it('takes only groupings there are', () => {
    const said = (text: string) => {
      const params = new URLSearchParams(text);
      return filtersFrom((name) => params.get(name) ?? undefined);
    };
    expect(said('by=customer').by).toBe('customer');
    expect(said('by=moon').by).toBeUndefined();
    expect(said('late=yes').late).toBe(true);
  });
});

describe('the stock point of a row', () => {
  it('stands in the key of a planned order and of a signal', () => {
    expect(placeOf('A%2F1~W+1~2026-01-01~5~0', undefined, undefined, new Map())).toEqual({
      item: 'A/1',
      site: 'W 1',
      order: 'A%2F1~W+1~2026-01-01~5~0'
    });
    expect(placeOf('!cancel~A~W~PO-1~1', undefined, undefined, new Map())).toEqual({ item: 'A', site: 'W' });
  });

  it('is unknown for a firmed order that is not in the list', () => {
    expect(placeOf('FO-1~1', undefined, undefined, new Map())).toBeUndefined();
  });

  it('is the one of the address for a firmed order that is not in the list', () => {
    expect(placeOf('FO-1~1', 'A', 'W', new Map())).toEqual({ item: 'A', site: 'W', line: 'FO-1~1' });
  });
});

describe('repairs', () => {
  const signal = { kind: '', item: 'A', site: 'W', bad: true, sentence: '', order: 'PO-1~1' };
  const cures = (cure: Schemas['CureRow']['cure'], ...planningData: string[]) => [{ cure, planningData }];

  it('move an open order to the proposed day', () => {
    const [repair] = repairsOf({ ...signal, newDate: '2026-12-09', cures: cures('MOVE') }, (d) => d);
    expect(repair?.says).toBe('Move it to 2026-12-09');
    expect(repair?.deciding).toEqual({ kind: 'CHANGE', orders: ['PO-1~1'], form: { due: '2026-12-09' } });
  });

  it('look at the planning data that the cure names', () => {
    const [repair] = repairsOf(
      { ...signal, cures: cures('CHOOSE_SUPPLIER', 'supplier', 'lead_time_days') },
      (d) => d
    );
    expect(repair?.deciding).toMatchObject({ kind: 'PLANNING', fields: ['supplier', 'lead_time_days'] });
  });

  it('raise a reorder point to what the signal says', () => {
    const low = { ...signal, quantity: 64.5, cures: cures('RAISE_REORDER_POINT', 'reorder_point') };
    expect(repairsOf(low, (d) => d)[0]?.deciding.form).toEqual({ fields: { reorder_point: '64.5' } });
  });

  it('of a loop takes one of its lines out', () => {
    const loop = [{ parent: 'A', line: '20', component: 'B' }];
    const [repair] = repairsOf({ ...signal, loop, cures: cures('BREAK_LOOP') }, (d) => d);
    expect(repair?.says).toBe('Take B out of A');
    expect(repair?.deciding).toMatchObject({ kind: 'BILL', item: 'A', form: { line: '20' } });
  });

  it('are none for what only the plan can cure', () => {
    expect(repairsOf({ ...signal, cures: [] }, (d) => d)).toEqual([]);
  });
});

describe('the list as CSV', () => {
  it('has a line for each order, what is not known left empty', () => {
    const order = {
      key: 'k',
      group: 'START_TODAY' as const,
      item: 'A',
      itemName: 'Name, long',
      site: 'W',
      siteName: 'Works',
      source: 'make',
      quantity: 2,
      unit: 'pcs',
      start: '2026-11-23',
      due: '2026-11-30',
      ends: 0,
      forLate: false
    };
    expect(csv(sheetOf([order])).split('\r\n')[1]).toBe(
      'A,"Name, long",W,make,,2,pcs,2026-11-23,2026-11-30,,,planned,,,'
    );
    expect(tabbed(sheetOf([{ ...order, itemName: 'two\tin one' }])).split('\n')[1]).toBe(
      'A\ttwo in one\tW\tmake\t\t2\tpcs\t2026-11-23\t2026-11-30\t\t\tplanned\t\t\t'
    );
  });
});
