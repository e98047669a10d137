import { vi } from 'vitest';

export interface Asked {
  method: string;
  path: string;
  body: unknown;
}

/** Answers everything that is asked of the server alike, and keeps what was asked. */
export function answering(status: number, answer: unknown = {}): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const url = new URL(request.url);
    const text = await request.text();
    asked.push({
      method: request.method,
      path: url.pathname + url.search,
      body: text === '' ? undefined : JSON.parse(text),
    });
    const type = status < 400 ? 'application/json' : 'application/problem+json';
    return status === 204
      ? new Response(null, { status })
      : new Response(JSON.stringify(answer), { status, headers: { 'content-type': type } });
  });
  return asked;
}

/** What the server says of fields that it cannot take. */
export const refused = (...fields: string[]) => ({
  title: 'Some fields need another look',
  detail: 'Nothing was changed.',
  status: 422,
  code: 'rejected',
  fields: fields.map((field) => ({ field, message: `Bad ${field}.`, remedy: 'Write it anew.' })),
});

/** An answer with a status of its own. */
export class Reply {
  constructor(
    readonly status: number,
    readonly body: unknown = {},
  ) {}
}

/**
 * A server of a few routes, named by method and path without what follows the question mark; a route answers a value, or what it
 * makes of what was asked. What no route is for fails the test.
 */
export function serving(routes: Record<string, unknown | ((asked: Asked) => unknown)>): Asked[] {
  const all: Asked[] = [];
  vi.stubGlobal('fetch', async (input: Request | string) => {
    const request = typeof input === 'string' ? new Request(new URL(input, 'http://localhost')) : input;
    const url = new URL(request.url);
    const text = request.headers.get('content-type')?.includes('json') ? await request.text() : '';
    const asked = {
      method: request.method,
      path: url.pathname + url.search,
      body: text === '' ? undefined : JSON.parse(text),
    };
    all.push(asked);
    const route = routes[`${request.method} ${url.pathname}`];
    if (route === undefined) throw new Error(`no route for ${request.method} ${url.pathname}`);
    const made = typeof route === 'function' ? (route as (asked: Asked) => unknown)(asked) : route;
    const reply = made instanceof Reply ? made : new Reply(200, made);
    const type = reply.status < 400 ? 'application/json' : 'application/problem+json';
    return reply.status === 204
      ? new Response(null, { status: 204 })
      : new Response(JSON.stringify(reply.body), {
          status: reply.status,
          headers: { 'content-type': type },
        });
  });
  return all;
}
