import { afterEach, describe, expect, it, vi } from 'vitest';
import { Ahead } from './ahead';

const LIST = 'http://desk.test/api/plan/orders';

function ahead(early: Promise<Response>): (request: Request) => Promise<string> {
  vi.stubGlobal('fetch', () => Promise.resolve(new Response('asked now')));
  const { fetch } = new Ahead(new Map([['/api/plan/orders', early]]));
  return async (request) => (await fetch(request)).text();
}

describe('what the page asked for ahead', () => {
  afterEach(() => vi.unstubAllGlobals());

  it('is taken by the first who asks for it, once', async () => {
    const ask = ahead(Promise.resolve(new Response('asked early')));
    expect(await ask(new Request(LIST))).toBe('asked early');
    expect(await ask(new Request(LIST))).toBe('asked now');
  });

  it('is not taken for another question', async () => {
    const ask = ahead(Promise.resolve(new Response('asked early')));
    expect(await ask(new Request(LIST + '?site=MAIN'))).toBe('asked now');
    expect(await ask(new Request('http://desk.test/api/plan'))).toBe('asked now');
    expect(await ask(new Request(LIST))).toBe('asked early');
  });

  it('is not taken in a trial, nor afterwards, when it is old', async () => {
    const ask = ahead(Promise.resolve(new Response('asked early')));
    expect(await ask(new Request(LIST, { headers: { 'Plan-Without': 'A~1' } }))).toBe('asked now');
    expect(await ask(new Request(LIST))).toBe('asked now');
  });

  it('is not taken by somebody whose week starts on another day', async () => {
    const ask = ahead(Promise.resolve(new Response('asked early')));
    expect(await ask(new Request(LIST, { headers: { 'Week-Starts': '0' } }))).toBe('asked now');
  });

  it('is asked for again if it failed', async () => {
    const ask = ahead(Promise.reject(new TypeError('no connection')));
    expect(await ask(new Request(LIST))).toBe('asked now');
  });
});
