import type { DataView } from '$lib/data/views';

/** The views of Orders. */
export const ORDER_VIEWS: DataView[] = [
  { href: '/orders', name: 'Orders', keys: 'g o', says: 'What was firmed and released, and how far it is' },
  {
    href: '/orders/bench',
    name: 'Workbench',
    keys: 'g W',
    says: 'What can start, what runs and what waits for what, at each work center'
  },
  {
    href: '/orders/new',
    name: 'Buy',
    keys: 'g 9',
    says: 'A purchase order by hand, by what was bought before'
  },
  {
    href: '/orders/letters',
    name: 'Letters',
    keys: 'g 8',
    says: 'What suppliers wrote: answers, deliveries, invoices'
  },
  {
    href: '/orders/invoices',
    name: 'Invoices',
    keys: 'g z',
    says: 'What suppliers charge, against what was agreed and received'
  }
];
