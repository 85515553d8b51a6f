// The places in which the company's data is kept, and their views.

export interface DataView {
  href: string;
  name: string;
  keys: string;
  says: string;
  /** The table whose rows it lists. */
  table?: string;
}

export const ITEM_VIEWS: DataView[] = [
  { href: '/items', name: 'Items', keys: 'g i', says: 'Everything that is bought, made, stocked or sold' },
  {
    href: '/items/groups',
    name: 'Groups',
    keys: 'g 1',
    says: 'Groups of items, with defaults for planning them',
    table: 'item_groups'
  },
  {
    href: '/items/centers',
    name: 'Work centers',
    keys: 'g 2',
    says: 'Where operations are done',
    table: 'work_centers'
  },
  {
    href: '/items/calendars',
    name: 'Calendars',
    keys: 'g 3',
    says: 'Which days work',
    table: 'calendars'
  },
  { href: '/items/units', name: 'Units', keys: 'g 4', says: 'How things are counted', table: 'units' },
  { href: '/items/health', name: 'Health', keys: 'g h', says: 'What is wrong or doubtful in the data' },
  { href: '/items/bring', name: 'Bring in', keys: 'g b', says: 'Tables from files and spreadsheets' }
];

export const PARTNER_VIEWS: DataView[] = [
  {
    href: '/partners',
    name: 'Suppliers',
    keys: 'g n',
    says: 'Who sells to us, what and at which prices',
    table: 'suppliers'
  },
  {
    href: '/partners/deliveries',
    name: 'Deliveries',
    keys: 'g 7',
    says: 'How suppliers deliver: in time, how long, how much, at which price'
  },
  {
    href: '/partners/customers',
    name: 'Customers',
    keys: 'g 5',
    says: 'Who buys from us',
    table: 'customers'
  },
  {
    href: '/partners/sites',
    name: 'Sites',
    keys: 'g 6',
    says: 'Places that hold stock, and what goes between them',
    table: 'sites'
  }
];

/** All of them. */
export const DATA_VIEWS: DataView[] = [...ITEM_VIEWS, ...PARTNER_VIEWS];
