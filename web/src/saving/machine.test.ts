// The machine against a small world: a server, a network that loses requests and answers, windows that are closed and
// opened again with their outbox. Whatever happens, no edit is lost and “saved” never stands while one is pending.
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  advance,
  opened,
  pause,
  resumed,
  type Command,
  type Outcome,
  type Saving,
  type SavingEvent,
  type StateName,
  type Step,
  type Theirs,
  type Unsent,
} from './machine';

/** A document is the list of its edits: what was made from it holds them all. */
type Doc = readonly string[];

/** What the server keeps of one demonstration, as server/store does. */
class Server {
  revision = 1;
  document: Doc = [];
  save = '';
  exists = true;
  signedIn = true;
  /** What conflicts put aside as demonstrations of their own. */
  readonly copies: Doc[] = [];

  put(revision: number, document: Doc, save: string): Outcome<Doc> {
    if (!this.signedIn) return { kind: 'signedOut' };
    if (!this.exists) return { kind: 'deleted' };
    if (save === this.save || same(document, this.document))
      return { kind: 'stored', revision: this.revision };
    if (revision !== this.revision) return { kind: 'conflict', theirs: this.theirs() };
    this.revision++;
    this.document = document;
    this.save = save;
    return { kind: 'stored', revision: this.revision };
  }

  theirs(): Theirs<Doc> {
    return { revision: this.revision, document: this.document, changedAt: '', save: this.save };
  }
}

const same = (a: Doc, b: Doc) => a.join() === b.join();

interface Flight {
  window: Window;
  command: Extract<Command<Doc>, { do: 'send' }>;
  life: number;
}

/** A window with its machine; what it keeps outlives it. */
class Window {
  saving: Saving<Doc> = opened(0);
  document: Doc = [];
  timer = false;
  /** Grows when the window is closed: answers for the life before come to nothing. */
  life = 0;
  open = true;

  constructor(
    readonly world: World,
    readonly name: string,
  ) {
    this.enter();
  }

  enter() {
    this.open = true;
    const left = this.world.outbox.get(this.name);
    if (left) {
      this.document = left.document;
      this.take(resumed(left));
    } else {
      this.document = this.world.server.document;
      this.saving = opened(this.world.server.revision);
    }
  }

  close() {
    this.open = false;
    this.timer = false;
    this.life++;
  }

  happen(event: SavingEvent<Doc>) {
    this.take(advance(this.saving, event));
  }

  take({ saving, commands }: Step<Doc>) {
    this.saving = saving;
    for (const command of commands) this.carryOut(command);
  }

  carryOut(command: Command<Doc>) {
    const { outbox, network } = this.world;
    if (command.do === 'keep') outbox.set(this.name, command.unsent);
    else if (command.do === 'forget') {
      if (outbox.get(this.name)?.save === command.save) outbox.delete(this.name);
    } else if (command.do === 'wait') this.timer = true;
    else {
      this.timer = false;
      network.push({ window: this, command, life: this.life });
    }
  }
}

class World {
  readonly server = new Server();
  readonly outbox = new Map<string, Unsent<Doc>>();
  readonly network: Flight[] = [];
  readonly windows: Window[];
  edits = 0;

  constructor() {
    this.windows = ['A', 'B'].map((name) => new Window(this, name));
  }

  answer(flight: Flight, outcome: Outcome<Doc>) {
    const { window, command, life } = flight;
    if (window.life !== life) return;
    window.happen({ kind: 'answered', save: command.save, outcome, jitter: 0.5 });
    // The windows tell each other what was saved.
    if (outcome.kind !== 'stored') return;
    for (const other of this.windows) {
      if (other === window || !other.open) continue;
      const before = other.saving;
      other.happen({ kind: 'savedElsewhere', revision: outcome.revision });
      if (other.saving !== before) other.document = command.document;
    }
  }

  /** Every edit that was made and not undone by a choice of the teacher is somewhere. */
  holds(edit: string) {
    const places: Doc[] = [this.server.document, ...this.server.copies];
    for (const unsent of this.outbox.values()) places.push(unsent.document);
    return places.some((document) => document.includes(edit));
  }
}

