// Edits that the server has not acknowledged, kept in the browser's own database until it has. Every window has an entry
// of its own and takes away only what was sent.
import { entries, promisifyRequest, set, type UseStore } from 'idb-keyval';
import type { Document } from '../generated/types';
import type { Unsent } from './machine';

/** An entry with its place: whose work it is, on which demonstration, left by which window, and when. */
export interface Left extends Unsent<Document> {
  teacher: string;
  demonstration: string;
  window: string;
  at: number;
}

export type Place = Pick<Left, 'teacher' | 'demonstration' | 'window'>;

const keyOf = ({ teacher, demonstration, window }: Place) => JSON.stringify([teacher, demonstration, window]);

const database = 'parvix-unsent';
const table = 'unsent';

let kept: Promise<IDBDatabase> | undefined;
function openDatabase(): Promise<IDBDatabase> {
  kept ??= (() => {
    const request = indexedDB.open(database);
    request.onupgradeneeded = () => request.result.createObjectStore(table);
    return promisifyRequest(request);
  })();
  return kept;
}

/** What is kept outlives a crash of the browser: a transaction has ended only when it is on the disk. */
const opened = (): UseStore => async (mode, use) =>
  use((await openDatabase()).transaction(table, mode, { durability: 'strict' }).objectStore(table));

/** Whether the browser keeps anything: private windows and full disks may not. */
let works = true;

async function attempt<T>(task: () => Promise<T>, otherwise: T): Promise<T> {
  try {
    return await task();
  } catch {
    works = false;
    return otherwise;
  }
}

export const outbox = {
  get works() {
    return works;
  },

  put: (place: Place, unsent: Unsent<Document>) =>
    attempt(async () => {
      await set(keyOf(place), { ...place, ...unsent, at: Date.now() }, opened());
      works = true;
    }, undefined),

  /** Takes an entry away if it is that save still. */
  remove: (place: Place, save: string) =>
    attempt(
      () =>
        opened()('readwrite', (s) => {
          const found = s.get(keyOf(place)) as IDBRequest<Left | undefined>;
          found.onsuccess = () => {
            if (found.result?.save === save) s.delete(keyOf(place));
          };
          return promisifyRequest(s.transaction);
        }),
      undefined,
    ),

  /** What a teacher's windows have left, the newest first. */
  async list(teacher: string): Promise<Left[]> {
    const all = await attempt(() => entries<string, Left>(opened()), []);
    return all
      .map(([, left]) => left)
      .filter((left) => left.teacher === teacher)
      .sort((a, b) => b.at - a.at);
  },

  /** Leaves nothing of a teacher's that could be read after the sign-out. */
  async clear(teacher: string) {
    for (const left of await this.list(teacher)) await this.remove(left, left.save);
  },
};
