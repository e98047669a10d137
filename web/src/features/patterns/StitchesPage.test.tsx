import { screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { show } from '../../test/show';
import StitchesPage from './StitchesPage';

const stitch = (code: string, more: Partial<Schemas['StitchView']> = {}): Schemas['StitchView'] => ({
  code,
  name: '',
  own: false,
  leastCores: 1,
  mostCores: 8,
  pitch: 2.16,
  thickness: 2.4,
  width: 4,
  turnPerRepeat: 0,
  uses: [{ seat: 'WORKING', strands: 2, elements: ['turn', 'bight'], used: 9.4248 }],
  pulling: [],
  ...more,
});

it('shows each stitch with the cord it takes and what that is made of', () => {
  show(<StitchesPage />, [
    [
      ['patterns', 'stitches'],
      [
        stitch('square-knot'),
        stitch('ladder', { leastCores: 2, mostCores: 2 }),
        stitch('snake-knot', { leastCores: 0, mostCores: 0 }),
        stitch('own:harbour-flat', {
          name: 'Harbour flat',
          own: true,
          pulling: [{ stitch: 'own:harbour-flat', state: 'NO_KNOT', progress: 1, reason: 'crosses' }],
        }),
      ],
    ],
  ]);
  const square = within(screen.getByRole('region', { name: 'Square knots' }));
  expect(square.getByText(/2 × working: 9.42 d a repeat \(turn around the cores, bight\)/)).toBeDefined();
  expect(square.getByText(/Over 1 to 8 cores/)).toBeDefined();
  expect(square.getByRole('link', { name: 'Save as JSON' }).getAttribute('href')).toBe(
    '/api/stitches/square-knot/stitch.json',
  );
  expect(
    within(screen.getByRole('region', { name: 'Ladder weave' })).getByText(/Over 2 cores/),
  ).toBeDefined();
  expect(within(screen.getByRole('region', { name: 'Snake knots' })).queryByText(/Over/)).toBeNull();
  const own = within(screen.getByRole('region', { name: 'Harbour flat' }));
  expect(own.getByText(/strands press through each other/)).toBeDefined();
});
