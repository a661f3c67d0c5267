// Saving as a machine: what has happened → what to do. It knows neither Vue nor the network nor a clock, and D is
// whatever a document is. One machine serves one demonstration in one window.

/** What is waiting for the server's word. The save's id makes a repeated save the same save. */
export interface Pending<D> {
  document: D;
  save: string;
}

/** What lies in the outbox of a window until the server has acknowledged it. */
export interface Unsent<D> extends Pending<D> {
  /** The revision that the document was made from. */
  revision: number;
  /** Saves that were sent and of which nothing was heard: the server may have stored one. */
  doubtful: string[];
}

/** What the server holds, when it is not what this window thought. */
export interface Theirs<D> {
  revision: number;
  document: D;
  changedAt: string;
  /** The id of the save that made it. */
  save: string;
}

export type StateName =
  'saved' | 'edited' | 'sending' | 'away' | 'signedOut' | 'conflict' | 'deleted' | 'refused';

export interface Saving<D> {
  readonly name: StateName;
  /** The last revision that the server is known to hold. */
  readonly revision: number;
  readonly pending?: Pending<D> | undefined;
  /** The one that is on its way. */
  readonly flying?: Pending<D> | undefined;
  readonly doubtful: readonly string[];
  /** Tries in a row that failed. */
  readonly failures: number;
  readonly reason: string;
  readonly theirs?: Theirs<D> | undefined;
}

/** How the server answered a save; everything that is not one of the others is “away”. */
export type Outcome<D> =
  | { kind: 'stored'; revision: number }
  | { kind: 'conflict'; theirs: Theirs<D> }
  | { kind: 'signedOut' }
  | { kind: 'deleted' }
  | { kind: 'refused'; reason: string }
  | { kind: 'away'; reason: string };

export type SavingEvent<D> =
  /** The document was changed; save is a new id. */
  | { kind: 'edited'; document: D; save: string }
  /** It is time to send: the pause is over, the network is back, the window is left. */
  | { kind: 'due' }
  /** jitter is a number from 0 to 1, so that a class of browsers does not come back at one moment. */
  | { kind: 'answered'; save: string; outcome: Outcome<D>; jitter: number }
  | { kind: 'signedIn' }
  /** The conflict's other document has become a demonstration of its own. */
  | { kind: 'settled'; choice: 'mine' | 'theirs' }
  /** The work on a demonstration that was deleted has been kept as a new one, or is not wanted. */
  | { kind: 'letGo' }
  /** Another window of this browser has saved. */
  | { kind: 'savedElsewhere'; revision: number };

export type Command<D> =
  | { do: 'keep'; unsent: Unsent<D> }
  /** Takes what is kept out of the outbox, if it is that save still. */
  | { do: 'forget'; save: string }
  | { do: 'send'; revision: number; document: D; save: string }
  /** Calls with “due” after a pause, instead of an earlier pause. */
  | { do: 'wait'; milliseconds: number };

export interface Step<D> {
  saving: Saving<D>;
  commands: Command<D>[];
}

/** Milliseconds after an edit in which more edits are awaited. */
export const pause = 1000;
const firstRetry = 2000;
const lastRetry = 30_000;

/** A demonstration as the server has it. */
export const opened = <D>(revision: number): Saving<D> => ({
  name: 'saved',
  revision,
  doubtful: [],
  failures: 0,
  reason: '',
});

/** A demonstration with work that was left in an outbox; it is sent at once. */
export function resumed<D>({ revision, doubtful, document, save }: Unsent<D>): Step<D> {
  const saving: Saving<D> = {
    ...opened<D>(revision),
    name: 'edited',
    doubtful,
    pending: { document, save },
  };
  return send(saving);
}

/** Where the machine goes at an event, and what is to be done, in this order. */
export function advance<D>(s: Saving<D>, event: SavingEvent<D>): Step<D> {
  switch (event.kind) {
    case 'edited':
      return edited(s, { document: event.document, save: event.save });
    case 'due':
      return s.name === 'edited' || s.name === 'away' ? send(s) : stay(s);
    case 'answered':
      return s.flying?.save === event.save ? answered(s, s.flying, event.outcome, event.jitter) : stay(s);
    case 'signedIn':
      return s.name === 'signedOut' ? send({ ...s, name: 'edited' }) : stay(s);
    case 'settled':
      return settled(s, event.choice);
    case 'letGo':
      return s.name === 'deleted' ? released(s, s.revision) : stay(s);
    case 'savedElsewhere':
      // With work of one's own the server says whether there is a conflict.
      return s.name === 'saved' && event.revision > s.revision
        ? stay({ ...s, revision: event.revision })
        : stay(s);
  }
}

