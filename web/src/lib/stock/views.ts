import type { DataView } from '$lib/data/views';

/** The views of Stock. */
export const STOCK_VIEWS: DataView[] = [
  { href: '/stock', name: 'On hand', keys: 'g k', says: 'What lies where, and every movement of it' },
  {
    href: '/stock/due',
    name: 'Coming in',
    keys: 'g j',
    says: 'What suppliers are to bring, and receiving it'
  }
];
