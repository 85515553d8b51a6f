// What the views of the tables show.
import type { Shown } from './table-screen.svelte';

/** Planning data by what they are about. */
export const PLANNING = [
  {
    title: 'Where from',
    columns: ['source', 'supplier', 'from_site']
  },
  {
    title: 'How much',
    columns: [
      'rule',
      'safety_stock',
      'reorder_point',
      'order_up_to',
      'fixed_quantity',
      'period_count',
      'period_unit',
      'min_quantity',
      'max_quantity',
      'multiple',
      'yield'
    ]
  },
  {
    title: 'When',
    columns: ['lead_time_days', 'lead_time_per_unit_days', 'safety_time_days', 'frozen_days']
  },
  {
    title: 'Orders and forecast',
    columns: [
      'reschedule_tolerance_days',
      'pull_in_days',
      'demand_fence_days',
      'consume_back_days',
      'consume_forward_days'
    ]
  }
];

/** Where suppliers and customers are reached, and how is paid. */
const REACHED = {
  title: 'Reached and paid',
  columns: ['address', 'contact', 'phone', 'payment_days', 'tax_number', 'tax_rate']
};

/** By the last part of the address. */
export const SHOWN: Record<string, Shown> = {
  suppliers: {
    table: 'suppliers',
    one: 'supplier',
    list: ['calendar'],
    parts: [
      { columns: ['code', 'name', 'email', 'calendar', 'currency', 'minimum_order_value', 'retired'] },
      REACHED,
      { title: 'Printed on each order', columns: ['order_text'] }
    ],
    related: [
      {
        table: 'supplier_items',
        title: 'What it offers, and its prices',
        one: 'price',
        column: 'supplier',
        columns: [
          'item',
          'from_quantity',
          'unit',
          'price',
          'lead_time_days',
          'min_quantity',
          'multiple',
          'max_quantity',
          'preference',
          'valid_from',
          'valid_to',
          'supplier_code',
          'over_receipt_percent',
          'order_text'
        ],
        empty: 'It offers nothing yet.',
        next: () => ({ from_quantity: '0' })
      }
    ]
  },
  customers: {
    table: 'customers',
    one: 'customer',
    list: [],
    parts: [{ columns: ['code', 'name', 'email', 'retired'] }, REACHED],
    related: [
      {
        table: 'customer_orders',
        title: 'Open order lines',
        one: 'order line',
        column: 'customer',
        columns: ['number', 'line', 'item', 'site', 'quantity', 'due_date', 'priority', 'price'],
        empty: 'Nothing is open.'
      }
    ]
  },
  sites: {
    table: 'sites',
    one: 'site',
    list: ['kind'],
    parts: [{ columns: ['code', 'name', 'kind', 'calendar', 'purchase_release', 'address', 'retired'] }],
    related: []
  },
  groups: {
    table: 'item_groups',
    one: 'group',
    list: ['source'],
    parts: [{ columns: ['code', 'name'] }, ...PLANNING],
    related: []
  },
  centers: {
    table: 'work_centers',
    one: 'work center',
    list: ['site'],
    parts: [
      { columns: ['code', 'name', 'site', 'calendar', 'minutes_per_day', 'efficiency', 'cost_per_hour'] }
    ],
    related: [
      {
        table: 'operations',
        title: 'What is done there',
        one: 'operation',
        column: 'work_center',
        columns: [
          'item',
          'step',
          'queue_minutes',
          'setup_minutes',
          'run_minutes_per_unit',
          'move_minutes',
          'note'
        ],
        empty: 'Nothing is done there.'
      }
    ]
  },
  calendars: {
    table: 'calendars',
    one: 'calendar',
    list: [],
    parts: [{ columns: ['code', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] }],
    related: []
  },
  units: {
    table: 'units',
    one: 'unit',
    list: ['decimals'],
    parts: [{ columns: ['code', 'name', 'decimals'] }],
    related: [
      {
        table: 'unit_conversions',
        title: 'What one of it is',
        one: 'conversion',
        column: 'from_unit',
        columns: ['item', 'to_unit', 'factor'],
        empty: 'It converts into nothing.'
      }
    ]
  }
};
