import { describe, expect, it } from 'vitest';
import { Once } from './once';

/** Sends and remembers under which key. */
function sending(once: Once) {
  const keys: string[] = [];
  const send = (what: unknown, how: () => Promise<string> = () => Promise.resolve('done')) =>
    once.send(what, (header) => {
      keys.push(header['Idempotency-Key']);
      return how();
    });
  return { keys, send };
}

const lost = () => Promise.reject(new Error('No answer came'));

describe('what is to be done once', () => {
  it('goes under the same key again when no answer came', async () => {
    const { keys, send } = sending(new Once());
    await expect(send({ order: 'P1', quantity: 5 }, lost)).rejects.toThrow('No answer came');
    expect(await send({ order: 'P1', quantity: 5 })).toBe('done');
    expect(keys[1]).toBe(keys[0]);
  });

  it('is another thing when it says something else', async () => {
    const { keys, send } = sending(new Once());
    await expect(send({ order: 'P1', quantity: 5 }, lost)).rejects.toThrow();
    await send({ order: 'P1', quantity: 6 });
    expect(keys[1]).not.toBe(keys[0]);
  });

  it('is another thing once the first was answered, alike as it may be', async () => {
    const { keys, send } = sending(new Once());
    await send({ order: 'P1' });
    await send({ order: 'P1' });
    expect(keys[1]).not.toBe(keys[0]);
  });

  it('goes under one key when it is pressed twice before the answer', async () => {
    const { keys, send } = sending(new Once());
    await Promise.all([send({ order: 'P1' }), send({ order: 'P1' })]);
    expect(keys[1]).toBe(keys[0]);
  });
});