/** What can happen, each with the window or the flight that it happens to. */
const happenings: Record<string, (world: World, which: number) => void> = {
  edit(world, which) {
    const window = world.windows[which % 2]!;
    if (!window.open || window.saving.name === 'conflict') return;
    const edit = `e${++world.edits}`;
    window.document = [...window.document, edit];
    window.happen({ kind: 'edited', document: window.document, save: `s${world.edits}` });
  },
  due(world, which) {
    const window = world.windows[which % 2]!;
    if (window.open && window.timer) window.happen({ kind: 'due' });
  },
  arrive(world, which) {
    const [flight] = world.network.splice(which % Math.max(1, world.network.length), 1);
    if (!flight) return;
    const { revision, document, save } = flight.command;
    world.answer(flight, world.server.put(revision, document, save));
  },
  loseRequest(world, which) {
    const [flight] = world.network.splice(which % Math.max(1, world.network.length), 1);
    if (flight) world.answer(flight, { kind: 'away', reason: '' });
  },
  loseAnswer(world, which) {
    const [flight] = world.network.splice(which % Math.max(1, world.network.length), 1);
    if (!flight) return;
    const { revision, document, save } = flight.command;
    world.server.put(revision, document, save);
    world.answer(flight, { kind: 'away', reason: '' });
  },
  close(world, which) {
    const window = world.windows[which % 2]!;
    if (window.open) window.close();
  },
  reopen(world, which) {
    const window = world.windows[which % 2]!;
    if (!window.open) window.enter();
  },
  expire(world) {
    world.server.signedIn = false;
  },
  signIn(world) {
    world.server.signedIn = true;
    for (const window of world.windows) if (window.open) window.happen({ kind: 'signedIn' });
  },
  settle(world, which) {
    const window = world.windows[which % 2]!;
    const { theirs, pending, name } = window.saving;
    if (!window.open || name !== 'conflict' || !theirs || !pending) return;
    const choice = which % 4 < 2 ? 'mine' : 'theirs';
    world.server.copies.push(choice === 'mine' ? theirs.document : pending.document);
    if (choice === 'theirs') window.document = theirs.document;
    window.happen({ kind: 'settled', choice });
  },
};

const story = fc.array(fc.tuple(fc.constantFrom(...Object.keys(happenings)), fc.nat(7)), {
  maxLength: 60,
  size: 'max',
});

/** What is wrong with a world; empty where nothing is. One list for one assertion, since this is asked so often. */
function wrongs(world: World): string[] {
  const wrong: string[] = [];
  for (let k = 1; k <= world.edits; k++) if (!world.holds(`e${k}`)) wrong.push(`edit e${k} is lost`);
  for (const window of world.windows) {
    if (!window.open) continue;
    const { name, pending } = window.saving;
    if ((name === 'saved') !== !pending)
      wrong.push(`${window.name} is ${name} with ${pending ? 'work' : 'no work'}`);
    if (pending && world.outbox.get(window.name)?.document !== pending.document)
      wrong.push('not in the outbox');
  }
  return wrong;
}

/** Lets the world come to rest: everything arrives, every timer is due, conflicts are settled for this window. */
function rest(world: World) {
  world.server.signedIn = true;
  for (const window of world.windows) if (!window.open) window.enter();
  for (let round = 0; round < 40; round++) {
    happenings.signIn!(world, 0);
    for (const k of [0, 1]) happenings.due!(world, k);
    for (const k of [0, 1]) happenings.settle!(world, k);
    while (world.network.length) happenings.arrive!(world, 0);
  }
}

describe('saving', () => {
  test('no edit is ever lost, and “saved” never stands while one is pending', () => {
    fc.assert(
      fc.property(story, (happened) => {
        const world = new World();
        for (const [what, which] of happened) {
          happenings[what]!(world, which);
          const wrong = wrongs(world);
          if (wrong.length) expect(wrong).toEqual([]);
        }
      }),
      { numRuns: 2000 },
    );
  });

  test('left alone, every window comes to “saved”', () => {
    fc.assert(
      fc.property(story, (happened) => {
        const world = new World();
        for (const [what, which] of happened) happenings[what]!(world, which);
        rest(world);
        expect(world.windows.map((w) => w.saving.name)).toEqual(['saved', 'saved']);
        expect(world.outbox.size).toBe(0);
        expect(wrongs(world)).toEqual([]);
      }),
      { numRuns: 1000 },
    );
  });

  test('one window alone never meets a conflict, however often answers are lost and it is closed', () => {
    const alone = fc.array(
      fc.constantFrom(
        'edit',
        'due',
        'arrive',
        'loseRequest',
        'loseAnswer',
        'close',
        'reopen',
        'expire',
        'signIn',
      ),
      { maxLength: 80, size: 'max' },
    );
    fc.assert(
      fc.property(alone, (happened) => {
        const world = new World();
        world.windows[1]!.close();
        for (const what of happened) {
          happenings[what]!(world, 0);
          if (world.windows[0]!.saving.name === 'conflict') expect.fail('a conflict with itself');
        }
      }),
      { numRuns: 2000 },
    );
  });
});

/** A machine after some events on a demonstration at revision 1. */
function after(...events: SavingEvent<Doc>[]): Step<Doc> {
  let step: Step<Doc> = { saving: opened(1), commands: [] };
  for (const event of events) step = advance(step.saving, event);
  return step;
}

