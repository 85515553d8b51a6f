// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from 'vitest';
import { shortcuts } from './desk.svelte';

function press(
  key: string,
  target: HTMLElement = document.body,
  more: KeyboardEventInit = {}
): KeyboardEvent {
  const event = new KeyboardEvent('keydown', { key, cancelable: true, bubbles: true, ...more });
  Object.defineProperty(event, 'target', { value: target });
  shortcuts.handle(event);
  return event;
}

describe('the keys', () => {
  const leave: (() => void)[] = [];
  afterEach(() => leave.splice(0).forEach((f) => f()));

  function register(keys: string) {
    const run = vi.fn();
    leave.push(shortcuts.register(keys, [{ keys, says: keys, run }]));
    return run;
  }

  it('acts on any of the keys it is given', () => {
    const run = register('j, ArrowDown');
    press('j');
    press('ArrowDown');
    press('k');
    expect(run).toHaveBeenCalledTimes(2);
  });

  it('knows two keys in a row and forgets the first when another comes', () => {
    const run = register('g p');
    press('g');
    press('p');
    expect(run).toHaveBeenCalledTimes(1);
    press('g');
    press('x');
    press('p');
    expect(run).toHaveBeenCalledTimes(1);
  });

  it('lets people type', () => {
    const run = register('r');
    press('r', document.createElement('input'));
    press('r', document.createElement('select'));
    press('r', document.body, { ctrlKey: true });
    expect(run).not.toHaveBeenCalled();
    expect(press('r').defaultPrevented).toBe(true);
  });

  it('forgets the keys of a page that is left', () => {
    const run = register('q');
    leave.splice(0).forEach((f) => f());
    press('q');
    expect(run).not.toHaveBeenCalled();
    expect(shortcuts.all).toEqual([]);
  });
});
