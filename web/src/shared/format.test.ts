import { describe, expect, it } from 'vitest';
import { formatDay, formatLength, pricePerStockUnit } from './format';

describe('lengths in centimetres and metres', () => {
  it.each([
    [165_000, 'body', '16.5 cm'],
    [470_000, 'cord', '470 mm'],
    [1_127_500, 'cord', '1127.5 mm'],
    [71_200_000, 'cord', '71.20 m'],
    [4_800_000, 'stock', '4.80 m'],
    // A strand of 10.004 m is not cut at 10.00 m, nor one of 1000.04 mm at 1000 mm.
    [10_004_000, 'cut', '10.01 m'],
    [10_000_000, 'cut', '10.00 m'],
    [10_004_000, 'cord', '10.00 m'],
    [1_000_040, 'cut', '1000.1 mm'],
    [1_000_100, 'cut', '1000.1 mm'],
    [1_000_040, 'cord', '1000 mm'],
    [4_104, 'part', '4.1 mm'],
    [-5_000, 'part', '-5 mm'],
  ] as const)('prints %d um of %s as %s', (um, kind, words) => {
    expect(formatLength(um, 'METRIC', kind)).toBe(words);
  });
});

describe('lengths in inches and feet', () => {
  it.each([
    [184_150, 'body', '7 1/4 in'],
    [12_700, 'body', '1/2 in'],
    [254_000, 'cord', '10 in'],
    // 2315 mm is 91.14 in: 7 ft and 7.14 in, on the tape 7 1/8.
    [2_315_000, 'cord', '7 ft 7 1/8 in'],
    [3_657_600, 'cord', '12 ft'],
    // Just under four feet rounds up to them and not to 3 ft 12 in.
    [1_219_100, 'cord', '4 ft'],
    [2_000, 'part', '0.079 in'],
    // 1615 mm is 63.583 in: nearest is 9/16, but a strand is not cut short of what it needs.
    [1_615_000, 'cord', '5 ft 3 9/16 in'],
    [1_615_000, 'cut', '5 ft 3 5/8 in'],
    [254_000, 'cut', '10 in'],
    [1_219_100, 'cut', '4 ft'],
  ] as const)('prints %d um of %s as %s', (um, kind, words) => {
    expect(formatLength(um, 'IMPERIAL', kind)).toBe(words);
  });
});

it('prints a day without shifting it by the time zone, and its year where it is far off', () => {
  expect(formatDay('2027-03-31')).toBe('Wed, Mar 31');
  expect(formatDay('2027-12-31')).toBe('Fri, Dec 31, 2027');
  expect(formatDay('2025-12-01')).toBe('Mon, Dec 1, 2025');
});

it('prices cord by the foot where stock is read in feet', () => {
  // 1 ft is 0.3048 m exactly.
  expect(pricePerStockUnit(2, 'IMPERIAL')).toBeCloseTo(0.6096, 12);
  expect(pricePerStockUnit(2, 'METRIC')).toBe(2);
});
