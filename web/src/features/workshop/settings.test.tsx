import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import { Calendars } from './Calendars';
import { HousePanel } from './HousePanel';
import { PriceRules } from './PriceRules';
import { WorkSteps } from './WorkSteps';

const RULES: Schemas['Rules'] = {
  price: {
    labourPerHour: 14,
    marginPercent: 35,
    feePercent: 0,
    feePerPiece: 0,
    step: 0.5,
    taxPercent: 0,
    taxIncluded: true,
    breaks: [{ from: 5, percentOff: 6 }],
  },
  validDays: 14,
  revision: 7,
};

const TOVE = {
  person: 1,
  name: 'Tove',
  shared: false,
  week: { MONDAY: 420, SATURDAY: 120 },
  days: [],
  families: [],
  revision: 3,
};
const SESSION = { name: 'Tove', role: 'OWNER' };

it('keeps the minutes of all seven days, and a day without any as closed', async () => {
  const asked = serving({
    'GET /api/session': SESSION,
    'GET /api/calendars': { makers: [TOVE] },
    'PUT /api/people/1/calendar': { revision: 4 },
  });
  show(<Calendars />);
  fireEvent.change(await screen.findByDisplayValue('420'), { target: { value: '300' } });
  fireEvent.click(await screen.findByRole('button', { name: 'A day off, or part of one' }));
  fireEvent.change(screen.getByLabelText('Day'), { target: { value: '2031-05-01' } });
  fireEvent.click(screen.getByRole('button', { name: 'Add' }));
  expect(screen.getByText('2031-05-01: off')).toBeTruthy();
  fireEvent.change(screen.getByLabelText('Done for the day at'), { target: { value: '17:30' } });
  fireEvent.click(screen.getByLabelText('Snakes'));
  fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'PUT')?.body).toEqual({
      week: {
        MONDAY: 300,
        TUESDAY: 0,
        WEDNESDAY: 0,
        THURSDAY: 0,
        FRIDAY: 0,
        SATURDAY: 120,
        SUNDAY: 0,
      },
      days: [{ day: '2031-05-01', minutes: 0 }],
      ends: '17:30',
      families: ['SNAKE'],
      revision: 3,
    }),
  );
});

it('marks the day whose minutes do not go, and keeps what was typed', async () => {
  serving({
    'GET /api/session': SESSION,
    'GET /api/calendars': { makers: [{ ...TOVE, shared: true }] },
    'PUT /api/people/1/calendar': new Reply(422, refused('week.MONDAY')),
  });
  show(<Calendars />);
  expect(await screen.findByText(/Shared out equally/)).toBeTruthy();
  fireEvent.change(await screen.findByDisplayValue('420'), { target: { value: '9000' } });
  fireEvent.click(await screen.findByRole('button', { name: 'Keep' }));
  expect(await screen.findByText(/Bad week.MONDAY/)).toBeTruthy();
  expect(screen.getByDisplayValue('9000').getAttribute('aria-invalid')).toBe('true');
});

it('lets a maker change their own days and no others', async () => {
  serving({
    'GET /api/session': { name: 'Bram', role: 'MAKER' },
    'GET /api/calendars': {
      makers: [
        { ...TOVE, person: 2, name: 'Bram', week: { MONDAY: 90 } },
        { ...TOVE, days: [{ day: '2031-05-02', minutes: 60 }] },
      ],
    },
  });
  show(<Calendars />);
  expect(await screen.findByText('2031-05-02: 60 minutes')).toBeTruthy();
  expect(screen.getAllByRole('button', { name: 'Keep' })).toHaveLength(1);
  expect(screen.getByDisplayValue('420').hasAttribute('readonly')).toBe(true);
  expect(screen.getByDisplayValue('90').hasAttribute('readonly')).toBe(false);
});

