import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import { Arrival } from './Arrival';
import FinishedPage from './FinishedPage';
import { Letters } from './Letters';
import { Parcels } from './Parcels';
import { Payments } from './Payments';
import { SendForm } from './SendForm';

const ONWARD: Schemas['OnwardView'] = { count: 0, missing: 0, here: 0, drying: 0, sent: 0, sendable: 0 };

const row = (change: Partial<Schemas['FinishedRow']>): Schemas['FinishedRow'] => ({
  order: 4,
  reference: 'F-0004',
  customer: 'Sluice keeper',
  line: 7,
  patternName: 'Snake-knot band',
  due: '2026-12-07',
  late: false,
  way: '',
  onward: { ...ONWARD, here: 3, next: 'PACK', count: 3 },
  open: 14,
  ...change,
});

const LINE: Schemas['FinishedLine'] = {
  id: 7,
  number: 1,
  patternName: 'Snake-knot band',
  colours: ['Rowan'],
  note: '',
  stages: { PACKED: 3 },
  onward: { ...ONWARD, here: 3, sendable: 3, next: 'SEND', count: 3 },
};

const ORDER: Schemas['FinishedOrder'] = {
  order: 4,
  reference: 'F-0004',
  customer: 'Sluice keeper',
  address: '',
  email: '',
  due: '2026-12-07',
  arrives: '2026-12-10',
  way: 'Post',
  wayDays: 3,
  note: '',
  onward: LINE.onward,
  lines: [LINE],
  parcels: [],
  letters: [],
};

const WAYS = [
  { name: 'Post', days: 3 },
  { name: 'Courier', days: 1 },
];

const looked = (piece: number): Schemas['OrderPiece'] => ({
  line: 1,
  number: piece,
  piece: { piece, stage: 'PACKED', acts: ['SEND'] },
});

it('says of each order what is here, what it waits for, and what comes next', async () => {
  serving({
    'GET /api/finished': {
      rows: [
        row({}),
        row({
          order: 5,
          reference: 'F-0005',
          late: true,
          open: 0,
          set: 'PART',
          onward: { ...ONWARD, here: 2, missing: 1 },
        }),
      ],
    },
  });
  show(<FinishedPage />);
  expect(await screen.findByText('3 pieces here')).toBeTruthy();
  expect(screen.getByText('2 pieces here · 1 to come')).toBeTruthy();
  expect(screen.getByText('The matching set is not whole')).toBeTruthy();
  expect(screen.getByText(/^Had to leave by/)).toBeTruthy();
  expect(screen.getByText('Paid')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Look' }).getAttribute('href')).toBe('/finished/5');
});

it('packs all that can be packed from the list, by name', async () => {
  const asked = serving({
    'GET /api/finished': { rows: [row({})] },
    'GET /api/orders/4/pieces/next': { pieces: [looked(11), looked(12)] },
    'POST /api/pieces/acts': {},
  });
  show(<FinishedPage />);
  fireEvent.click(await screen.findByRole('button', { name: 'Pack 3' }));
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ act: 'PACK', pieces: [11, 12] }),
  );
});

it('offers the bench where nothing is made', async () => {
  serving({ 'GET /api/finished': { rows: [] } });
  show(<FinishedPage />);
  expect(await screen.findByRole('link', { name: 'To the bench' })).toBeTruthy();
});

it('sends a part of what can go, with its way and number', async () => {
  const asked = serving({
    'GET /api/orders/4/pieces/next': { pieces: [looked(11), looked(12)] },
    'POST /api/finished/4/parcels': { id: 1 },
  });
  show(<SendForm order={ORDER} ways={WAYS} />);
  fireEvent.change(screen.getByLabelText('How many of Snake-knot band'), { target: { value: '2' } });
  fireEvent.change(screen.getByLabelText('Its number'), { target: { value: 'SQ 9' } });
  fireEvent.click(screen.getByRole('button', { name: 'Send 2 pieces' }));
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'POST')?.body).toEqual({
      pieces: [11, 12],
      way: 'Post',
      tracking: 'SQ 9',
      note: '',
    }),
  );
  expect(asked[0]?.path).toContain('count=2');
});

