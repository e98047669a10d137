import { expect, it } from 'vitest';
import make from '../../messages/en/make.json';
import { clock, spoken } from './words';

const keys = (prefix: string) => Object.keys(make).filter((k) => k.startsWith(prefix));

it('names in a sentence only what a step can fill', () => {
  const known = [
    'strands',
    'part',
    'onto',
    'count',
    'beads',
    'size',
    'stitch',
    'knot',
    'first',
    'last',
    'of',
  ];
  for (const key of [...keys('make.do.'), ...keys('make.gate.')]) {
    const named = [...make[key as keyof typeof make].matchAll(/\{\{(\w+)\}\}/g)].map((m) => m[1]);
    expect(known, key).toEqual(expect.arrayContaining(named));
  }
});

it('says times as people do', () => {
  expect([40, 60, 1140, 5400].map(spoken)).toEqual(['40 s', '1 min', '19 min', '1 h 30 min']);
  expect([0, 65, 600].map(clock)).toEqual(['0:00', '1:05', '10:00']);
});
