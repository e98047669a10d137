/** A pattern as JSON, as far as the editor handles it; the server judges everything. */
export interface Definition {
  code: string;
  name: string;
  kind: string;
  cords: CordSlot[];
  hardware: PartSlot[];
  roles: Role[];
  sections: Section[];
  usualLength: string;
}

export interface CordSlot {
  code: string;
  gauge: string;
  colour: string;
}

export interface PartSlot {
  code: string;
  usual: { kind: string; measures: Record<string, string> };
  optional: boolean;
  chosenCount: number;
}

export interface Role {
  code: string;
  slots: number[];
  count: number;
  legs: Leg[];
}

/** A stretch of a leg in one direction, and how it goes over into the next; the last ends. */
export interface Course {
  seat: string;
  turn?: 'PART' | 'EAR' | 'BACK';
  hardware?: string;
}

/** A leg that runs along once is written as its seat alone. */
export type Leg = string | Course[];

export const coursesOf = (leg: Leg): Course[] => (typeof leg === 'string' ? [{ seat: leg }] : leg);

const legOf = (courses: Course[]): Leg => (courses.length === 1 && courses[0] ? courses[0].seat : courses);

/** The leg with another seat on one of its courses. */
export const seated = (leg: Leg, at: number, seat: string): Leg =>
  legOf(coursesOf(leg).map((course, k) => (k === at ? { ...course, seat } : course)));

/** The leg with another turn after one of its courses: it goes on after the last, or ends here. */
export function turned(leg: Leg, at: number, turn: Course['turn'], hardware?: string): Leg {
  const courses = coursesOf(leg);
  const seat = courses[at]?.seat ?? 'CORE';
  if (!turn) return legOf([...courses.slice(0, at), { seat }]);
  const on = courses.slice(at + 1);
  return legOf([
    ...courses.slice(0, at),
    turn === 'PART' ? { seat, turn, hardware } : { seat, turn },
    ...(on.length > 0 ? on : [{ seat: 'WORKING' }]),
  ]);
}

export type Value = string | number | boolean | string[] | { [key: string]: Value } | undefined;

export interface Section {
  section: string;
  [field: string]: Value;
}

export type FieldKind =
  | 'part'
  | 'partOrNone'
  | 'seats'
  | 'hitch'
  | 'knot'
  | 'stitch'
  | 'count'
  | 'length'
  | 'yes'
  | 'extent'
  | 'motif'
  | 'places'
  | 'stopper';

interface SectionKind {
  fields: [name: string, kind: FieldKind][];
  fresh: Omit<Section, 'section'>;
}

const BODY = ['CORE', 'WORKING'];

