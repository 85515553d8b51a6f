import { expect, test } from 'vitest';
import { changeOf, choiceOf, fieldsOf, path, percent, shade, signed } from './series';

const same = (n: number) => n;

test('the next year against the last', () => {
  expect(changeOf({ lastYear: 200, nextYear: 250 })).toBe(0.25);
  expect(changeOf({ lastYear: 0, nextYear: 250 })).toBeUndefined();
});

test('a share has its sign', () => {
  expect(percent(0.254)).toBe('+25 %');
  expect(percent(-0.1)).toBe('−10 %');
  expect(percent(0.001)).toBe('0 %');
  expect(percent(undefined)).toBe('');
});

test('a line through points, and the shade between two lines', () => {
  expect(
    path(
      [
        { day: 1, amount: 2 },
        { day: 3, amount: 4 }
      ],
      same,
      same
    )
  ).toBe('M1.0,2.0 L3.0,4.0');
  expect(shade([1, 2], [0, 1], [5, 6], same, same)).toBe('M1.0,5.0 L2.0,6.0 L2.0,1.0 L1.0,0.0 Z');
});

const TYPED = {
  method: 'SIMPLE',
  parameters: ' alpha=0.2 ',
  from: '2025-01-01',
  to: '',
  likeItem: '',
  likeSite: 'W',
  likePercent: '50',
  reason: 'quiet'
};

test('what is typed is what is tried: parameters belong to a method, site and percent to a like item', () => {
  expect(choiceOf(TYPED, Number)).toEqual({
    method: 'SIMPLE',
    parameters: 'alpha=0.2',
    from: '2025-01-01',
    to: undefined,
    likeItem: undefined,
    likeSite: undefined,
    likePercent: undefined
  });
  expect(choiceOf({ ...TYPED, method: '', likeItem: 'STOOL' }, Number)).toMatchObject({
    method: undefined,
    parameters: undefined,
    likeItem: 'STOOL',
    likeSite: 'W',
    likePercent: 50
  });
});

test('what is kept stands there as it would be typed', () => {
  expect(fieldsOf(undefined, String)).toBeUndefined();
  expect(fieldsOf({ method: 'THETA', likePercent: 80 }, String)).toMatchObject({
    method: 'THETA',
    parameters: '',
    likePercent: '80'
  });
});

test('a difference has its sign', () => {
  expect(signed(3, String)).toBe('+3');
  expect(signed(-3, String)).toBe('−3');
  expect(signed(0, String)).toBe('0');
});
