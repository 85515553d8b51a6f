import type { DataView } from '$lib/data/views';

/** The views of Demand. */
export const DEMAND_VIEWS: DataView[] = [
  {
    href: '/demand',
    name: 'Customer orders',
    keys: 'g m',
    says: 'What customers ordered, and when they get it'
  },
  {
    href: '/demand/turn',
    name: 'Who gets what',
    keys: 'g a',
    says: 'What there is of an item, what comes, and whose turn it is'
  },
  {
    href: '/demand/forecast',
    name: 'Forecast',
    keys: 'g v',
    says: 'What is to be expected of each item, by the method that did best'
  },
  {
    href: '/demand/follow-up',
    name: 'Follow-up',
    keys: 'g u',
    says: 'What was forecast against what came'
  },
  {
    href: '/demand/running-out',
    name: 'Running out',
    keys: 'g r',
    says: 'What has nothing left when, if no more is ordered'
  },
  {
    href: '/demand/kept',
    name: 'Kept',
    keys: 'g l',
    says: 'What customers were promised against what was shipped'
  },
  {
    href: '/demand/invoices',
    name: 'Charged',
    keys: 'g I',
    says: 'What was shipped and is to be charged, and the invoices to customers'
  },
  { href: '/demand/mails', name: 'Mails', keys: 'g y', says: 'What was sent to customers' },
  {
    href: '/demand/new',
    name: 'Order sheet',
    keys: 'g s',
    says: 'Take an order, with a promise for each line'
  }
];
