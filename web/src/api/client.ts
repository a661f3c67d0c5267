// The server, as the page speaks to it. Every request has a time limit; an answer that is not one of ours, as a page of a
// network that wants a sign-in, means that the server could not be reached.
import { keepAnswer } from './offline';
import type { Credentials, Document, ShelfEntry, HttpProblem, Person, Stored } from '../generated/types';
import type { Outcome } from '../saving/machine';

/** The server refused; problem says why. */
export class Refused extends Error {
  constructor(readonly problem: HttpProblem) {
    super(problem.title);
  }
}

/** The server could not be reached, or cannot answer now. */
export class Away extends Error {
  constructor(words = 'The server cannot be reached.') {
    super(words);
  }
}

/** Milliseconds after which a request is given up. */
const timeLimit = 15_000;

/** Answers that come from something between here and the server, or that another try may mend. */
const passing = new Set([408, 425, 429, 500, 502, 503, 504]);

interface Request {
  body?: unknown;
  /** What the answer must be to be believed. */
  expected?: (answer: unknown) => boolean;
  /** The request may outlive the page. */
  keepalive?: boolean;
}

async function call<T>(method: string, address: string, { body, expected, keepalive }: Request = {}) {
  let response: Response;
  let answer: unknown;
  try {
    response = await fetch(`/api${address}`, {
      method,
      headers: body === undefined ? {} : { 'Content-Type': 'application/json' },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
      signal: AbortSignal.timeout(timeLimit),
      keepalive: keepalive ?? false,
    });
    if (response.status === 204) return undefined as T;
    answer = await response.json();
  } catch {
    throw new Away();
  }
  if (response.ok) {
    if (expected && !expected(answer)) throw new Away();
    return answer as T;
  }
  const kind = response.headers.get('Content-Type') ?? '';
  if (!kind.startsWith('application/problem+json') || !isProblem(answer)) throw new Away();
  if (passing.has(response.status)) throw new Away(answer.title);
  throw new Refused(answer);
}

const isObject = (answer: unknown): answer is Record<string, unknown> =>
  typeof answer === 'object' && answer !== null;
const isProblem = (answer: unknown): answer is HttpProblem =>
  isObject(answer) && typeof answer.title === 'string' && typeof answer.status === 'number';
const isStored = (answer: unknown) => isObject(answer) && typeof answer.revision === 'number';
const isWhole = (answer: unknown) => isStored(answer) && isObject((answer as Partial<Stored>).document);
const isPerson = (answer: unknown) => isObject(answer) && typeof answer.signedIn === 'boolean';

const one = (id: string) => `/demonstrations/${encodeURIComponent(id)}`;

/** The most that a browser sends for a page that is being left. */
const mostKeptAlive = 60_000;

interface Sent {
  revision: number;
  document: Document;
  save: string;
}

/** Sends a save; leaving tells that the page is being left. It never throws what the server or the network did. */
async function save(id: string, sent: Sent, leaving = false): Promise<Outcome<Document>> {
  const body = JSON.stringify(sent);
  try {
    const keepalive = leaving && body.length < mostKeptAlive;
    const stored = await call<Stored>('PUT', one(id), { body, expected: isStored, keepalive });
    void keepAnswer(`/api${one(id)}`, { ...stored, document: sent.document });
    return { kind: 'stored', revision: stored.revision };
  } catch (e) {
    if (e instanceof Away) return { kind: 'away', reason: e.message };
    if (!(e instanceof Refused)) throw e;
    const { status, current, title } = e.problem;
    if (status === 401) return { kind: 'signedOut' };
    if (status === 404) return { kind: 'deleted' };
    if (status !== 409) return { kind: 'refused', reason: title };
    if (!current?.document) return { kind: 'away', reason: title };
    const { revision, document, changedAt, save: theirSave } = current;
    return { kind: 'conflict', theirs: { revision, document, changedAt, save: theirSave ?? '' } };
  }
}

export const api = {
  person: () => call<Person>('GET', '/session', { expected: isPerson }),
  signIn: (body: Credentials) => call<Person>('POST', '/session', { body, expected: isPerson }),
  signInDemo: () => call<Person>('POST', '/session/demo', { body: {}, expected: isPerson }),
  signOut: () => call<undefined>('DELETE', '/session'),
  register: (body: Credentials) => call<Person>('POST', '/accounts', { body, expected: isPerson }),
  list: (words: string, after = '') =>
    call<ShelfEntry[]>('GET', `/demonstrations?${new URLSearchParams({ words, after }).toString()}`, {
      expected: Array.isArray,
    }),
  add: (title: string) => call<Stored>('POST', '/demonstrations', { body: { title }, expected: isStored }),
  /** Adds a demonstration from a file's text. */
  importText: (body: string) => call<Stored>('POST', '/demonstrations/import', { body, expected: isStored }),
  read: (id: string) => call<Stored & { document: Document }>('GET', one(id), { expected: isWhole }),
  save,
  copy: (id: string) => call<Stored>('POST', `${one(id)}/copy`, { expected: isStored }),
  remove: (id: string) => call<undefined>('DELETE', one(id)),
  restore: (id: string) => call<undefined>('POST', `${one(id)}/restore`),
  pictureAddress: (e: ShelfEntry) => `/api${one(e.id)}/picture.svg?revision=${e.revision}`,
  fileAddress: (id: string) => `/api${one(id)}/file`,
};
