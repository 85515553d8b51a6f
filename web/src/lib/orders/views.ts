import type { DataView } from '$lib/data/views';

/** The views of Orders. */
export const ORDER_VIEWS: DataView[] = [
  { href: '/orders', name: 'Orders', keys: 'g o', says: 'What was firmed and released, and how far it is' },
  {
    href: '/orders/invoices',
    name: 'Invoices',
    keys: 'g z',
    says: 'What suppliers charge, against what was agreed and received'
  }
];