it('asks for a check of each piece once it is wanted, and says when somebody was quicker', async () => {
  const asked = serving({
    'GET /api/work-steps': { checks: false, packs: true, revision: 2 },
    'PUT /api/work-steps': new Reply(409, { ...refused(''), title: 'Somebody changed it' }),
  });
  show(<WorkSteps owner />);
  const checks = await screen.findByRole('switch', { name: /^Each piece is checked/ });
  expect(screen.getByRole('switch', { name: /^Each piece is packed/ }).hasAttribute('checked')).toBe(true);
  fireEvent.click(checks);
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'PUT')?.body).toEqual({ checks: true, packs: true, revision: 2 }),
  );
  expect(await screen.findByText(/Somebody changed it/)).toBeTruthy();
});

it('shows a maker the settings and offers no change', async () => {
  serving({
    'GET /api/orders/price-rules': RULES,
  });
  show(<PriceRules owner={false} />);
  expect((await screen.findByDisplayValue('35')).hasAttribute('readonly')).toBe(true);
  expect(screen.queryByRole('button', { name: 'Keep' })).toBeNull();
});

it('keeps prices as they are typed, with a comma too, and breaks that come and go', async () => {
  const asked = serving({
    'GET /api/orders/price-rules': RULES,
    'PUT /api/orders/price-rules': { revision: 8 },
  });
  show(<PriceRules owner />);
  await screen.findByDisplayValue('35');
  fireEvent.change(screen.getByDisplayValue('35'), { target: { value: '37,5' } });
  fireEvent.click(screen.getByRole('button', { name: /Add/ }));
  fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'PUT')?.body).toMatchObject({
      marginPercent: '37,5',
      breaks: [
        { from: 5, percentOff: '6' },
        { from: 10, percentOff: '5' },
      ],
    }),
  );
});

it('says beside the field what a price cannot be', async () => {
  serving({
    'GET /api/orders/price-rules': RULES,
    'PUT /api/orders/price-rules': new Reply(422, refused('marginPercent', 'breaks[0].from')),
  });
  show(<PriceRules owner />);
  await screen.findByDisplayValue('35');
  fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
  expect((await screen.findAllByText(/Bad marginPercent/)).length).toBe(1);
  expect(screen.getAllByText(/Bad breaks/).length).toBeGreaterThan(0);
});

const HOUSE: Schemas['House'] = {
  name: 'Ullin Bench',
  currency: 'EUR',
  zone: 'Europe/Copenhagen',
  revision: 2,
};

it('says whoever comes second that the house was changed, and keeps what they typed', async () => {
  const asked = serving({
    'GET /api/house': HOUSE,
    'PUT /api/house': new Reply(409, { ...refused(), title: 'Somebody else changed this just now' }),
  });
  show(<HousePanel owner />);
  fireEvent.change(await screen.findByLabelText('Name'), { target: { value: 'Ullin & Co' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep the house' }));
  expect(await screen.findByText('Somebody else changed this just now')).toBeTruthy();
  expect(screen.getByDisplayValue('Ullin & Co')).toBeTruthy();
  expect(asked.find((a) => a.method === 'PUT')?.body).toEqual({ ...HOUSE, name: 'Ullin & Co' });
});

it('changes the house twice without a reload: the second change rests on the first', async () => {
  const asked = serving({ 'GET /api/house': HOUSE, 'PUT /api/house': { revision: 3 } });
  show(<HousePanel owner />);
  const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep the house' }));
  await screen.findByDisplayValue('Ullin Bench');
  keep();
  await waitFor(() => expect(asked.filter((a) => a.method === 'PUT')).toHaveLength(1));
  fireEvent.change(screen.getByLabelText('Currency'), { target: { value: 'SEK' } });
  await waitFor(() =>
    expect(screen.getByRole('button', { name: 'Keep the house' })).not.toHaveProperty('disabled', true),
  );
  keep();
  await waitFor(() =>
    expect(asked.filter((a) => a.method === 'PUT')[1]?.body).toMatchObject({ currency: 'SEK', revision: 3 }),
  );
});
