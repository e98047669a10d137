import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import type { ReactElement } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import '../app/i18n';
import { UnitsProvider } from '../app/units';

/** A list that comes in pages, of one page and no more. */
export const paged = (rows: unknown[]) => ({ pages: [{ rows }], pageParams: [undefined] });

/** Shows an element with all that pages stand on; a query that is not answered in `known` fails the test's fetch. */
export function show(
  element: ReactElement,
  known: [readonly unknown[], unknown][] = [],
  at = { route: '*', address: '/' },
) {
  const client = new QueryClient({
    defaultOptions: { queries: { retry: false, staleTime: Number.POSITIVE_INFINITY } },
  });
  for (const [key, data] of known) client.setQueryData(key, data);
  return render(
    <MantineProvider env="test">
      <QueryClientProvider client={client}>
        <MemoryRouter initialEntries={[at.address]}>
          <UnitsProvider>
            <Routes>
              <Route path={at.route} element={element} />
            </Routes>
          </UnitsProvider>
        </MemoryRouter>
      </QueryClientProvider>
    </MantineProvider>,
  );
}
