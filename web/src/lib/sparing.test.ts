import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Sparing } from './sparing';

describe('what each new plan asks for', () => {
  let asked: number;
  let answer: () => void;
  let sparing: Sparing;
  let now: number;

  const after = async (ms: number) => {
    now += ms;
    await vi.advanceTimersByTimeAsync(ms);
  };

  beforeEach(() => {
    vi.useFakeTimers();
    asked = 0;
    now = 0;
    sparing = new Sparing(
      () => {
        asked++;
        return new Promise<void>((done) => (answer = done));
      },
      () => now
    );
  });

  afterEach(() => {
    vi.useRealTimers();
  });

  it('is asked at once the first time', async () => {
    sparing.ask();
    await after(0);
    expect(asked).toBe(1);
  });

  it('waits ten times as long as the answer took, and asks once for all wishes meanwhile', async () => {
    sparing.ask();
    await after(0);
    sparing.ask();
    sparing.ask();
    await after(300);
    expect(asked).toBe(1);
    answer();
    await after(0);
    await after(2999);
    expect(asked).toBe(1);
    await after(1);
    expect(asked).toBe(2);
    answer();
    await after(60_000);
    expect(asked).toBe(2);
  });

  it('is not asked once nobody looks', async () => {
    sparing.ask();
    sparing.stop();
    await after(1000);
    expect(asked).toBe(0);
  });
});
