import { beforeEach, describe, expect, it } from 'vitest';
import { Asked, calculates } from './asked.svelte';

const ADDRESS = 'http://desk.test/api/what-ifs/7';

describe('calculations that were asked for', () => {
  let told: string[];
  let asked: Asked;
  beforeEach(() => {
    told = [];
    asked = new Asked((name) => told.push(name));
  });

  it('are ended on the server when nobody waits for them any more', () => {
    const waiting = new AbortController();
    const request = new Request(ADDRESS, { signal: waiting.signal });
    asked.begin(request, 0);
    expect(told).toEqual([]);
    waiting.abort();
    expect(told).toEqual([request.headers.get('Calculation')]);
  });

  it('are left alone once they are answered', () => {
    const waiting = new AbortController();
    const request = new Request(ADDRESS, { signal: waiting.signal });
    asked.begin(request, 0);
    asked.over(request);
    waiting.abort();
    asked.end();
    expect(told).toEqual([]);
  });

  it('may be ended when one takes a second', () => {
    const first = new Request(ADDRESS);
    const second = new Request(ADDRESS);
    asked.begin(first, 0);
    asked.begin(second, 900);
    asked.tick(999);
    expect(asked.long).toBe(false);
    asked.tick(1000);
    expect(asked.long).toBe(true);
    asked.over(first);
    expect(asked.long).toBe(false);
    asked.end();
    expect(told).toEqual([second.headers.get('Calculation')]);
  });

  it('are those of what-ifs, previews and trials', () => {
    const of = (path: string, headers = {}) =>
      calculates(new Request('http://desk.test' + path, { headers }));
    expect(of('/api/what-ifs/7')).toBe(true);
    expect(of('/api/releases/preview')).toBe(true);
    expect(of('/api/promise?item=A')).toBe(true);
    expect(of('/api/promise/ways?at=0')).toBe(true);
    expect(of('/api/plan/orders')).toBe(false);
    expect(of('/api/plan/orders', { 'Plan-What-If': '7' })).toBe(true);
  });
});
