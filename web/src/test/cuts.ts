import type { Schemas } from '../api/client';

/** Cut lists for tests. */
export const strand = (
  id: number,
  lengthUm: number,
  fromUm: number,
  pieceId: number,
): Schemas['StepView'] => ({
  id,
  number: id,
  kind: 'STRAND',
  lengthUm,
  fromUm,
  keep: false,
  pieceId,
  role: 'core',
  reference: 'F-0009',
  customer: 'Lower Lock Rowing Club',
  patternCode: 'neck-square',
});

export const spool = (id: number, label: string, steps: Schemas['StepView'][]): Schemas['SpoolView'] => ({
  id,
  number: 1,
  holdingId: id - 6,
  label,
  kind: 'SPOOL',
  shelf: 'A2',
  lot: 'LI-08',
  articleCode: 'LI2',
  articleName: 'Lichen',
  colour: '#8A9A5B',
  lengthUm: 50_000_000,
  flawsUm: [],
  steps,
});

export const list = (spools: Schemas['SpoolView'][]): Schemas['CutListView'] => ({
  id: 7,
  batches: [{ id: 3, name: 'Club lanyards' }],
  name: 'Club lanyards',
  createdAt: '2026-11-25T10:00:00Z',
  pieces: 2,
  strands: 3,
  done: 0,
  unplanned: 0,
  lacking: 0,
  plannedAfter: 0,
  revision: 5,
  bettering: false,
  forbidden: [],
  pins: [],
  cutUm: 2_970_000,
  scrapUm: 0,
  scrapPercent: 0,
  opened: 0,
  waitingUnopened: 0,
  remnantsUsed: 0,
  remnantsLeft: 0,
  spools,
  trimmings: [],
  waiting: [],
});
