// The axes under all pictures: days along, amounts up. Days are numbers, as `dayNumber` counts them.
import { scaleLinear } from 'd3-scale';

export interface Days {
  from: number;
  to: number;
  /** Pixels of a day. */
  perDay: number;
  x: (day: number) => number;
  /** The nearest day to a place, within the axis. */
  dayAt: (x: number) => number;
}

export interface Amounts {
  low: number;
  high: number;
  y: (amount: number) => number;
  /** Round amounts to be written beside the axis. */
  rounds: number[];
}

/** A picture of amounts over days. */
export type Plane = Days & Amounts;

export interface Frame {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Days from one to another, both included, between two places. */
export function days(from: number, to: number, left: number, right: number): Days {
  const end = Math.max(from + 1, to);
  const scale = scaleLinear([from, end], [left, right]);
  return {
    from,
    to,
    perDay: (right - left) / (end - from),
    x: (day) => scale(day),
    dayAt: (x) => Math.round(Math.max(from, Math.min(to, scale.invert(x))))
  };
}

const AIR = 0.14;
const ROUNDS = 5;

/** Amounts between the least and the most of some, and zero, with air above and below. */
export function amounts(some: number[], top: number, bottom: number): Amounts {
  const least = Math.min(0, ...some);
  const most = Math.max(1, ...some);
  const air = (most - least) * AIR;
  const low = least < 0 ? least - air : -air / 2;
  const high = most + air;
  const scale = scaleLinear([low, high], [bottom, top]);
  return { low, high, y: (amount) => scale(amount), rounds: scale.ticks(ROUNDS) };
}

export function plane(frame: Frame, from: number, to: number, some: number[]): Plane {
  return { ...days(from, to, frame.left, frame.right), ...amounts(some, frame.top, frame.bottom) };
}

const WEEK = 7;
/** The first Monday that has a number: 5 January 1970. */
const MONDAY = 4;
/** What a date takes on an axis, in pixels. */
const ROOM = 56;

/** The Mondays of an axis from its first on, every second or fourth … where there is no room for all. */
export function mondays(axis: Days): number[] {
  let step = WEEK;
  while (step * axis.perDay < ROOM) step *= 2;
  const first = axis.from + ((MONDAY - (axis.from % WEEK) + WEEK) % WEEK);
  const found: number[] = [];
  for (let day = first; day < axis.to; day += step) found.push(day);
  return found;
}

/** Whether two days are so far apart that both can be written. */
export function apart(axis: Days, a: number, b: number): boolean {
  return Math.abs(a - b) * axis.perDay >= ROOM;
}
