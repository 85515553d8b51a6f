import { describe, expect, it } from 'vitest';
import { percent, went } from './kept';

describe('what became of a promise', () => {
  it('says the days beside the promised one', () => {
    expect(went({ turned: 'kept', days: 0 })).toBe('on the day');
    expect(went({ turned: 'kept', days: -2 })).toBe('2 days early');
    expect(went({ turned: 'late', days: 1 })).toBe('1 day late');
    expect(went({ turned: 'overdue', days: 7 })).toBe('7 days over, open');
    expect(went({ turned: 'short', days: 3 })).toBe('closed with less');
  });

  it('is a share of nothing where there is none', () => {
    expect(percent({ percent: undefined })).toBe('–');
    expect(percent({ percent: 67 })).toBe('67 %');
  });
});
