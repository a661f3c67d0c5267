// Autosave: carries out what the machine says, and tells its state in words.
import { computed, ref, shallowRef } from 'vue';
import { api } from '../api/client';
import type { Document } from '../generated/types';
import {
  advance,
  opened,
  resumed,
  type Command,
  type Saving,
  type SavingEvent,
  type Step,
  type Unsent,
} from './machine';
import { outbox, type Left, type Place } from './outbox';
import { listenToWindows, livesElsewhere, newId, tell, thisWindow } from './windows';

/** What another window of this browser has saved, when this one has no work of its own on it. */
export type TakeOver = (document: Document) => void;

export function useSaving(takeOver: TakeOver) {
  const machine = shallowRef<Saving<Document>>(opened(0));
  const at = ref<Date>();
  /** Titles of work by windows that were closed, which has been put on the shelf. */
  const setAside = ref<string[]>([]);

  let place: Place = { teacher: '', demonstration: '', window: thisWindow };
  let timer = 0;
  /** Counts the demonstrations that were opened: answers for an earlier one come to nothing. */
  let round = 0;
  let leaving = false;

  const state = computed(() => machine.value.name);
  const conflict = computed(() => {
    const { name, theirs, pending } = machine.value;
    return name === 'conflict' && theirs && pending ? { mine: pending.document, theirs } : undefined;
  });

  function take({ saving, commands }: Step<Document>) {
    machine.value = saving;
    commands.forEach(carryOut);
  }

  const happen = (event: SavingEvent<Document>) => take(advance(machine.value, event));

  function carryOut(command: Command<Document>) {
    switch (command.do) {
      case 'keep':
        void outbox.put(place, command.unsent);
        break;
      case 'forget':
        void outbox.remove(place, command.save);
        break;
      case 'wait':
        window.clearTimeout(timer);
        timer = window.setTimeout(() => happen({ kind: 'due' }), command.milliseconds);
        break;
      case 'send':
        window.clearTimeout(timer);
        void send(command);
    }
  }

  async function send({ revision, document, save }: Extract<Command<Document>, { do: 'send' }>) {
    const mine = round;
    const sentFrom = place;
    const { teacher, demonstration } = sentFrom;
    const outcome = await api.save(demonstration, { revision, document, save }, leaving);
    if (outcome.kind === 'stored') {
      tell({ kind: 'saved', teacher, demonstration, revision: outcome.revision, document });
    }
    if (mine !== round) {
      // The bench was left meanwhile; the outbox still knows whose it was.
      if (outcome.kind === 'stored') await outbox.remove(sentFrom, save);
      return;
    }
    if (outcome.kind === 'stored') at.value = new Date();
    happen({ kind: 'answered', save, outcome, jitter: Math.random() });
  }

  /** Opens a demonstration: work that a closed window left on it if there is any, else what the server has. */
  async function open(teacher: string, demonstration: string): Promise<Document> {
    close();
    place = { teacher, demonstration, window: thisWindow };
    machine.value = opened(0);
    at.value = undefined;
    setAside.value = [];
    const [newest, ...older] = await leftBehind(teacher, demonstration);
    for (const left of older) await putAside(left);
    if (newest) return adopt(newest);
    const stored = await api.read(demonstration);
    machine.value = opened(stored.revision);
    at.value = new Date(stored.changedAt);
    return stored.document;
  }

  /** Ends with a demonstration; what is unsent stays in the outbox. */
  function close() {
    flush();
    round++;
    window.clearTimeout(timer);
  }

  async function leftBehind(teacher: string, demonstration: string): Promise<Left[]> {
    const lives = await livesElsewhere();
    const all = await outbox.list(teacher);
    return all.filter((left) => left.demonstration === demonstration && !lives(left.window));
  }

  async function adopt(left: Left): Promise<Document> {
    const { revision, document, save, doubtful } = left;
    const unsent: Unsent<Document> = { revision, document, save, doubtful };
    await outbox.put(place, unsent);
    if (left.window !== thisWindow) await outbox.remove(left, save);
    take(resumed(unsent));
    return document;
  }

  /** Two windows left work: the newer one is gone on with, the other becomes a demonstration of its own. */
  async function putAside(left: Left) {
    await api.importText(copyOf(left.document));
    await outbox.remove(left, left.save);
    setAside.value = [...setAside.value, left.document.title];
  }

  const copyOf = (document: Document) =>
    JSON.stringify({ ...document, title: `${document.title.slice(0, 100)} (set aside)` });

  const changed = (document: Document) => happen({ kind: 'edited', document, save: newId() });

  /** Sends what is unsent now; the window may be left. */
  function flush(isLeft = false) {
    leaving = isLeft;
    happen({ kind: 'due' });
  }

  /** Settles a conflict; the one that is not chosen becomes a demonstration of its own. Returns the chosen one. */
  async function settle(choice: 'mine' | 'theirs'): Promise<Document> {
    const both = conflict.value;
    if (!both) throw new Error('The conflict is settled already.');
    await api.importText(copyOf(choice === 'mine' ? both.theirs.document : both.mine));
    happen({ kind: 'settled', choice });
    at.value = new Date(both.theirs.changedAt);
    return choice === 'mine' ? both.mine : both.theirs.document;
  }

  /** Keeps the work on a deleted demonstration as a new one and gives its id. */
  async function keepAsNew(document: Document): Promise<string> {
    const { id } = await api.importText(JSON.stringify(document));
    happen({ kind: 'letGo' });
    return id;
  }

  const stopListening = listenToWindows((told) => {
    if (told.kind !== 'saved' || told.demonstration !== place.demonstration) return;
    const before = machine.value;
    happen({ kind: 'savedElsewhere', revision: told.revision });
    if (before === machine.value) return;
    at.value = new Date();
    takeOver(told.document);
  });

  const words = computed(() => {
    const { name, reason } = machine.value;
    switch (name) {
      case 'saved':
        return at.value
          ? `saved ${at.value.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}`
          : '';
      case 'edited':
      case 'sending':
        return 'saving …';
      case 'away':
        if (!outbox.works) return 'server away, and this browser keeps nothing: leave this window open';
        return reason && !reason.startsWith('The server cannot')
          ? reason
          : 'server away – your work is kept in this browser';
      case 'conflict':
        return 'changed elsewhere too';
      case 'signedOut':
        return 'signed out – your work is kept; sign in to send it';
      case 'deleted':
        return 'deleted elsewhere – your work is kept';
      case 'refused':
        return `not saved: ${reason}`;
    }
    return '';
  });

  /** Whether closing the window would lose work. */
  const wouldLose = () => !outbox.works && machine.value.pending !== undefined;

  return {
    state,
    words,
    conflict,
    setAside,
    open,
    close,
    changed,
    flush,
    settle,
    keepAsNew,
    letGo: () => happen({ kind: 'letGo' }),
    signedIn: () => happen({ kind: 'signedIn' }),
    wouldLose,
    stopListening,
  };
}