const stay = <D>(saving: Saving<D>): Step<D> => ({ saving, commands: [] });

const keep = <D>({ pending, revision, doubtful }: Saving<D>): Command<D>[] =>
  pending ? [{ do: 'keep', unsent: { ...pending, revision, doubtful: [...doubtful] } }] : [];

function edited<D>(s: Saving<D>, pending: Pending<D>): Step<D> {
  const next = { ...s, pending };
  switch (s.name) {
    // These wait for something else than the next pause.
    case 'sending':
    case 'away':
    case 'signedOut':
    case 'conflict':
    case 'deleted':
      return { saving: next, commands: keep(next) };
    default: {
      const saving: Saving<D> = { ...next, name: 'edited', reason: '' };
      return { saving, commands: [...keep(saving), { do: 'wait', milliseconds: pause }] };
    }
  }
}

function send<D>(s: Saving<D>): Step<D> {
  const { pending } = s;
  if (!pending) return stay({ ...s, name: 'saved' });
  // It is in doubt from the moment it is on its way: the window may be closed before the answer.
  const doubtful = s.doubtful.includes(pending.save) ? s.doubtful : [...s.doubtful, pending.save];
  const saving: Saving<D> = { ...s, name: 'sending', flying: pending, doubtful };
  return { saving, commands: [...keep(saving), { do: 'send', revision: s.revision, ...pending }] };
}

function answered<D>(s: Saving<D>, flying: Pending<D>, outcome: Outcome<D>, jitter: number): Step<D> {
  const landed: Saving<D> = { ...s, flying: undefined };
  switch (outcome.kind) {
    case 'stored':
      return acknowledged(landed, flying.save, outcome.revision);
    case 'conflict':
      // An earlier save of this window was stored though its answer was lost: that is no conflict.
      return s.doubtful.includes(outcome.theirs.save)
        ? acknowledged(landed, outcome.theirs.save, outcome.theirs.revision, true)
        : stay({ ...landed, name: 'conflict', theirs: outcome.theirs });
    case 'away': {
      const failures = s.failures + 1;
      const longest = Math.min(lastRetry, firstRetry * 2 ** (failures - 1));
      const saving: Saving<D> = { ...landed, name: 'away', failures, reason: outcome.reason };
      return { saving, commands: [{ do: 'wait', milliseconds: longest * (0.5 + jitter / 2) }] };
    }
    case 'refused':
      // What was changed meanwhile may have mended it.
      return s.pending?.save === flying.save
        ? stay({ ...landed, name: 'refused', reason: outcome.reason })
        : waiting(landed);
    default:
      return stay({ ...landed, name: outcome.kind });
  }
}

/** The server holds a save: the newest, or one before it. */
function acknowledged<D>(s: Saving<D>, save: string, revision: number, atOnce = false): Step<D> {
  if (s.pending?.save === save) return released(s, revision);
  const saving: Saving<D> = { ...s, revision, doubtful: [], failures: 0, name: 'edited', reason: '' };
  return atOnce ? send(saving) : waiting(saving);
}

const waiting = <D>(s: Saving<D>): Step<D> => {
  const saving: Saving<D> = { ...s, name: 'edited', reason: '' };
  return { saving, commands: [...keep(saving), { do: 'wait', milliseconds: pause }] };
};

/** Nothing is pending any more. */
function released<D>(s: Saving<D>, revision: number): Step<D> {
  return { saving: opened(revision), commands: s.pending ? [{ do: 'forget', save: s.pending.save }] : [] };
}

function settled<D>(s: Saving<D>, choice: 'mine' | 'theirs'): Step<D> {
  if (s.name !== 'conflict' || !s.theirs) return stay(s);
  const { revision } = s.theirs;
  if (choice === 'theirs') return released(s, revision);
  return send({ ...s, name: 'edited', revision, theirs: undefined, doubtful: [] });
}
