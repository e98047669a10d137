import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Problem = Schemas['ProblemView'];
export type FieldProblem = Schemas['FieldProblem'];

/** Carries a problem detail of the server, so that every place shows it in the same way. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.title);
  }

  field(name: string): string | undefined {
    const found = this.problem.fields?.find((f) => f.field === name);
    return found && `${found.message} ${found.remedy}`;
  }
}

const csrf: Middleware = {
  onRequest({ request }) {
    const token = document.cookie.match(/(?:^|; )XSRF-TOKEN=([^;]*)/)?.[1];
    if (token && request.method !== 'GET') request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token));
    return request;
  },
};

export const api = createClient<paths>({ baseUrl: '/', fetch: (request) => globalThis.fetch(request) });
api.use(csrf);

const OFFLINE: Problem = {
  title: 'Restis does not answer',
  detail: 'What you typed is still here. Check that it runs (bin/restis status) and try again.',
  status: 0,
  code: 'offline',
};
const GARBLED: Problem = { ...OFFLINE, title: 'The answer cannot be read', code: 'garbled' };

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** Unwraps an answer, or throws what stands against it. */
export async function ask<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await call;
  } catch {
    throw new ProblemError(OFFLINE);
  }
  if (answer.response.ok) return answer.data as T;
  if (answer.response.status === 401 && !answer.error) {
    window.dispatchEvent(new Event('restis:signed-out'));
  }
  const problem = answer.error as Partial<Problem> | undefined;
  throw new ProblemError(problem?.title ? ({ ...GARBLED, ...problem } as Problem) : GARBLED);
}
