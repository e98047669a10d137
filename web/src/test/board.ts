import type { Schemas } from '../api/client';

/** A house that plans nothing. */
export const UNPLANNED: Schemas['WorkBoardView'] = {
  planning: false,
  today: '2026-12-01',
  days: ['2026-12-01', '2026-12-02'],
  makers: [],
  hidden: 0,
  openPieces: 0,
};

export const planned = (change: Partial<Schemas['PlanHeadView']> = {}): Schemas['PlanHeadView'] => ({
  id: 7,
  madeAt: '2026-12-01T08:00:00Z',
  madeBy: 'Tove',
  act: 'PLANNED',
  about: [],
  fromDay: '2026-12-01',
  lateDays: 0,
  lateOrders: 0,
  setUpSeconds: 3600,
  leastSetUpSeconds: 3000,
  growing: false,
  cutOff: false,
  published: true,
  canGoBack: false,
  ...change,
});

export const block = (
  parcels: number[],
  change: Partial<Schemas['BoardBlockView']> = {},
): Schemas['BoardBlockView'] => ({
  parcels,
  bench: 'SNAKE 2|BRACELET',
  state: 'FREE',
  patterns: ['Snake-knot band'],
  cords: [{ code: 'NT2', name: 'Night Tide', colour: '#22365C' }],
  orders: [{ id: 4, reference: 'F-0004', customer: 'Ilka', due: '2026-12-05' }],
  pieces: 4,
  seconds: 5400,
  setUpSeconds: 480,
  toCut: 0,
  ready: [],
  firstDue: '2026-12-05',
  late: false,
  lateChance: 0,
  ...change,
});

/** Two makers of two days; what is given is Tove's first day. */
export const board = (
  blocks: Schemas['BoardBlockView'][],
  change: Partial<Schemas['WorkBoardView']> = {},
): Schemas['WorkBoardView'] => ({
  ...UNPLANNED,
  planning: true,
  plan: planned(),
  makers: [
    {
      person: 1,
      name: 'Tove',
      days: [
        { day: '2026-12-01', openSeconds: 10_800, usedSeconds: 5400, blocks },
        { day: '2026-12-02', openSeconds: 10_800, usedSeconds: 0, blocks: [] },
      ],
    },
    {
      person: 2,
      name: 'Bram',
      days: [
        { day: '2026-12-01', openSeconds: 14_400, usedSeconds: 0, blocks: [] },
        { day: '2026-12-02', openSeconds: 0, usedSeconds: 0, blocks: [] },
      ],
    },
  ],
  ...change,
});
