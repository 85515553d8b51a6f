import { expect, test } from 'vitest';
import { numbersOf, serialsWrong } from './numbers';

test('numbers stand apart by blanks, commas or lines', () => {
  expect(numbersOf(' X4-01,X4-02\nX4-03;  X4-04 ')).toEqual(['X4-01', 'X4-02', 'X4-03', 'X4-04']);
  expect(numbersOf('  ')).toEqual([]);
});

test('from the first to the last, with as many digits as the first', () => {
  expect(numbersOf('X4-0098..0101')).toEqual(['X4-0098', 'X4-0099', 'X4-0100', 'X4-0101']);
  expect(numbersOf('X4-0007..0007')).toEqual(['X4-0007']);
  expect(numbersOf('9..11')).toEqual(['9', '10', '11']);
});

test('what is no range stands as it is', () => {
  expect(numbersOf('X4-9..7')).toEqual(['X4-9..7']);
  expect(numbersOf('1..5000')).toEqual(['1..5000']);
  expect(numbersOf('a..b')).toEqual(['a..b']);
});

test('as many as there are pieces, each once', () => {
  expect(serialsWrong(['a', 'b'], 2)).toBeUndefined();
  expect(serialsWrong(['a', 'b'], undefined)).toBeUndefined();
  expect(serialsWrong([], 3)).toBeUndefined();
  expect(serialsWrong(['a', 'b', 'a'], 3)).toBe('a stands there twice');
  expect(serialsWrong(['a'], 3)).toBe('is one number for 3 pieces');
  expect(serialsWrong(['a', 'b'], 3)).toBe('are 2 numbers for 3 pieces');
});
