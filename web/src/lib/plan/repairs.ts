import { asTyped } from '$lib/format';
import type { Schemas } from '$lib/api/client';
import type { Deciding, Form } from './command';

/** What a signal asks to be done, and what the button for it says. */
export interface Repair {
  says: string;
  deciding: Deciding;
}

type Signal = Schemas['SignalView'];

/** A cure of a signal as it is said here, and the pane that it opens. */
function repair(signal: Signal, cure: Schemas['CureRow'], day: (iso: string) => string): Repair[] {
  const orders = signal.order ? [signal.order] : [];
  const { item, site } = signal;
  const planning = (says: string, form?: Form): Repair[] => [
    { says, deciding: { kind: 'PLANNING', orders: [], item, site, fields: cure.planningData, form } }
  ];
  const quantity = signal.quantity === null || signal.quantity === undefined ? '' : asTyped(signal.quantity);
  switch (cure.cure) {
    case 'MOVE':
      return [
        {
          says: signal.newDate ? `Move it to ${day(signal.newDate)}` : 'Move it',
          deciding: { kind: 'CHANGE', orders, form: { due: signal.newDate ?? undefined } }
        }
      ];
    case 'ANOTHER_DATE':
      return [{ says: 'Give it another date', deciding: { kind: 'CHANGE', orders } }];
    case 'CANCEL':
      return [{ says: 'Cancel it', deciding: { kind: 'CANCEL', orders } }];
    case 'CHOOSE_SUPPLIER':
      return planning('Choose a supplier');
    case 'CHOOSE_SOURCE':
      return planning('Say how it is replenished');
    case 'ORDER_ONCE':
      return [
        {
          says: 'Order it this once',
          deciding: {
            kind: 'ADD',
            orders: [],
            item,
            site,
            form: { quantity, due: signal.date ?? undefined, source: 'buy' }
          }
        }
      ];
    case 'PLAN_OTHERWISE':
      return planning('Plan it otherwise');
    case 'RAISE_REORDER_POINT':
      return planning('Raise it', { fields: { reorder_point: quantity } });
    case 'BREAK_LOOP':
      return (signal.loop ?? []).map((line) => ({
        says: `Take ${line.component} out of ${line.parent}`,
        deciding: { kind: 'BILL', orders: [], item: line.parent, site, form: { line: line.line } }
      }));
  }
}

/** What cures a signal: first the ordinary way. Which these are the server says. */
export function repairsOf(signal: Signal, day: (iso: string) => string): Repair[] {
  return signal.cures.flatMap((cure) => repair(signal, cure, day));
}

/** What lets an order be released that cannot. */
export function cureOf(obstacle: Schemas['Obstacle']): Repair {
  const { item, site } = obstacle;
  switch (obstacle.cure) {
    case 'RESUME':
      return { says: 'Let it go', deciding: { kind: 'RESUME', orders: [obstacle.key] } };
    case 'SUPPLIER':
      return {
        says: 'Choose a supplier',
        deciding: { kind: 'PLANNING', orders: [], item, site, fields: ['supplier', 'lead_time_days'] }
      };
    case 'FROM_SITE':
      return {
        says: 'Choose the sending site',
        deciding: { kind: 'PLANNING', orders: [], item, site, fields: ['from_site'] }
      };
  }
}
