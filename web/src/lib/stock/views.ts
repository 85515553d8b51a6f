import type { DataView } from '$lib/data/views';

/** The views of Stock. */
export const STOCK_VIEWS: DataView[] = [
  { href: '/stock', name: 'On hand', keys: 'g k', says: 'What lies where, and every movement of it' },
  {
    href: '/stock/due',
    name: 'Coming in',
    keys: 'g j',
    says: 'What suppliers are to bring, and receiving it'
  },
  {
    href: '/stock/out',
    name: 'Going out',
    keys: 'g D',
    says: 'What customers are to get, and shipping it'
  },
  {
    href: '/stock/expiring',
    name: 'Expiring',
    keys: 'g 0',
    says: 'Lots that expire before they are used'
  },
  {
    href: '/stock/counts',
    name: 'Counts',
    keys: 'g +',
    says: 'Lists of what is to be counted, what differed, and corrections to approve'
  },
  {
    href: '/stock/value',
    name: 'Value',
    keys: 'g -',
    says: 'What stock is and was worth, and what its price differences came from'
  }
];
