import { readdirSync, readFileSync } from 'node:fs';
import { MantineProvider } from '@mantine/core';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import { afterEach, expect, it } from 'vitest';
import en from '../messages/en';
import '../app/i18n';
import { ProblemError } from '../api/client';
import { UnitsProvider, useUnits } from '../app/units';
import { Because } from './Because';
import { ProblemNote } from './ProblemNote';
import { StrandBar } from './StrandBar';
import { Verdict } from './Verdict';

afterEach(() => {
  cleanup();
});

function Switch() {
  const { setUnits } = useUnits();
  return (
    <button type="button" onClick={() => setUnits('IMPERIAL')}>
      switch
    </button>
  );
}

const show = (element: ReactElement) =>
  render(
    <MantineProvider>
      <UnitsProvider>
        <Switch />
        {element}
      </UnitsProvider>
    </MantineProvider>,
  );

it('says a verdict in a word, not by colour alone', () => {
  show(<Verdict word="TIGHT" />);
  expect(screen.getByText('Tight')).toBeDefined();
});

it('gives the figures of a strand bar as text, in the unit that is switched on', () => {
  show(
    <StrandBar
      code="NT2"
      colour="#22365C"
      stretches={[
        { um: 300_000, kind: 'used' },
        { um: 81_000, kind: 'tail' },
      ]}
    />,
  );
  expect(screen.getByRole('img').getAttribute('aria-label')).toBe(
    'NT2, 381 mm: in the piece 300 mm, tail and margin 81 mm',
  );
  fireEvent.click(screen.getByText('switch'));
  expect(screen.getByRole('img').getAttribute('aria-label')).toContain('15 in');
});

it('opens a figure into the sum behind it', async () => {
  const terms = [
    { code: 'body.square-knot', count: 41, eachUm: 21_707, totalUm: 889_987 },
    { code: 'tail.hand', count: 1, eachUm: 45_000, totalUm: 45_000 },
  ];
  show(<Because title="Cut length" um={934_987} sum={{ totalUm: 934_987, terms }} />);
  fireEvent.click(screen.getByRole('button', { name: 'Cut length: show the sum' }));
  expect(await screen.findByText('Square knots')).toBeDefined();
  expect(screen.getByText(/41 ×/)).toBeDefined();
});

it('names no message twice', () => {
  const dir = 'src/messages/en';
  const keys = readdirSync(dir)
    .filter((name) => name.endsWith('.json'))
    .flatMap((name) => Object.keys(JSON.parse(readFileSync(`${dir}/${name}`, 'utf8'))));
  expect(keys.filter((key, n) => keys.indexOf(key) !== n)).toEqual([]);
  expect(keys.length).toBe(Object.keys(en).length);
});

it('has words for every term that the core can put in a sum', () => {
  const core = '../core/src/main/java/dev/restis/core';
  const sources = readdirSync(core, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.java'))
    .map((name) => readFileSync(`${core}/${name}`, 'utf8'))
    .join();
  const found = (pattern: RegExp) => [...sources.matchAll(pattern)].map((match) => match[1] ?? '');
  const stitches = found(/new Stitch\(\s*"([^"]+)"/g);
  const knots = (/enum KnotKind \{([A-Z_,\s]+)\}/.exec(sources)?.[1] ?? '')
    .split(',')
    .map((kind) => kind.trim());
  const endings: Record<string, string[]> = { 'body.': stitches, 'knot.': knots };
  const codes = found(/(?:Term\.(?:of|tied)|takes|tied)\(\s*"([^"]+)"/g)
    .flatMap((code) => (code.endsWith('.') ? (endings[code] ?? []).map((end) => code + end) : [code]))
    .map((code) => `term.${code}`);
  expect(codes.length).toBeGreaterThan(50);
  expect(codes.filter((code) => !(code in en))).toEqual([]);
});

it('says in which row of a file something is wrong', () => {
  const error = new ProblemError({
    title: 'Some fields need another look',
    detail: 'Nothing was changed.',
    status: 422,
    code: 'rejected',
    fields: [
      { field: 'rows[3].email', code: 'email', message: '“runa” is no address.', remedy: 'Leave it empty.' },
      { field: 'file', code: 'file.columns', message: 'There is no column name.', remedy: 'Add it.' },
    ],
  });
  show(<ProblemNote error={error} />);
  expect(screen.getByText('Row 3: “runa” is no address. Leave it empty.')).toBeTruthy();
  expect(screen.getByText('There is no column name. Add it.')).toBeTruthy();
});
