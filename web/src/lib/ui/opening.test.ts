import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Opening } from './opening';

describe('what the cursor stands on', () => {
  let opened: string[];
  let opening: Opening;
  let there: () => void;

  const open = (name: string) => () => {
    opened.push(name);
    return new Promise<void>((done) => (there = done));
  };
  const frame = () => vi.advanceTimersByTimeAsync(17);

  beforeEach(() => {
    vi.useFakeTimers();
    // frames come by the same clock
    vi.stubGlobal('requestAnimationFrame', (run: () => void) => setTimeout(run, 16));
    vi.stubGlobal('cancelAnimationFrame', (frame: number) => clearTimeout(frame));
    opened = [];
    opening = new Opening();
  });

  afterEach(() => {
    vi.unstubAllGlobals();
    vi.useRealTimers();
  });

  it('is opened once the cursor is painted, and until then the cursor is newer than what is open', async () => {
    const done = vi.fn();
    void opening.later(open('B')).then(done);
    expect(opened).toEqual([]);
    expect(opening.pending).toBe(true);
    await frame();
    expect(opened).toEqual(['B']);
    expect(opening.pending).toBe(true);
    expect(done).not.toHaveBeenCalled();
    there();
    await frame();
    expect(opening.pending).toBe(false);
    expect(done).toHaveBeenCalledOnce();
  });

  it('is not opened where the cursor has moved on', async () => {
    const given = vi.fn();
    void opening.later(open('B')).then(given);
    void opening.later(open('C'));
    await frame();
    expect(opened).toEqual(['C']);
    expect(given).toHaveBeenCalledOnce();
  });

  it('is not opened once nobody looks', async () => {
    void opening.later(open('B'));
    opening.stop();
    await frame();
    expect(opened).toEqual([]);
    expect(opening.pending).toBe(false);
  });
});