it('keeps what was typed when a parcel is refused', async () => {
  serving({
    'GET /api/orders/4/pieces/next': { pieces: [looked(11)] },
    'POST /api/finished/4/parcels': new Reply(422, refused('sentOn')),
  });
  show(<SendForm order={ORDER} ways={WAYS} />);
  fireEvent.change(screen.getByLabelText('Its number'), { target: { value: 'SQ 9' } });
  fireEvent.click(screen.getByRole('button', { name: 'Send 3 pieces' }));
  expect(await screen.findByText(/Bad sentOn/)).toBeTruthy();
  expect(screen.getByDisplayValue('SQ 9')).toBeTruthy();
});

it('says when an order must leave, and keeps another way with the day it was seen with', async () => {
  const asked = serving({ 'PUT /api/orders/4/arrival': {} });
  show(<Arrival order={ORDER} ways={WAYS} />);
  expect(screen.getByText(/^Post: must leave by .* to arrive on .*, 3 days later\.$/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Change' }));
  fireEvent.change(screen.getByLabelText('Way', { selector: 'input' }), { target: { value: 'Courier' } });
  expect(screen.getByDisplayValue('1')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: /^Keep/ }));
  await waitFor(() =>
    expect(asked[0]?.body).toEqual({ way: 'Courier', days: 1, arrives: '2026-12-10', due: '2026-12-07' }),
  );
});

it('takes a parcel back that did not leave', async () => {
  const parcel: Schemas['ParcelView'] = {
    id: 3,
    number: 1,
    sentOn: '2026-12-01',
    way: 'Post',
    tracking: 'SQ 9',
    note: '',
    pieces: 2,
    takenOut: 1,
    at: '2026-12-01T08:00:00Z',
    who: 'Tove',
    version: 0,
  };
  const asked = serving({ 'POST /api/finished/parcels/3/take-back': {} });
  show(<Parcels order={{ ...ORDER, parcels: [parcel] }} />);
  expect(screen.getByText(/2 pieces · Post · no\. SQ 9 · 1 taken out/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'It did not leave' }));
  await waitFor(() => expect(asked).toHaveLength(1));
});

it('offers what is open as the next payment, and shows one noted by mistake crossed out', async () => {
  const asked = serving({ 'POST /api/orders/4/payments': { id: 2 } });
  const paid: Schemas['PaidView'] = {
    agreed: 64,
    paid: 24,
    open: 40,
    payments: [
      {
        id: 1,
        paidOn: '2026-11-30',
        amount: 5,
        how: 'CASH',
        note: '',
        at: '2026-11-30T08:00:00Z',
        who: 'Tove',
        withdrawnAt: '2026-11-30T09:00:00Z',
        withdrawnBy: 'Bram',
      },
    ],
  };
  show(<Payments order={4} paid={paid} />);
  expect(screen.getByText(/noted by mistake, says Bram/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Note a payment' }));
  expect(screen.getByDisplayValue('40')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Note it' }));
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'POST')?.body).toMatchObject({
      amount: '40',
      how: 'TRANSFER',
      back: false,
    }),
  );
});

it('shows a message before it goes, and says whoever comes second that another went', async () => {
  const asked = serving({
    'GET /api/finished/4/letters/SENT': {
      recipient: 'keeper@quay.example',
      subject: 'On its way',
      body: 'Dear keeper',
      before: 2,
    },
    'POST /api/finished/4/letters': new Reply(409, { ...refused(), title: 'Another went out' }),
  });
  show(<Letters order={ORDER} />);
  fireEvent.click(screen.getByRole('button', { name: 'It is on its way' }));
  fireEvent.change(await screen.findByLabelText('Message'), { target: { value: 'Dear keeper, it left.' } });
  fireEvent.click(screen.getByRole('button', { name: 'Put it in the outbox' }));
  expect(await screen.findByText('Another went out')).toBeTruthy();
  expect(screen.getByDisplayValue('Dear keeper, it left.')).toBeTruthy();
  expect(asked.find((a) => a.method === 'POST')?.body).toMatchObject({ before: 2, kind: 'SENT' });
});
