import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { firstChoices, withOffer, withPart } from './choices';

const article = (code: string, more: Partial<Schemas['Article']>) =>
  ({ code, kind: 'CORD', name: code, onHand: 1, material: 'polyester', ...more }) as Schemas['Article'];

const ARTICLES = [
  article('NT2', { diameterUm: 2000, onHand: 5 }),
  article('OA2', { diameterUm: 2000, onHand: 9 }),
  article('EM3', { diameterUm: 3000, onHand: 50 }),
  article('HI2', { diameterUm: 2000, onHand: 99, material: 'leather' }),
  article('BK16', { kind: 'BUCKLE', onHand: 0 }),
  article('BK25', { kind: 'BUCKLE', onHand: 3 }),
];

const pattern = (code: string, more: Partial<Schemas['PatternView']> = {}) =>
  ({
    code,
    kind: 'BRACELET',
    closure: 'BUCKLE',
    usualSize: 'regular',
    usualLengthUm: 0,
    cords: [{ code: 'core', gaugeUm: 2000 }],
    parts: [{ code: 'buckle', kind: 'BUCKLE', optional: false, chosenCount: 0, usual: {} }],
    ...more,
  }) as Schemas['PatternView'];

it('starts from cords of the gauge and material that are there most, and parts on hand', () => {
  const first = firstChoices(pattern('wide'), ARTICLES);
  expect(first.colours).toEqual(['OA2']);
  expect(first.parts).toEqual({ buckle: { article: 'BK25' } });
  // Sizes are the house's; nobody says that one of them is called M.
  expect(first.size).toBe('regular');
  expect(first.wearer).toBe('ADULT');
  expect(firstChoices(pattern('strung', { closure: 'SLIDE_BEAD' }), ARTICLES).colours).toEqual(['HI2']);
});

it('keeps what was chosen before where another pattern can use it', () => {
  const before = {
    ...firstChoices(pattern('wide'), ARTICLES),
    size: undefined,
    wrist: '16 cm',
    colours: ['NT2'],
    kit: true,
  };
  const next = firstChoices(pattern('narrow', { parts: [] }), ARTICLES, before);
  expect(next).toMatchObject({ wrist: '16 cm', colours: ['NT2'], parts: {}, kit: true });
  expect(next.size).toBeUndefined();
});

it('takes an offered change up and leaves the rest', () => {
  const choices = { ...firstChoices(pattern('wide'), ARTICLES), ease: 'SNUG' };
  const offer = (change: Schemas['OfferView']['change'], value: string, slot = '') =>
    withOffer(choices, { change, value, slot, name: '' }, [pattern('wide'), pattern('narrow')], ARTICLES);
  expect(offer('PART', 'BK16', 'buckle')).toEqual({ ...choices, parts: { buckle: { article: 'BK16' } } });
  expect(offer('EASE', 'LOOSE')).toEqual({ ...choices, ease: 'LOOSE' });
  expect(offer('TAPER', '')).toEqual({ ...choices, tapered: true });
  expect(offer('PATTERN', 'narrow')).toEqual({ ...choices, pattern: 'narrow' });
  expect(offer('PATTERN', 'withdrawn')).toEqual(choices);
});

it('keeps the number of beads when another bead is offered, and takes a part away', () => {
  const choices = {
    ...firstChoices(pattern('wide'), ARTICLES),
    parts: { bead: { article: 'HB9', count: 3 } },
  };
  const offered = withOffer(choices, { change: 'PART', slot: 'bead', value: 'CB10', name: '' }, [], ARTICLES);
  expect(offered.parts).toEqual({ bead: { article: 'CB10', count: 3 } });
  expect(withPart(choices, 'bead', undefined).parts).toEqual({});
});

it('takes an offered colour wherever the one that is short was chosen', () => {
  const choices = { ...firstChoices(pattern('wide'), ARTICLES), colours: ['OA2', 'NT2', 'OA2'] };
  const offer = { change: 'COLOUR', slot: 'OA2', value: 'CH2', name: 'Chalk' } as Schemas['OfferView'];
  expect(withOffer(choices, offer, [], ARTICLES).colours).toEqual(['CH2', 'NT2', 'CH2']);
});
