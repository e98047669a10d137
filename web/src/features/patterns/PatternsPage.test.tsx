import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { patternsQuery } from '../../shared/piece/queries';
import { show } from '../../test/show';
import PatternsPage from './PatternsPage';

const pattern = (name: string, more: Partial<Schemas['PatternView']> = {}): Schemas['PatternView'] => ({
  code: name.toLowerCase().replaceAll(' ', '-'),
  name,
  version: 1,
  shipped: true,
  kind: 'BRACELET',
  closure: 'SLIDER',
  cords: [{ code: 'core', gaugeUm: 2000, colour: '#D8C8A8' }],
  parts: [],
  stitches: ['square-knot'],
  usualLengthUm: 0,
  widthUm: 9500,
  thicknessUm: 4560,
  strands: 4,
  minutes: 20,
  ...more,
});

const BOOK = [
  pattern('Slim noose', { closure: 'NOOSE', widthUm: 3800, minutes: 5, stitches: ['plain'] }),
  pattern('Square bar'),
  pattern('Broad band', { closure: 'BUCKLE', widthUm: 22_080, minutes: 61, stitches: ['figure-eight'] }),
  pattern('Harbour ladder', {
    shipped: false,
    version: 3,
    kind: 'FOB',
    closure: 'NONE',
    stitches: ['ladder'],
  }),
];

const at = (search: string) =>
  show(<PatternsPage />, [[patternsQuery.queryKey, BOOK]], { route: '*', address: `/patterns${search}` });
const shown = () => BOOK.map((p) => p.name).filter((name) => screen.queryByText(name) !== null);

it.each([
  ['', ['Slim noose', 'Square bar', 'Broad band', 'Harbour ladder']],
  ['?width=5000', ['Slim noose']],
  ['?width=12000', ['Square bar', 'Harbour ladder']],
  ['?width=more', ['Broad band']],
  ['?time=15', ['Slim noose']],
  ['?time=more', ['Broad band']],
  ['?kind=FOB', ['Harbour ladder']],
  ['?closure=BUCKLE&time=more', ['Broad band']],
  ['?stitch=square-knot&q=BAR', ['Square bar']],
])('keeps its filter in the address: %s', (search, names) => {
  at(search);
  expect(shown()).toEqual(names);
});

it('says what a pattern is at a glance, and whether it is one of our own', () => {
  at('');
  const line = screen.getByText('Square bar').parentElement?.textContent;
  expect(line).toContain('Slider · 9.5 mm wide · 4 strands · about 20 minutes');
  expect(screen.getByText(/version 3/)).toBeDefined();
});

it('offers the way back when nothing is found', () => {
  at('?q=nothing like it');
  expect(shown()).toEqual([]);
  expect(screen.getByRole('button', { name: 'Show all patterns' })).toBeDefined();
});
