import { describe, expect, it } from 'vitest';
import { came, inDays, percent, usually } from './deliveries';

describe('what is said of deliveries', () => {
  it('says when it came beside the day it is judged by', () => {
    expect(came({ turned: 'late', days: 1 })).toBe('1 day late');
    expect(came({ turned: 'in_time', days: -2 })).toBe('2 days early');
    expect(came({ turned: 'in_time', days: 0 })).toBe('on the day');
    expect(came({ turned: 'short', days: 4 })).toBe('closed with less');
    expect(came({ turned: 'overdue', days: 4 })).toBe('4 days over, open');
    expect(came({ turned: null, days: 0 })).toBe('not judged yet');
  });

  it('says small parts with a decimal, and what is not known', () => {
    expect(percent(0.876)).toBe('88 %');
    expect(percent(0.0123)).toBe('1.2 %');
    expect(percent(0)).toBe('0 %');
    expect(percent(-0.034)).toBe('-3.4 %');
    expect(percent(undefined)).toBe('–');
  });

  it('says the middle in halves', () => {
    expect(usually(2.5)).toBe('2.5 d late');
    expect(usually(-1)).toBe('1 d early');
    expect(usually(0)).toBe('on the day');
    expect(inDays(11.26)).toBe('11.3');
  });
});
