import { describe, expect, it } from 'vitest';
import { between, hours, near, tickOf, widthOf, type Bench, type Job } from './cards';

const job = (key: string, place: number, minutes = 60) => ({ key, place, minutes }) as Job;
const SAW = [job('A', 1), job('B', 2), job('C', 5)];

describe('cards of the workbench', () => {
  it('lie between the places of those beside them', () => {
    expect(between(SAW, 'A', 0)).toEqual({ behind: undefined, ahead: 2 });
    expect(between(SAW, 'A', 1)).toEqual({ behind: 2, ahead: 5 });
    expect(between(SAW, 'A', 2)).toEqual({ behind: 5, ahead: undefined });
  });

  it('are as wide as the work is long, and can be read', () => {
    expect(widthOf(job('A', 1, 600))).toBe(260);
    expect(widthOf(job('A', 1, 5))).toBe(132);
    expect(widthOf(job('A', 1, 60_000))).toBe(300);
  });

  it('tick off their parts', () => {
    const part = (there: number) => tickOf({ item: 'LEG', itemName: '', wanted: 4, there, unit: 'pcs' });
    expect([4, 5, 1, 0].map(part)).toEqual(['there', 'there', 'some', 'missing']);
  });

  it('are gone to row by row and place by place', () => {
    const benches = [{ jobs: SAW }, { jobs: [job('D', 1)] }] as Bench[];
    expect(near(benches, undefined, 1, 0)?.key).toBe('A');
    expect(near(benches, 'A', 0, 1)?.key).toBe('B');
    expect(near(benches, 'C', 0, 1)?.key).toBe('C');
    expect(near(benches, 'C', 1, 0)?.key).toBe('D');
    expect(near(benches, 'D', 1, 0)?.key).toBe('D');
  });

  it('say hours', () => {
    expect([30, 90, 750].map(hours)).toEqual(['0.5 h', '1.5 h', '13 h']);
  });
});
