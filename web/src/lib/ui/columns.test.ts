// @vitest-environment jsdom
import { beforeEach, describe, expect, it } from 'vitest';
import { Columns, type Column } from './columns.svelte';

const MARK: Column = { code: 'mark', name: '', width: 19, fixed: true };
const NUMBER: Column = { code: 'number', name: 'Order', width: 100 };
const NAME: Column = { code: 'name', name: 'Item' };
const DUE: Column = { code: 'due', name: 'Due', width: 80, right: true };

const columns = () => new Columns('Test', () => [MARK, NUMBER, NAME, DUE]);

describe('the columns of a list', () => {
  beforeEach(() => localStorage.clear());

  it('are as wide as they come, and one takes the rest', () => {
    expect(columns().template).toBe('19px 100px minmax(0, 1fr) 80px');
    expect(columns().taken).toBe(199);
  });

  it('stay as wide as somebody made them', () => {
    columns().to(DUE, 120.4);
    expect(columns().template).toBe('19px 100px minmax(0, 1fr) 120px');
  });

  it('keep their widths apart from those of other lists', () => {
    columns().to(DUE, 120);
    expect(new Columns('Other', () => [DUE]).template).toBe('80px');
  });

  it('become neither too narrow to be taken hold of nor wider than a list', () => {
    const made = columns();
    made.to(DUE, 2);
    expect(made.width(DUE)).toBe(36);
    made.to(DUE, 9000);
    expect(made.width(DUE)).toBe(420);
  });

  it('go by steps, and back to how they come', () => {
    const made = columns();
    made.by(DUE, 2);
    expect(made.width(DUE)).toBe(96);
    made.by(DUE, -1);
    expect(made.width(DUE)).toBe(88);
    made.reset(DUE);
    expect(columns().width(DUE)).toBe(80);
  });

  it('leave a mark as it is', () => {
    const made = columns();
    made.to(MARK, 60);
    expect(made.template).toMatch(/^19px /);
  });

  it('are drawn wider away from the one that takes the rest', () => {
    expect(columns().leads(NUMBER)).toBe(true);
    expect(columns().leads(DUE)).toBe(false);
  });

  it('take no harm from what is kept wrongly', () => {
    localStorage.setItem('columns Test', '{"due": "wide", "number": 90}');
    expect(columns().template).toBe('19px 90px minmax(0, 1fr) 80px');
    localStorage.setItem('columns Test', 'nonsense');
    expect(columns().template).toBe('19px 100px minmax(0, 1fr) 80px');
  });
});
