// What can be posted on a line of an order, and what is asked for it.
import type { Schemas } from '$lib/api/client';

export interface LineAct {
  act: Schemas['PostingLine']['act'];
  /** On the button. */
  name: string;
  says: string;
  /** What is asked for the quantity; none: no quantity is said. */
  asks?: string;
  /** What stands in the empty field; all that is open is meant. */
  all?: boolean;
  /** A lot or serial number has to be said, or may be; without one, lots are taken as proposed. */
  lot?: 'needed' | 'may';
  /** New numbers may be made up by the item's pattern. */
  numbers?: boolean;
  expiry?: boolean;
  aside?: boolean;
  /** In the unit it was bought in, too. */
  units?: boolean;
  /** The supplier's invoice may come with it. */
  charged?: boolean;
  /** How what is spoiled or lost on the way is called. */
  scrapped?: string;
  minutes?: boolean;
  /** One of the parts of the order, or all that is listed. */
  part?: boolean;
  reason?: boolean;
}

/** A line on which something is posted. */
export interface ActLine {
  line: string;
  item: string;
  unit: string;
  purchaseUnit?: string | null;
  tracking: string;
  open: number;
  /** The customer it goes to without coming to a site. */
  straightTo?: string | null;
  components?: { item: string; itemName: string; quantity: number; unit: string; tracking: string }[];
  /** The operations that it passes, in turn. */
  steps?: { step: string; name: string }[];
  /** Its lots or serial numbers are made up by a pattern. */
  numbered?: boolean;
}

const RECEIVE: LineAct = {
  act: 'RECEIVE',
  name: 'Receive',
  says: 'Receive what has come',
  asks: 'Has come',
  all: true,
  lot: 'needed',
  numbers: true,
  expiry: true,
  aside: true,
  units: true,
  charged: true
};
const NO_MORE: LineAct = {
  act: 'FINISH',
  name: 'Nothing more comes on',
  says: 'Close the line: what is open will not come any more',
  reason: true
};

export const RECEIPT: LineAct[] = [RECEIVE];

const OF_KIND: Record<string, LineAct[]> = {
  buy: [RECEIVE, NO_MORE],
  make: [
    {
      act: 'ISSUE',
      name: 'Issue parts of',
      says: 'Parts go out of stock',
      asks: 'Quantity',
      lot: 'may',
      part: true
    },
    {
      act: 'OUTPUT',
      name: 'Report',
      says: 'Say what was made; parts that are taken with each report go out with it',
      asks: 'Good',
      all: true,
      lot: 'needed',
      numbers: true,
      expiry: true,
      scrapped: 'Spoiled',
      minutes: true,
      reason: true
    },
    { act: 'FINISH', name: 'Finish', says: 'Nothing more is made; what is left of its cost is its variance' }
  ],
  subcontract: [
    { ...RECEIVE, says: 'Good pieces have come; their parts are used up', scrapped: 'Spoiled', units: false },
    NO_MORE
  ],
  transfer: [
    {
      act: 'SHIP_TRANSFER',
      name: 'Send',
      says: 'Goods leave the sending site',
      asks: 'Goes',
      all: true,
      lot: 'may'
    },
    {
      act: 'RECEIVE_TRANSFER',
      name: 'Receive',
      says: 'What was sent has come',
      asks: 'Has come',
      all: true,
      lot: 'may',
      scrapped: 'Lost',
      reason: true
    },
    NO_MORE
  ],
  customer: [
    { act: 'SHIP', name: 'Ship', says: 'Goods leave for the customer', asks: 'Goes', all: true, lot: 'may' },
    {
      act: 'RETURN_FROM_CUSTOMER',
      name: 'Take back',
      says: 'Goods come back from the customer',
      asks: 'Comes back',
      lot: 'needed',
      aside: true,
      reason: true
    }
  ]
};

/** What can be posted on a line of an order of a kind, what comes next first. */
export function actsOf(kind: string): LineAct[] {
  return OF_KIND[kind === 'assemble' ? 'make' : kind] ?? [];
}
