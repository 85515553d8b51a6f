import type { Schemas } from '$lib/api/client';
import type { Deciding } from './command';

/** What a signal asks to be done, and what the button for it says. */
export interface Repair {
  says: string;
  deciding: Deciding;
}

/** What cures a signal: first the ordinary way. */
export function repairsOf(signal: Schemas['SignalView'], day: (iso: string) => string): Repair[] {
  const order = signal.order ? [signal.order] : [];
  const { item, site } = signal;
  const planning = (says: string, fields: string[]): Repair => ({
    says,
    deciding: { kind: 'PLANNING', orders: [], item, site, fields }
  });
  switch (signal.kind) {
    case 'bring_forward':
    case 'push_back':
      return [
        {
          says: signal.newDate ? `Move it to ${day(signal.newDate)}` : 'Move it',
          deciding: { kind: 'CHANGE', orders: order, form: { due: signal.newDate ?? undefined } }
        }
      ];
    case 'receipt_overdue':
      return [
        { says: 'Give it another date', deciding: { kind: 'CHANGE', orders: order } },
        { says: 'Cancel it', deciding: { kind: 'CANCEL', orders: order } }
      ];
    case 'cancel':
      return [{ says: 'Cancel it', deciding: { kind: 'CANCEL', orders: order } }];
    case 'no_supplier':
      return [planning('Choose a supplier', ['supplier', 'lead_time_days'])];
    case 'no_source':
      return [
        planning('Say how it is replenished', ['source', 'supplier', 'from_site', 'lead_time_days']),
        {
          says: 'Order it this once',
          deciding: {
            kind: 'ADD',
            orders: [],
            item,
            site,
            form: {
              quantity:
                signal.quantity === undefined || signal.quantity === null ? '' : String(signal.quantity),
              due: signal.date ?? undefined,
              source: 'buy'
            }
          }
        }
      ];
    case 'below_safety':
      return [
        planning('Plan it otherwise', ['safety_stock', 'reorder_point', 'order_up_to', 'lead_time_days'])
      ];
    case 'reorder_point_low':
      return [
        {
          says: 'Raise it',
          deciding: {
            kind: 'PLANNING',
            orders: [],
            item,
            site,
            fields: ['reorder_point', 'order_up_to', 'safety_stock', 'lead_time_days'],
            form: { fields: { reorder_point: String(signal.quantity ?? '') } }
          }
        }
      ];
    case 'loop':
      return (signal.loop ?? []).map((line) => ({
        says: `Take ${line.component} out of ${line.parent}`,
        deciding: {
          kind: 'BILL' as const,
          orders: [],
          item: line.parent,
          site,
          form: { line: line.line }
        }
      }));
    default:
      return [];
  }
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