/** What each kind of section is made of, and how a new one starts. */
export const SECTIONS: Record<string, SectionKind> = {
  body: {
    fields: [
      ['stitch', 'stitch'],
      ['extent', 'extent'],
      ['motif', 'motif'],
      ['seats', 'places'],
      ['within', 'yes'],
    ],
    fresh: { stitch: 'square-knot', extent: { extent: 'rest' }, seats: {}, within: true },
  },
  mount: {
    fields: [
      ['hardware', 'partOrNone'],
      ['on', 'seats'],
      ['hitch', 'hitch'],
      ['seats', 'seats'],
      ['within', 'yes'],
    ],
    fresh: { on: [], hitch: 'LARKS_HEAD', seats: BODY, within: false },
  },
  eye: { fields: [['seats', 'seats']], fresh: { seats: ['CORE'] } },
  knot: {
    fields: [
      ['kind', 'knot'],
      ['wraps', 'count'],
      ['seats', 'seats'],
      ['tiedBy', 'seats'],
      ['within', 'yes'],
    ],
    fresh: { kind: 'OVERHAND', wraps: 1, seats: BODY, tiedBy: [], within: true },
  },
  threaded: {
    fields: [
      ['hardware', 'part'],
      ['count', 'count'],
      ['seats', 'seats'],
    ],
    fresh: { hardware: '', count: 1, seats: ['CORE'] },
  },
  slider: {
    fields: [
      ['halfKnots', 'count'],
      ['tails', 'seats'],
    ],
    fresh: { halfKnots: 10, tails: ['CORE'] },
  },
  'slide-bead': {
    fields: [
      ['hardware', 'part'],
      ['tails', 'seats'],
    ],
    fresh: { hardware: '', tails: ['CORE'] },
  },
  'sliding-knots': {
    fields: [
      ['wraps', 'count'],
      ['tails', 'seats'],
    ],
    fresh: { wraps: 4, tails: ['CORE'] },
  },
  noose: {
    fields: [
      ['stop', 'knot'],
      ['tails', 'seats'],
    ],
    fresh: { stop: 'OVERHAND', tails: ['WORKING'] },
  },
  stopper: {
    fields: [
      ['kind', 'stopper'],
      ['seats', 'seats'],
    ],
    fresh: { kind: { stopper: 'knot', knot: 'BUTTON' }, seats: ['CORE'] },
  },
  buttonhole: {
    fields: [
      ['hitch', 'stitch'],
      ['seats', 'seats'],
      ['tiedBy', 'seats'],
    ],
    fresh: { hitch: 'half-hitch', seats: BODY, tiedBy: ['WORKING'] },
  },
  'tuck-back': {
    fields: [
      ['hardware', 'partOrNone'],
      ['seats', 'seats'],
      ['tuck', 'length'],
    ],
    fresh: { seats: ['CORE'], tuck: '25 mm' },
  },
  wrapped: {
    fields: [
      ['turns', 'count'],
      ['seats', 'seats'],
    ],
    fresh: { turns: 7, seats: BODY },
  },
  fringe: {
    fields: [
      ['length', 'length'],
      ['seats', 'seats'],
    ],
    fresh: { length: '25 mm', seats: BODY },
  },
  'end-beads': {
    fields: [
      ['hardware', 'part'],
      ['seats', 'seats'],
      ['together', 'yes'],
      ['wraps', 'count'],
      ['tiedBy', 'seats'],
    ],
    fresh: { hardware: '', seats: ['CORE'], together: false, wraps: 1, tiedBy: [] },
  },
  attached: {
    fields: [
      ['hardware', 'part'],
      ['within', 'yes'],
    ],
    fresh: { hardware: '', within: false },
  },
};

export const EMPTY: Definition = {
  code: '',
  name: '',
  kind: 'BRACELET',
  cords: [
    { code: 'core', gauge: '2 mm', colour: '#D8C8A8' },
    { code: 'working', gauge: '2 mm', colour: '#5B9BA3' },
  ],
  hardware: [],
  roles: [
    { code: 'core', slots: [0], count: 2, legs: ['CORE'] },
    { code: 'working', slots: [1], count: 1, legs: ['WORKING', 'WORKING'] },
    { code: 'slider', slots: [1], count: 1, legs: ['CLOSURE', 'CLOSURE'] },
  ],
  sections: [
    { section: 'body', ...SECTIONS.body?.fresh },
    { section: 'slider', ...SECTIONS.slider?.fresh },
  ],
  usualLength: '120 mm',
};

/** Past, present and future of what is edited. */
export interface History {
  past: Definition[];
  now: Definition;
  future: Definition[];
}

export type Step = { to: Definition } | 'undo' | 'redo';

const LONGEST_PAST = 200;

export function step(history: History, action: Step): History {
  if (action === 'undo') {
    const before = history.past.at(-1);
    return before
      ? { past: history.past.slice(0, -1), now: before, future: [history.now, ...history.future] }
      : history;
  }
  if (action === 'redo') {
    const [next, ...rest] = history.future;
    return next ? { past: [...history.past, history.now], now: next, future: rest } : history;
  }
  return { past: [...history.past, history.now].slice(-LONGEST_PAST), now: action.to, future: [] };
}

/** A list with the item at {@link at} moved by {@link by}, left as it is at the ends. */
export function moved<T>(list: T[], at: number, by: number): T[] {
  const to = at + by;
  const item = list[at];
  if (item === undefined || to < 0 || to >= list.length) return list;
  const rest = list.filter((_, i) => i !== at);
  return [...rest.slice(0, to), item, ...rest.slice(to)];
}
