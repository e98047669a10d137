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
