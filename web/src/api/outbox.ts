// Edits that the server has not acknowledged, kept in the browser's own database until it has.
import { createStore, del, entries, get, set } from 'idb-keyval';
import type { Document } from '../generated/types';

/** A document that is to be saved, with the revision it was made from. */
export interface Unsent {
  revision: number;
  document: Document;
}

const store = createStore('parvix', 'outbox');
const key = (teacher: string, id: string) => `${teacher}/${id}`;

export const outbox = {
  put: (teacher: string, id: string, unsent: Unsent) => set(key(teacher, id), unsent, store),
  get: (teacher: string, id: string) => get<Unsent>(key(teacher, id), store),
  remove: (teacher: string, id: string) => del(key(teacher, id), store),
  /** The ids with unsent edits of one teacher. */
  async list(teacher: string): Promise<[string, Unsent][]> {
    const all = await entries<string, Unsent>(store);
    const prefix = key(teacher, '');
    return all.filter(([k]) => k.startsWith(prefix)).map(([k, unsent]) => [k.slice(prefix.length), unsent]);
  },
};
