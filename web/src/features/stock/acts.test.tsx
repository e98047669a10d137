import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { UnitsProvider } from '../../app/units';
import { useAmount, usePrice } from '../../shared/amount';
import { materialsQuery } from '../../shared/piece/queries';
import { answering, refused } from '../../test/server';
import { show } from '../../test/show';
import { ArticleForm } from './ArticleForm';
import { HoldingActs } from './HoldingActs';
import { kindsQuery } from './queries';

const KINDS: Schemas['KindView'][] = [
  { kind: 'CORD', measures: [] },
  { kind: 'BEAD', measures: ['LENGTH', 'ACROSS', 'HOLE'] },
  { kind: 'CONSUMABLE', measures: [] },
];
const KNOWN: [readonly unknown[], unknown][] = [
  [kindsQuery.queryKey, KINDS],
  [materialsQuery.queryKey, []],
];

const GLUE: Schemas['CardView'] = {
  article: {
    id: 7,
    code: 'GL20',
    kind: 'CONSUMABLE',
    unit: 'MILLILITRE',
    name: 'Cord glue',
    colour: '#D9CFA8',
    onHand: 40_000,
    bestLot: 40_000,
    unitPrice: 0.24,
  },
  version: 3,
  putUps: [],
  lots: [],
  promised: [],
  fits: [],
  uses: [
    { article: 7, occasion: 'END_GLUED', quantity: 50 },
    { article: 7, occasion: 'ELASTIC', quantity: 100 },
  ],
};

const field = (label: string) => screen.getByLabelText(label) as HTMLInputElement;

it('changes an article in the version that was read, with its amounts as they are kept', async () => {
  const asked = answering(204);
  show(<ArticleForm card={GLUE} opened onClose={() => {}} />, KNOWN);
  expect(field('Code').disabled).toBe(true);
  expect(field('Counted in').disabled).toBe(true);
  expect(field('Each glued end').value).toBe('0.05 ml');
  expect(field('Elastic closure').value).toBe('0.1 ml');
  fireEvent.change(field('Name'), { target: { value: 'Clear glue' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep the change' }));
  await waitFor(() => expect(asked.some((a) => a.method === 'PUT')).toBe(true));
  const put = asked.find((a) => a.method === 'PUT');
  expect(put?.path).toBe('/api/stock/articles?version=3');
  expect(put?.body).toMatchObject({
    code: 'GL20',
    name: 'Clear glue',
    unit: 'MILLILITRE',
    uses: { END_GLUED: '0.05 ml', ELASTIC: '0.1 ml' },
  });
});

it('keeps a length to the micrometre when an article is changed', () => {
  const cord = { ...GLUE.article, kind: 'CORD', unit: 'METRE', diameterUm: 1_587, keepUm: 304_800 } as const;
  show(<ArticleForm card={{ ...GLUE, article: cord, uses: [] }} opened onClose={() => {}} />, KNOWN);
  expect(field('Diameter').value).toBe('1.587 mm');
  expect(field('Keep remnants from').value).toBe('304.8 mm');
});

it('says at each field of a new article what cannot be taken, and loses nothing', async () => {
  answering(422, refused('code', 'name', 'diameter'));
  show(<ArticleForm opened onClose={() => {}} />, KNOWN);
  fireEvent.change(field('Name'), { target: { value: 'Night Tide' } });
  fireEvent.click(screen.getByRole('button', { name: 'Add the article' }));
  expect(await screen.findByText('Bad code. Write it anew.')).toBeTruthy();
  expect(screen.getByText('Bad name. Write it anew.')).toBeTruthy();
  expect(screen.getByText('Bad diameter. Write it anew.')).toBeTruthy();
  expect(field('Name').value).toBe('Night Tide');
});

const SPOOL: Schemas['HoldingView'] = {
  id: 11,
  label: 'S011',
  kind: 'SPOOL',
  articleId: 1,
  lotId: 1,
  lot: 'HE-04',
  receivedOn: '2031-03-01',
  shelf: 'A1',
  quantity: 4_000_000,
  fullQuantity: 5_000_000,
  plannedUm: 0,
  value: 0.8,
  flawsUm: [],
  joinsUm: [],
};

const acts = () => [...(screen.getByLabelText('What') as HTMLSelectElement).options].map((o) => o.text);

it('offers to open only what is sealed', () => {
  const { unmount } = show(<HoldingActs holding={SPOOL} others={[]} cord />);
  expect(acts()).toContain('Open it');
  unmount();
  show(<HoldingActs holding={{ ...SPOOL, openedAt: '2031-03-02T08:00:00Z' }} others={[]} cord />);
  expect(acts()).not.toContain('Open it');
});

it('opens a spool without asking for anything more', async () => {
  const asked = answering(204);
  show(<HoldingActs holding={SPOOL} others={[]} cord />);
  fireEvent.change(screen.getByLabelText('What'), { target: { value: 'OPEN' } });
  expect(screen.queryByLabelText('Reason')).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'It is open now' }));
  await waitFor(() => expect(asked[0]).toMatchObject({ path: '/api/stock/holdings/11/open' }));
});

