// Small questions about the entries of a document.
import type { Entry, EntryOf, Kind } from '../generated/types';

/** Tells that an entry is of a kind, so that its body is known. */
export const hasKind = <K extends Kind>(e: Entry, kind: K): e is Extract<Entry, EntryOf<K>> =>
  e.kind === kind;

/** Entries of one kind. */
export const ofKind = <K extends Kind>(list: Entry[] | undefined, kind: K): EntryOf<K>[] =>
  (list ?? []).filter((e) => hasKind(e, kind));

/** An entry that names no panel appears in all. */
export const isOn = (e: Entry, panel: string): boolean =>
  !e.where?.panels?.length || e.where.panels.includes(panel);

/** A new entry, to be put. */
export const fresh = <K extends Kind>(
  kind: K,
  body: EntryOf<K>['body'],
  rest: Partial<EntryOf<K>> = {},
): Entry => ({ id: '', kind, look: { colour: 0 }, body, ...rest }) as unknown as Entry;
