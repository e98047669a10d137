import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { PiecesPanel } from '../../shared/PiecesPanel';
import { piecesQuery } from '../../shared/pieces';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import { useAct } from './queries';

type Look = Schemas['PieceLook'];

const piece = (number: number, change: Partial<Look> = {}): Schemas['OrderPiece'] => ({
  line: 1,
  number,
  piece: {
    piece: 100 + number,
    stage: 'CUT',
    acts: ['START', 'FINISH'],
    last: {
      event: 200 + number,
      act: 'CUT',
      at: '2031-03-01T10:00:00Z',
      who: 'Bram',
      takenBackAlone: false,
      reason: '',
    },
    ...change,
  },
});

const pieces = (rows: Schemas['OrderPiece'][]) =>
  [piecesQuery(7).queryKey, { pages: [{ rows }], pageParams: [''] }] as const;

/** Answers with the pieces that would be taken, and keeps what else was asked. */
function server(next: Schemas['OrderPiece'][]) {
  const asked: { path: string; body: unknown }[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname;
    if (path.endsWith('/next')) return Response.json({ pieces: next });
    if (request.method === 'POST') asked.push({ path, body: await request.json() });
    return request.method === 'POST' ? new Response(null, { status: 204 }) : Response.json({ rows: [] });
  });
  return asked;
}

it('shows which pieces would be taken, and names them only when told so', async () => {
  const asked = server([piece(3), piece(1)]);
  show(<PiecesPanel order={7} />, [
    pieces([piece(1), piece(2), piece(3, { stage: 'MAKING', acts: ['FINISH'] })]),
  ]);
  fireEvent.change(screen.getByLabelText('How many'), { target: { value: '2' } });
  fireEvent.click(screen.getByRole('button', { name: 'Made' }));
  expect(await screen.findByText('2 pieces are made: 1.3, 1.1?')).toBeTruthy();
  expect(asked).toEqual([]);
  fireEvent.click(screen.getByRole('button', { name: 'Yes, so it is' }));
  await waitFor(() =>
    expect(asked).toEqual([{ path: '/api/pieces/acts', body: { act: 'FINISH', pieces: [103, 101] } }]),
  );
});

it('takes those that are ticked, but for those that do not stand there', async () => {
  server([]);
  show(<PiecesPanel order={7} />, [pieces([piece(1), piece(2, { stage: 'MAKING', acts: ['FINISH'] })])]);
  fireEvent.click(screen.getByLabelText('Choose piece 1.1'));
  fireEvent.click(screen.getByLabelText('Choose piece 1.2'));
  fireEvent.click(screen.getByRole('button', { name: 'Begun' }));
  expect(await screen.findByText('Piece 1.1 is begun?')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Not yet' }));
  expect(screen.queryByRole('button', { name: 'Yes, so it is' })).toBeNull();
});

it('says who did what last, when glue is dry, and takes back what can be', async () => {
  const asked = server([]);
  const made = piece(2, {
    stage: 'MADE',
    acts: [],
    dryUntil: '2031-03-02T10:00:00Z',
    last: {
      event: 9,
      act: 'FINISH',
      at: '2031-03-01T10:00:00Z',
      who: 'Tove',
      takenBackAlone: true,
      reason: '',
    },
  });
  show(<PiecesPanel order={7} />, [pieces([piece(1), made])]);
  const rows = screen.getAllByRole('row');
  expect(within(rows[1] as HTMLElement).queryByRole('button')).toBeNull();
  const last = within(rows[2] as HTMLElement);
  expect(last.getByText(/^made, dry Mar 2, 2031/)).toBeTruthy();
  expect(last.getByText(/^made by Tove, Mar 1, 2031/)).toBeTruthy();
  fireEvent.click(last.getByRole('button', { name: 'Take back' }));
  await waitFor(() => expect(asked).toEqual([{ path: '/api/pieces/take-back', body: { events: [9] } }]));
});

it('is not there as long as nothing is planned', () => {
  server([]);
  show(<PiecesPanel order={7} />, [pieces([piece(1, { stage: 'OPEN', acts: [], last: undefined })])]);
  expect(screen.queryByRole('heading')).toBeNull();
});

function All() {
  const act = useAct(7);
  return (
    <button type="button" onClick={() => act.mutate('FINISH')}>
      all are made
    </button>
  );
}

it.each([
  { able: [101, 103], asked: { path: '/api/pieces/acts', body: { act: 'FINISH', pieces: [101, 103] } } },
  // The refusal says why.
  { able: [], asked: { path: '/api/orders/7/acts/FINISH', body: undefined } },
])('names the pieces when all are meant: $able', async ({ able, asked }) => {
  const all = serving({
    'GET /api/orders/7/pieces/next': { pieces: able.map((piece) => ({ piece: { piece } })) },
    'POST /api/pieces/acts': new Reply(204),
    'POST /api/orders/7/acts/FINISH': new Reply(409, refused()),
  });
  show(<All />);
  fireEvent.click(screen.getByRole('button', { name: 'all are made' }));
  await waitFor(() => expect(all.find((a) => a.method === 'POST')).toMatchObject(asked));
});

it('asks what is wrong before a piece is given up, and shows it afterwards', async () => {
  const asked = server([piece(2)]);
  const gone = piece(1, {
    stage: 'GIVEN_UP',
    acts: [],
    last: {
      event: 9,
      act: 'GIVE_UP',
      at: '2031-03-01T10:00:00Z',
      who: 'Tove',
      takenBackAlone: true,
      reason: 'a core shows on the face',
    },
  });
  show(<PiecesPanel order={7} />, [pieces([gone, piece(2, { acts: ['GIVE_UP'] })])]);
  expect(screen.getByText(/^given up by Tove, .*: a core shows on the face$/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Cannot be saved' }));
  const yes = await screen.findByRole('button', { name: 'Yes, so it is' });
  expect(yes.hasAttribute('disabled')).toBe(true);
  fireEvent.change(screen.getByLabelText('What is wrong with it'), { target: { value: 'nicked' } });
  fireEvent.click(yes);
  await waitFor(() =>
    expect(asked).toEqual([
      { path: '/api/pieces/acts', body: { act: 'GIVE_UP', pieces: [102], reason: 'nicked' } },
    ]),
  );
});