const edited = (edit: string): SavingEvent<Doc> => ({
  kind: 'edited',
  document: [edit],
  save: `save-${edit}`,
});
const due: SavingEvent<Doc> = { kind: 'due' };
const answered = (edit: string, outcome: Outcome<Doc>, jitter = 1): SavingEvent<Doc> => ({
  kind: 'answered',
  save: `save-${edit}`,
  outcome,
  jitter,
});

describe('states', () => {
  const away: Outcome<Doc> = { kind: 'away', reason: 'gone' };
  const theirs: Theirs<Doc> = { revision: 5, document: ['x'], changedAt: '', save: 'other' };

  test.each<[StateName, SavingEvent<Doc>[]]>([
    ['saved', []],
    ['edited', [edited('a')]],
    ['sending', [edited('a'), due]],
    ['sending', [edited('a'), due, edited('b')]],
    ['saved', [edited('a'), due, answered('a', { kind: 'stored', revision: 2 })]],
    ['edited', [edited('a'), due, edited('b'), answered('a', { kind: 'stored', revision: 2 })]],
    ['away', [edited('a'), due, answered('a', away)]],
    ['away', [edited('a'), due, answered('a', away), edited('b')]],
    ['sending', [edited('a'), due, answered('a', away), due]],
    ['signedOut', [edited('a'), due, answered('a', { kind: 'signedOut' })]],
    ['signedOut', [edited('a'), due, answered('a', { kind: 'signedOut' }), due]],
    ['sending', [edited('a'), due, answered('a', { kind: 'signedOut' }), { kind: 'signedIn' }]],
    ['deleted', [edited('a'), due, answered('a', { kind: 'deleted' })]],
    ['saved', [edited('a'), due, answered('a', { kind: 'deleted' }), { kind: 'letGo' }]],
    ['refused', [edited('a'), due, answered('a', { kind: 'refused', reason: 'too long' })]],
    ['edited', [edited('a'), due, answered('a', { kind: 'refused', reason: 'too long' }), edited('b')]],
    ['edited', [edited('a'), due, edited('b'), answered('a', { kind: 'refused', reason: 'too long' })]],
    ['conflict', [edited('a'), due, answered('a', { kind: 'conflict', theirs })]],
    ['conflict', [edited('a'), due, answered('a', { kind: 'conflict', theirs }), edited('b')]],
    [
      'sending',
      [edited('a'), due, answered('a', { kind: 'conflict', theirs }), { kind: 'settled', choice: 'mine' }],
    ],
    [
      'saved',
      [edited('a'), due, answered('a', { kind: 'conflict', theirs }), { kind: 'settled', choice: 'theirs' }],
    ],
    // An answer to something else than what is on its way comes to nothing.
    ['sending', [edited('a'), due, answered('z', { kind: 'stored', revision: 9 })]],
  ])('%s', (name, events) => {
    expect(after(...events).saving.name).toBe(name);
  });

  test('an edit waits a second for the next, and lies in the outbox at once', () => {
    expect(after(edited('a')).commands).toEqual([
      { do: 'keep', unsent: { document: ['a'], save: 'save-a', revision: 1, doubtful: [] } },
      { do: 'wait', milliseconds: pause },
    ]);
  });

  test('only what was sent is taken out of the outbox', () => {
    const stored: Outcome<Doc> = { kind: 'stored', revision: 2 };
    expect(after(edited('a'), due, answered('a', stored)).commands).toEqual([
      { do: 'forget', save: 'save-a' },
    ]);
    const more = after(edited('a'), due, edited('b'), answered('a', stored)).commands;
    expect(more.map((c) => c.do)).toEqual(['keep', 'wait']);
  });

  test('a save of which the answer was lost is no conflict with itself', () => {
    const mine: Theirs<Doc> = { revision: 2, document: ['a'], changedAt: '', save: 'save-a' };
    const { saving, commands } = after(
      edited('a'),
      due,
      answered('a', away),
      edited('b'),
      due,
      answered('b', { kind: 'conflict', theirs: mine }),
    );
    expect(saving.name).toBe('sending');
    expect(commands.at(-1)).toEqual({ do: 'send', revision: 2, document: ['b'], save: 'save-b' });
  });

  test('the pauses between tries grow to half a minute and are not the same for all', () => {
    let step = after(edited('a'), due);
    const pauses: number[] = [];
    for (let k = 0; k < 8; k++) {
      step = advance(step.saving, answered('a', away, k % 2));
      pauses.push(...step.commands.map((c) => (c.do === 'wait' ? c.milliseconds : 0)));
      step = advance(step.saving, due);
    }
    expect(pauses).toEqual([1000, 4000, 4000, 16_000, 15_000, 30_000, 15_000, 30_000]);
  });
});
