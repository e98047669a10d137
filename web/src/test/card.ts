import type { Schemas } from '../api/client';

type Step = Schemas['CardStepView'];

export const step = (more: Partial<Step>): Step => ({
  words: more.gate ? `make.gate.${more.gate}` : `make.do.${more.doing ?? 'TIE'}`,
  kind: 'TIE',
  doing: 'TIE',
  strands: [0],
  count: 0,
  sizeUm: 0,
  reachUm: 0,
  seconds: 60,
  liesSeconds: 0,
  cautions: [],
  repairs: [],
  tools: [],
  section: 0,
  share: 1,
  flame: false,
  left: [],
  ...more,
});

const strand = (letter: string, role: string): Schemas['CardStrandView'] => ({
  letter,
  role,
  number: 1,
  slot: 0,
  articleCode: 'EM2',
  articleName: 'Ember',
  colour: '#C6452F',
  cutUm: 990_000,
  ends: 2,
});

/** A card of four steps: lay out, tie, a check, and inspecting. */
export const card = (more: Partial<Schemas['WorkCardView']> = {}): Schemas['WorkCardView'] => ({
  piece: {
    id: 25,
    number: 1,
    quantity: 2,
    order: 3,
    reference: 'F-0003',
    customer: 'Marit',
    line: 1,
    pattern: 'snake',
    patternName: 'Snake-knot band',
    kit: false,
    stage: 'MAKING',
  },
  next: 0,
  heldUp: false,
  begun: true,
  inHandOf: 'Tove',
  gatesRemind: false,
  timer: true,
  strands: [strand('A', 'first'), strand('B', 'second')],
  parts: [],
  passedOver: [],
  notes: [],
  bodies: [
    {
      section: 0,
      places: [
        { strand: 1, leg: 0, seat: 'WORKING' },
        { strand: 0, leg: 0, seat: 'WORKING' },
      ],
    },
  ],
  steps: [
    step({ kind: 'PREPARE', doing: 'LAY_OUT', strands: [0, 1], section: -1, share: 0 }),
    step({
      stitch: 'snake-knot',
      strands: [0, 1],
      repeats: { first: 1, last: 5, of: 20 },
      reachUm: 20_500,
      share: 0.25,
    }),
    step({
      kind: 'CHECK',
      doing: 'PASS',
      gate: 'FIRST_REPEATS',
      stitch: 'snake-knot',
      repeats: { first: 1, last: 5, of: 20 },
      sizeUm: 20_500,
      share: 0.25,
      measure: { soFarUm: 20_500, wholeUm: 82_000, pitchUm: 4_100 },
      left: [{ strand: 0, leg: 0, expectedUm: 700_000, needUm: 600_000 }],
    }),
    step({ kind: 'INSPECT', doing: 'INSPECT', reachUm: 82_000 }),
  ],
  inspection: { lengthUm: 82_000, toleranceUm: 8_000, looks: ['KNOTS_EVEN'] },
  seconds: 240,
  spread: 0.5,
  picture: {
    svg: '<svg/>',
    widthMm: 100,
    heightMm: 10,
    fromMm: 10,
    toMm: 92,
    shortened: false,
    sections: [{ fromMm: 10, toMm: 92 }],
    pulling: [],
  },
  alike: [],
  ...more,
});
