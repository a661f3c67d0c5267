// Autosave: one second after the last edit, optimistic by revision; what is not acknowledged waits in the outbox.
import { computed, ref, shallowRef } from 'vue';
import { api, Away, Refused } from '../api/client';
import { outbox } from '../api/outbox';
import type { Document, Stored } from '../generated/types';

export type SavedState = 'saved' | 'unsaved' | 'saving' | 'away' | 'conflict' | 'refused' | 'signedOut';

export interface Conflict {
  mine: Document;
  theirs: Stored & { document: Document };
}

const pause = 1000;
const firstRetry = 2000;
const lastRetry = 30000;

export function useSaving() {
  const state = ref<SavedState>('saved');
  const at = ref<Date>();
  const reason = ref('');
  const conflict = shallowRef<Conflict>();

  let teacher = '';
  let id = '';
  let revision = 0;
  let latest: Document | undefined;
  let timer = 0;
  let retry = firstRetry;
  let flying = false;

  /** Opens a demonstration: the unsent edits of this browser if there are any, else what the server has. */
  async function open(name: string, demonstration: string): Promise<Document> {
    [teacher, id, latest, retry] = [name, demonstration, undefined, firstRetry];
    conflict.value = undefined;
    const unsent = await outbox.get(teacher, id);
    if (unsent) {
      revision = unsent.revision;
      changed(unsent.document);
      void flush();
      return unsent.document;
    }
    const stored = await api.read(id);
    revision = stored.revision;
    at.value = new Date(stored.changedAt);
    state.value = 'saved';
    return stored.document;
  }

  function changed(document: Document) {
    latest = document;
    void outbox.put(teacher, id, { revision, document });
    if (state.value !== 'conflict') state.value = 'unsaved';
    later(pause);
  }

  function later(milliseconds: number) {
    window.clearTimeout(timer);
    timer = window.setTimeout(() => void flush(), milliseconds);
  }

  /** Sends what is unsaved now. */
  async function flush(): Promise<void> {
    window.clearTimeout(timer);
    if (!latest || flying || conflict.value) return;
    const sent = latest;
    flying = true;
    state.value = 'saving';
    try {
      const stored = await api.save(id, revision, sent);
      revision = stored.revision;
      at.value = new Date(stored.changedAt);
      retry = firstRetry;
      if (latest === sent) {
        latest = undefined;
        state.value = 'saved';
        await outbox.remove(teacher, id);
      } else {
        state.value = 'unsaved';
        await outbox.put(teacher, id, { revision, document: latest });
        later(pause);
      }
    } catch (e) {
      failed(e, sent);
    } finally {
      flying = false;
    }
  }

  function failed(e: unknown, sent: Document) {
    if (e instanceof Away || (e instanceof Refused && [429, 500, 503].includes(e.problem.status))) {
      state.value = 'away';
      reason.value = e instanceof Refused ? e.message : '';
      later(retry);
      retry = Math.min(2 * retry, lastRetry);
      return;
    }
    if (!(e instanceof Refused)) throw e;
    const current = e.problem.current;
    if (e.problem.status === 409 && current?.document) {
      state.value = 'conflict';
      conflict.value = { mine: sent, theirs: { ...current, document: current.document } };
      return;
    }
    state.value = e.problem.status === 401 ? 'signedOut' : 'refused';
    reason.value = e.message;
  }

  /** Settles a conflict; the one that is not chosen becomes a demonstration of its own. Returns the chosen one. */
  async function settle(choice: 'mine' | 'theirs'): Promise<Document> {
    const { mine, theirs } = conflict.value!;
    const other = choice === 'mine' ? theirs.document : (latest ?? mine);
    await api.importText(JSON.stringify({ ...other, title: `${other.title.slice(0, 100)} (set aside)` }));
    revision = theirs.revision;
    conflict.value = undefined;
    if (choice === 'mine') {
      state.value = 'unsaved';
      latest ??= mine;
      const kept = latest;
      await flush();
      return kept;
    }
    latest = undefined;
    state.value = 'saved';
    at.value = new Date(theirs.changedAt);
    await outbox.remove(teacher, id);
    return theirs.document;
  }

  const words = computed(() => {
    switch (state.value) {
      case 'saved':
        return at.value
          ? `saved ${at.value.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}`
          : '';
      case 'unsaved':
      case 'saving':
        return 'saving …';
      case 'away':
        return reason.value || 'server away – your work is kept in this browser';
      case 'conflict':
        return 'changed elsewhere too';
      case 'signedOut':
        return 'signed out – your work is kept; sign in to send it';
      default:
        return `not saved: ${reason.value}`;
    }
  });

  return { state, words, conflict, open, changed, flush, settle };
}
