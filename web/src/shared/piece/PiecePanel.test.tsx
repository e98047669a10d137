import { fireEvent, screen, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { show } from '../../test/show';
import { PiecePanel } from './PiecePanel';

const sum = (totalUm: number, terms: Schemas['TermView'][] = []) => ({ totalUm, terms });

const PIECE: Schemas['PieceView'] = {
  pattern: 'square-bar',
  patternName: 'Square-knot bar with slider',
  closure: 'SLIDER',
  fit: {
    target: sum(184_540),
    room: sum(170_000),
    thicknessUm: 4_560,
    widthUm: 9_500,
    bodies: [
      {
        stitch: 'square-knot',
        pitchUm: 4_104,
        groups: [20, 21],
        repeats: 41,
        lengthUm: 168_264,
        within: true,
        source: 'SWATCH',
        spread: 0.05,
        pitchRatio: 1.031,
      },
    ],
    around: 0,
    reachedUm: 184_540,
    errorUm: -1_736,
    band: {
      kind: 'SLIDER',
      partUm: 20_000,
      tailUm: 34_000,
      tailSum: sum(34_000),
      closedUm: 182_000,
      openUm: 221_000,
      handUm: 216_000,
      handAssumed: true,
    },
  },
  strands: [
    {
      role: 'working',
      number: 1,
      articleCode: 'EM2',
      articleName: 'Ember',
      colour: '#C4472E',
      cutUm: 1_930_000,
      usedUm: 1_600_000,
      mark: { kind: 'MIDDLE', um: 965_000 },
      risk: 0.02,
      learned: { pieces: 14, samples: 1, um: -43_000, cost: -0.02, spread: 0.04 },
      sum: sum(1_930_000, [{ code: 'margin', count: 1, eachUm: 200_000, totalUm: 200_000 }]),
    },
    {
      role: 'core',
      number: 1,
      articleCode: 'OA2',
      articleName: 'Oat',
      colour: '#D8C8A8',
      cutUm: 475_000,
      usedUm: 380_000,
      risk: 0.02,
      sum: sum(475_000),
    },
  ],
  hardware: [{ articleCode: 'PB6', articleName: 'Pebble bead', kind: 'BEAD', quantity: 3 }],
  checks: [
    {
      code: 'hole',
      verdict: 'TIGHT',
      lengthsUm: { hole: 4_400, bundle: 4_500, least: 4_890 },
      numbers: { strands: 2, ratio: 1.0227 },
      subject: 'HB9 Harbour bead',
      offers: [
        { change: 'TAPER', slot: '', value: '', name: '' },
        { change: 'PART', slot: 'bead', value: 'DB12', name: 'Driftwood bead' },
      ],
    },
    { code: 'ends.heat', verdict: 'GOOD', lengthsUm: {}, numbers: {}, subject: '', offers: [] },
  ],
  verdict: 'TIGHT',
  threading: [
    { code: 'thread.taper', part: '', count: 1, roles: [] },
    { code: 'thread.body', part: 'bead', count: 3, roles: ['core'] },
  ],
  cautions: ['FLAME', 'SMALL_PARTS'],
  estimate: {
    used: 0.31,
    tails: 0.09,
    planned: 0.09,
    trimmed: 0,
    scrap: 0,
    waste: 0,
    hardware: 0.6,
    total: 1,
  },
  time: { prepare: 140, body: 656, closure: 240, finish: 180, total: 1216, drying: 0, learned: -130 },
  picture: {
    svg: '<svg xmlns="http://www.w3.org/2000/svg"/>',
    widthMm: 230,
    heightMm: 20,
    fromMm: 5,
    toMm: 190,
    shortened: false,
    pulling: [],
  },
};

it('tells strands with cut length, fold mark and the sum behind each', async () => {
  show(<PiecePanel piece={PIECE} />);
  const row = screen.getByText('Working 1').closest('tr') as HTMLElement;
  expect(within(row).getByText('Ember')).toBeDefined();
  expect(within(row).getByText('965 mm')).toBeDefined();
  fireEvent.click(within(row).getByRole('button', { name: /show the sum/ }));
  expect(
    await screen.findByText(
      'Margin for about 1 short piece in 50. Learned from 14 measured strands and 1 swatch: 43 mm less than geometry, €0.02 saved. Spread 4 %.',
    ),
  ).toBeTruthy();
  expect(screen.getByText('+3.1 %')).toBeTruthy();
  expect(screen.getByText('2 minutes less than was guessed')).toBeTruthy();
  const core = screen.getByText('Core 1').closest('tr') as HTMLElement;
  expect(within(core).getByText('–')).toBeDefined();
});

it('says each verdict in a word with its figures, and hands an offer on when it is taken', () => {
  const taken = vi.fn();
  show(<PiecePanel piece={PIECE} onOffer={taken} />);
  expect(screen.getByText('Tight')).toBeDefined();
  expect(
    screen.getByText(/2 strands make a bundle of 4.5 mm for a hole of 4.4 mm \(1.02 of it\)/),
  ).toBeDefined();
  fireEvent.click(screen.getByRole('button', { name: 'Taper the ends' }));
  fireEvent.click(screen.getByRole('button', { name: 'Use Driftwood bead instead' }));
  expect(taken.mock.calls.map(([offer]) => offer.change)).toEqual(['TAPER', 'PART']);
});

it('offers nothing where nobody can take it', () => {
  show(<PiecePanel piece={PIECE} />);
  expect(screen.queryByRole('button', { name: 'Taper the ends' })).toBeNull();
});

it('states both circumferences, where the error goes, the order of threading and what to mind', () => {
  show(<PiecePanel piece={PIECE} />);
  expect(screen.getByText('18.2 cm')).toBeDefined();
  expect(screen.getByText('22.1 cm')).toBeDefined();
  expect(screen.getByText(/41 repeats \(20 \+ 21\)/)).toBeDefined();
  const steps = screen.getAllByRole('listitem').map((item) => item.textContent);
  expect(steps[0]).toContain('Taper the ends');
  expect(steps[1]).toContain('3');
  expect(steps.some((s) => s?.includes('licensed laboratory'))).toBe(true);
  expect(screen.getByText('20 minutes')).toBeDefined();
});

it('tells what is still being pulled tight, and what turned out to be no knot', () => {
  const pulling: Schemas['PullingView'][] = [
    { stitch: 'square-knot', state: 'RUNNING', progress: 0.4375, reason: '' },
    { stitch: 'own:loose-bow', state: 'NO_KNOT', progress: 1, reason: 'slips' },
  ];
  show(<PiecePanel piece={{ ...PIECE, picture: { ...PIECE.picture, pulling } }} />);
  expect(
    screen.getByText(/Square knots: drawn from the nearest lines; pulling its own tight, 44 %/),
  ).toBeDefined();
  expect(screen.getByText(/loose bow: this path is no knot/i)).toBeDefined();
  expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('44');
});
