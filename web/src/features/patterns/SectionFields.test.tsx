import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { show } from '../../test/show';
import { EMPTY, type Section } from './definition';
import { SectionFields } from './SectionFields';

const WORDS: Schemas['VocabularyView'] = {
  stitches: ['square-knot', 'ladder'],
  ownStitches: [{ name: 'Harbour flat', code: 'harbour-flat', path: true, stitch: { code: 'harbour-flat' } }],
  seats: ['CORE', 'WORKING', 'SECOND_CORE', 'SECOND_WORKING'],
  knots: ['OVERHAND', 'BUTTON'],
  hitches: ['LARKS_HEAD', 'FOLD'],
  parts: [],
};

const body = (more: Partial<Section>): Section => ({
  section: 'body',
  stitch: 'square-knot',
  extent: { extent: 'rest' },
  seats: {},
  within: true,
  ...more,
});

const fields = (section: Section) =>
  show(<SectionFields section={section} definition={EMPTY} vocabulary={WORDS} onChange={() => {}} />);
const chosen = (label: string) =>
  (screen.getAllByLabelText(label).find((e) => e instanceof HTMLInputElement) as HTMLInputElement).value;

it.each([
  [{}, 'its own strands'],
  [{ CORE: ['SECOND_CORE'], WORKING: ['SECOND_WORKING'] }, 'second strands'],
  [{ WORKING: ['SECOND_WORKING'], CORE: ['SECOND_CORE'] }, 'second strands'],
  [{ WORKING: ['TAB'] }, 'tab strands'],
  [{ CORE: ['CORE', 'SECOND_WORKING'] }, 'chosen strands'],
])('names the strands that tie a body, in whatever order they are written: %o', (seats, words) => {
  fields(body({ seats }));
  expect(chosen('Strands')).toBe(words);
});

it('names a stitch of the library and one of our own', () => {
  fields(body({}));
  expect(chosen('Stitch')).toBe('Square knots');
});

it('names a stitch of our own that the pattern carries itself', () => {
  fields(body({ stitch: { code: 'harbour-flat', paths: [] as string[] } }));
  expect(chosen('Stitch')).toBe('Harbour flat');
});