it('marks a join where it lies', async () => {
  const asked = answering(204);
  show(<HoldingActs holding={SPOOL} others={[]} cord />);
  fireEvent.change(screen.getByLabelText('What'), { target: { value: 'JOIN' } });
  fireEvent.change(screen.getByLabelText('From the free end'), { target: { value: '3 m' } });
  fireEvent.click(screen.getByRole('button', { name: 'Mark it' }));
  await waitFor(() =>
    expect(asked[0]).toMatchObject({
      path: '/api/stock/holdings/11/flaw',
      body: { at: '3 m', mark: 'JOIN', there: true },
    }),
  );
});

it('keeps what was typed when it cannot be set right, and says why', async () => {
  answering(422, refused('quantity', 'reason'));
  show(<HoldingActs holding={SPOOL} others={[]} cord />);
  fireEvent.change(screen.getByLabelText('Really there'), { target: { value: 'some' } });
  fireEvent.click(screen.getByRole('button', { name: 'Set right' }));
  expect(await screen.findByText('Bad quantity. Write it anew.')).toBeTruthy();
  expect(screen.getByText('Bad reason. Write it anew.')).toBeTruthy();
  expect(field('Really there').value).toBe('some');
});

it('puts boxes together only where there is another of the lot', () => {
  const box = { ...SPOOL, kind: 'BOX', label: 'B011' };
  const { unmount } = show(<HoldingActs holding={box} others={[box]} cord={false} />);
  expect(acts()).not.toContain('Put into another box');
  unmount();
  show(<HoldingActs holding={box} others={[box, { ...box, id: 12, label: 'B012' }]} cord={false} />);
  expect(acts()).toContain('Put into another box');
});

function Said() {
  const amount = useAmount();
  const price = usePrice();
  const { value, per } = price({ unitPrice: 0.3048, unit: 'METRE' });
  return (
    <p>
      {[
        amount(12_400_000, 'METRE'),
        amount(1, 'PIECE'),
        amount(250, 'PIECE'),
        amount(50, 'MILLILITRE'),
        amount(38_450, 'MILLILITRE'),
        amount(1_500, 'GRAM'),
        `${value.toFixed(4)} ${per}`,
      ].join(' | ')}
    </p>
  );
}

it('says every amount in its unit, cord in the user’s', () => {
  const { unmount } = show(<Said />);
  expect(document.querySelector('p')?.textContent).toBe(
    '12.40 m | 1 piece | 250 pieces | 0.05 ml | 38.45 ml | 1.5 g | 0.3048 a metre',
  );
  unmount();
  show(
    <UnitsProvider first="IMPERIAL">
      <Said />
    </UnitsProvider>,
  );
  expect(document.querySelector('p')?.textContent).toContain('40.7 ft | 1 piece');
  expect(document.querySelector('p')?.textContent).toContain('0.0929 a foot');
});
