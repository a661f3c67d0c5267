// The server, as the page speaks to it.
import type { Credentials, Document, Entry, HttpProblem, Person, Stored } from '../generated/types';

/** The server refused; problem says why. */
export class Refused extends Error {
  constructor(readonly problem: HttpProblem) {
    super(problem.title);
  }
}

/** The server could not be reached. */
export class Away extends Error {
  constructor() {
    super('The server cannot be reached.');
  }
}

async function call<T>(method: string, address: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${address}`, {
      method,
      headers: body === undefined ? {} : { 'Content-Type': 'application/json' },
      body: typeof body === 'string' || body === undefined ? body : JSON.stringify(body),
    });
  } catch {
    throw new Away();
  }
  if (response.ok) return response.status === 204 ? (undefined as T) : response.json();
  const isProblem = response.headers.get('Content-Type')?.startsWith('application/problem+json');
  if (!isProblem && response.status >= 500) throw new Away();
  throw new Refused(
    isProblem
      ? await response.json()
      : {
          type: 'about:blank',
          title: `The server answered ${response.status}.`,
          status: response.status,
          code: 'unknown',
        },
  );
}

const one = (id: string) => `/demonstrations/${encodeURIComponent(id)}`;

export const api = {
  person: () => call<Person>('GET', '/session'),
  signIn: (c: Credentials) => call<Person>('POST', '/session', c),
  signInDemo: () => call<Person>('POST', '/session/demo', {}),
  signOut: () => call<void>('DELETE', '/session'),
  register: (c: Credentials) => call<Person>('POST', '/accounts', c),
  list: (words: string) => call<Entry[]>('GET', `/demonstrations?words=${encodeURIComponent(words)}`),
  add: (title: string) => call<Stored>('POST', '/demonstrations', { title }),
  /** Adds a demonstration from a file's text. */
  importText: (text: string) => call<Stored>('POST', '/demonstrations/import', text),
  read: (id: string) => call<Stored & { document: Document }>('GET', one(id)),
  save: (id: string, revision: number, document: Document) =>
    call<Stored>('PUT', one(id), { revision, document }),
  copy: (id: string) => call<Stored>('POST', `${one(id)}/copy`),
  remove: (id: string) => call<void>('DELETE', one(id)),
  restore: (id: string) => call<void>('POST', `${one(id)}/restore`),
  pictureAddress: (e: Entry) => `/api${one(e.id)}/picture.svg?revision=${e.revision}`,
  fileAddress: (id: string) => `/api${one(id)}/file`,
};
