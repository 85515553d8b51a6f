// Where things stand on the stock line: steps and labels. Drawing only; every figure comes from the server.
import type { Schemas } from '$lib/api/client';
import { dayNumber } from '$lib/format';
import type { Frame, Plane } from '$lib/ui/axis';

type Level = Schemas['Level'];

/** The level in force on a day: that of the last row at or before it. */
export function levelOn(levels: Level[], day: number): number {
  let found = 0;
  for (const level of levels) {
    if (dayNumber(level.date) > day) break;
    found = level.balance;
  }
  return found;
}

/** The stepped line as an SVG path, cut at the right edge. */
export function steps(levels: Level[], s: Plane): string {
  let path = '';
  let last = 0;
  for (const level of levels) {
    const day = dayNumber(level.date);
    if (day > s.to) break;
    const x = s.x(Math.max(day, s.from)).toFixed(1);
    path += path ? `H${x}V${s.y(level.balance).toFixed(1)}` : `M${x} ${s.y(level.balance).toFixed(1)}`;
    last = level.balance;
  }
  return path && `${path}H${s.x(s.to).toFixed(1)}V${s.y(last).toFixed(1)}`;
}

/** The areas between zero and a line that lies below it. */
export function shortages(levels: Level[], s: Plane): string {
  let path = '';
  for (let i = 0; i < levels.length; i++) {
    const level = levels[i];
    if (!level || level.balance >= 0) continue;
    const begin = dayNumber(level.date);
    const next = levels[i + 1];
    const end = Math.min(s.to, next ? dayNumber(next.date) : s.to);
    if (begin >= s.to || end <= begin) continue;
    path += `M${s.x(begin).toFixed(1)} ${s.y(0).toFixed(1)}V${s.y(level.balance).toFixed(1)}H${s.x(end).toFixed(1)}V${s.y(0).toFixed(1)}Z`;
  }
  return path;
}

export interface Label {
  x: number;
  y: number;
  text: string;
  /** What is said where there is no room for all of it. */
  short?: string;
  /** Larger ones are placed first. */
  weight: number;
}

export interface PlacedLabel extends Label {
  anchor: 'start' | 'end';
}

const CHAR = 5.9;
const HEIGHT = 12;
const GAP = 8;

/** How wide a text will be, about. */
export function textWidth(text: string): number {
  return text.length * CHAR;
}

const LINE = 3;

/** The boxes that a stepped line takes, a little wider than it is drawn. */
export function lineBoxes(levels: Level[], s: Plane): Frame[] {
  const boxes: Frame[] = [];
  let x = s.x(s.from);
  let y: number | undefined;
  for (const level of [...levels, undefined]) {
    const day = level ? dayNumber(level.date) : s.to;
    const to = s.x(Math.max(s.from, Math.min(s.to, day)));
    if (y !== undefined) boxes.push({ left: x, right: to, top: y - LINE, bottom: y + LINE });
    if (!level || day > s.to) break;
    const next = s.y(level.balance);
    if (y !== undefined)
      boxes.push({ left: to - LINE, right: to + LINE, top: Math.min(y, next), bottom: Math.max(y, next) });
    x = to;
    y = next;
  }
  return boxes;
}

/**
 * Places labels beside their marks so that none overlaps another or a taken box; where there is no room they are shortened,
 * or dropped.
 */
export function placeLabels(labels: Label[], frame: Frame, taken: Frame[] = []): PlacedLabel[] {
  const boxes = [...taken];
  const placed: PlacedLabel[] = [];
  for (const label of [...labels].sort((a, b) => b.weight - a.weight)) {
    const texts = [label.text, ...(label.short ? [label.short] : [])];
    const places = texts.flatMap((text) => {
      const width = textWidth(text);
      return [
        { text, width, anchor: 'start' as const, left: label.x + GAP, dy: 0 },
        { text, width, anchor: 'end' as const, left: label.x - GAP - width, dy: 0 },
        { text, width, anchor: 'start' as const, left: label.x + GAP, dy: -HEIGHT },
        { text, width, anchor: 'start' as const, left: label.x + GAP, dy: HEIGHT },
        { text, width, anchor: 'end' as const, left: label.x - GAP - width, dy: -HEIGHT },
        { text, width, anchor: 'end' as const, left: label.x - GAP - width, dy: HEIGHT }
      ];
    });
    for (const place of places) {
      const box = {
        left: place.left,
        right: place.left + place.width,
        top: label.y + place.dy - HEIGHT / 2,
        bottom: label.y + place.dy + HEIGHT / 2
      };
      const inside =
        box.left >= frame.left &&
        box.right <= frame.right &&
        box.top >= frame.top &&
        box.bottom <= frame.bottom;
      const free = boxes.every(
        (b) => box.right < b.left || box.left > b.right || box.bottom < b.top || box.top > b.bottom
      );
      if (inside && free) {
        boxes.push(box);
        placed.push({ ...label, text: place.text, y: label.y + place.dy, anchor: place.anchor });
        break;
      }
    }
  }
  return placed;
}
