// The demonstration on the bench: its document, what the core understood of it, and the way of every edit.
import { defineStore } from 'pinia';
import { markRaw, nextTick, reactive, ref, shallowRef } from 'vue';
import { CoreLost, cores } from '../core/client';
import { Frames } from '../core/frames';
import type { FrameAnswer, Move, PanelPicture } from '../core/messages';
import type { Answer, Ask, Collapse, Document, Loaded, Problem } from '../generated/types';
import { formatVersion } from '../generated/types';
import { useEffects } from './effects';
import { useFindings } from './findings';
import { useKeeping } from './keeping';
import { useLoading } from './loading';
import { usePresenting } from './presenting';
import { useRemembering } from './remembering';
import { changedValues, fromHereOn, useScenes } from './scenes';
import { useWindows } from './windows';
import { useWords } from './words';
import { useHistory, type Step, type Values } from './history';
import { useSaving } from '../saving/saving';
import { useSweeps } from './sweeps';

/** Puts on a panel what the worker does not draw: handles. */
export type Placer = (picture: PanelPicture) => void;

type Change = (before: Document) => Document | Problem | Promise<Document | Problem>;

const isProblem = (result: Document | Problem): result is Problem => 'code' in result;

export const useBench = defineStore('bench', () => {
  const document = shallowRef<Document>();
  const words = useWords();
  /** The transformation whose table of steps is open. */
  const stepsOpen = ref('');
  /** The place of the scene in play. */
  const scene = ref(0);
  /** The entry of the folio that is being changed; 'stated', 'shown' and 'said' are new ones. */
  const editing = ref('');
  const mistake = ref('');

  const { frames: frameCore, answers } = cores();
  const placers = markRaw<(Placer | undefined)[]>([]);
  const frames = markRaw(new Frames(frameCore, place));
  const history = useHistory();
  const saving = useSaving((saved) => void takeOver(saved));
  const sweeps = useSweeps(
    (move) => void frames.request(move),
    (dial) => words.page.fractions.value[dial] ?? 0,
  );

  const findings = useFindings({ frames: frameCore, answers }, () => document.value, frames);

  const effects = useEffects(answers, tellCollapses, () => document.value);
  /** Lets the frames know at which values a curve collapses, so that it says what it is there. */
  function tellCollapses(collapses: Collapse[]) {
    void frameCore.ask({ kind: 'found', collapses }).then(() => frames.request());
  }

  /** Puts handles, dials, readouts and texts of one picture in their places. */
  async function place(answer: FrameAnswer) {
    answer.pictures.forEach((picture, panel) => picture && placers[panel]?.(picture));
    if (loaded.value?.dials.length === answer.values.length)
      lastValues = valuesOf(answer.values, loaded.value);
    words.follow(answer.pictures[0]?.texts, answer.dials, frames.followed);
    answer.ended.forEach((dial) => sweeps.end(dial));
    void findings.follow();
    await nextTick();
  }

  /** The values of the last picture, for when the core cannot be asked. */
  let lastValues: Values = {};
  const pictureDigits = 7;
  const valuesOf = (numbers: number[], { dials }: Loaded): Values =>
    Object.fromEntries(dials.map(({ name }, i) => [name, Number(numbers[i]?.toPrecision(pictureDigits))]));

  /** The table to which a tap on the stage adds a point; empty for none. */
  const plotting = ref('');

  // One edit after the other, each on what the one before left.
  let line: Promise<unknown> = Promise.resolve();
  function inLine<T>(task: () => T | Promise<T>): Promise<T> {
    const result = line.then(task);
    line = result.catch((e: unknown) => {
      mistake.value = String(e);
    });
    return result;
  }

  /** Asks about what is in play, after the moves that are still waiting for their frame. */
  async function askInPlay(ask: Ask): Promise<Answer> {
    await frames.settled();
    return frameCore.ask(ask);
  }

  async function valuesInPlay(): Promise<Values> {
    try {
      return (await askInPlay({ kind: 'values' })).values ?? {};
    } catch (e) {
      if (e instanceof CoreLost) return lastValues;
      throw e;
    }
  }

  async function now(): Promise<Step> {
    const values = await valuesInPlay();
    return { document: document.value!, values };
  }

  const loading = useLoading({
    document,
    scene,
    mistake,
    frames,
    frameCore,
    answers,
    lastValues: () => lastValues,
    valuesInPlay,
    covers: () => scenes.covers(),
    understood: () => effects.follow(),
  });
  const { loaded, follow } = loading;

  /** Puts a document in the place of the one before: from here on it is what is kept, sent and shown; while presenting, shown. */
  function put(next: Document) {
    document.value = next;
    if (!presenting.value) saving.changed(next);
  }

  const { presenting, ...talk } = usePresenting({
    document,
    history,
    inLine,
    now,
    put,
    follow: (noted) => follow({}, noted),
  });

  /** Another window of this browser has saved this demonstration. */
  function takeOver(saved: Document) {
    return inLine(async () => {
      if (!document.value) return;
      const noted: Step = { document: document.value, values: lastValues };
      history.note(noted);
      document.value = saved;
      talk.tookOver(saved);
      await follow({}, noted);
    });
  }

  /** What lay in this browser's outbox may be of an older version. */
  async function ofThisVersion(opened: Document): Promise<Document> {
    if (opened.version === formatVersion) return opened;
    const { document: upgraded } = await answers.ask({ kind: 'upgrade', document: opened });
    return upgraded ?? opened;
  }

  async function open(teacher: string, id: string) {
    sweeps.stopAll();
    history.clear();
    document.value = undefined;
    loading.clear();
    words.clear();
    editing.value = '';
    mistake.value = '';
    scene.value = 0;
    findings.clear();
    effects.clear();
    lastValues = {};
    const opened = await ofThisVersion(await saving.open(teacher, id));
    await loading.open(opened);
    windows.opened();
    if (memory.remembering.value) await memory.remember(false);
    await frames.request(['startingValues']);
  }

  /** Leaves the demonstration; what is unsent stays in the outbox. */
  function close() {
    sweeps.stopAll();
    saving.close();
    document.value = undefined;
  }

  /** Changes the document as one step that can be undone; what is wrong comes back and nothing is changed. */
  async function edit(change: Change): Promise<Problem | undefined> {
    let followed: Promise<Problem | undefined> | undefined;
    let made: Document | undefined;
    let forget = () => {};
    const noted: Step = { document: document.value!, values: lastValues };
    const refused = await inLine(async () => {
      const before = document.value;
      // What comes to rest after the bench was left changes nothing any more.
      if (!before) return undefined;
      const changed = await change(before);
      if (isProblem(changed)) return changed;
      if (changed === before) return undefined;
      const result = fromHereOn(scene.value, before, changed);
      noted.document = before;
      forget = history.note(noted);
      made = result;
      put(result);
      followed = follow(changedValues(scene.value, before, result), noted);
      return undefined;
    });
    if (refused) return refused;
    const problem = await followed;
    if (!problem) return undefined;
    // The core does not take it: nothing was changed. What was made from it meanwhile stands.
    if (document.value !== made) return problem;
    forget();
    put(noted.document);
    await follow();
    return problem;
  }

  /** What the core tells of the last edit that it made. */
  const told = ref<string[]>([]);

  /** An edit that the core makes. */
  const askEdit = (ask: Ask, core = answers) =>
    edit(async (before) => {
      const answer = await core.ask({ ...ask, document: before });
      told.value = answer.told ?? [];
      return answer.problem ?? answer.document!;
    });

  /** An edit of plain fields on a copy of the document. */
  const change = (fields: (copy: Document) => void) =>
    edit((before) => {
      const copy = structuredClone(before);
      fields(copy);
      return copy;
    });

  function step(way: 'back' | 'forward') {
    return inLine(() => {
      const noted: Step = { document: document.value!, values: lastValues };
      const to = history[way](noted);
      if (!to) return;
      sweeps.stopAll();
      if (to.document !== document.value) put(to.document);
      told.value = [];
      void follow(to.values, noted);
    });
  }

  /** Begins a move by hand; the returned function ends it as one step that can be undone. */
  function beginMove(): () => Promise<void> {
    scenes.endPassage();
    // Asked for at once, before the move itself is on its way.
    const was = document.value!;
    const before = frameCore
      .ask({ kind: 'values' })
      .catch(() => ({ values: lastValues }))
      .then(({ values }): Step => ({ document: was, values: values ?? {} }));
    return async () => {
      void frames.request(['settleLabels']);
      const [then, is] = [await before, await now()];
      if (JSON.stringify(then.values) !== JSON.stringify(is.values)) history.note(then);
    };
  }

  async function moveByHand(move: Move) {
    const end = beginMove();
    await frames.request(move);
    await end();
  }

  /** Puts every dial, transformation and window back to where the scene has it. */
  async function startingValues() {
    sweeps.stopAll();
    await loading.catchUp();
    windows.settle();
    await moveByHand(['startingValues']);
  }

  /** What is in play, as a scene keeps it. */
  async function stateInPlay() {
    const { values, steps } = await askInPlay({ kind: 'values' });
    return { values: values ?? {}, steps: steps ?? {} };
  }

  const windows = useWindows({
    document,
    scene,
    frames,
    ask: (ask) => answers.ask(ask),
    askInPlay,
    askEdit,
    change,
    amend: (fields) =>
      inLine(() => {
        const copy = structuredClone(document.value!);
        fields(copy);
        put(copy);
        void follow();
      }),
    keepInPlay: (fields) =>
      inLine(async () => {
        const before = await now();
        const copy = structuredClone(before.document);
        fields(copy);
        history.note(before);
        // It is in play already: loading it would take back what a hand has moved on meanwhile.
        put(copy);
        loading.keptInPlay();
      }),
  });

  const scenes = useScenes({
    document,
    scene,
    presenting,
    frames,
    change,
    askEdit,
    stateInPlay,
    async leave() {
      sweeps.stopAll();
      await loading.catchUp();
      windows.settle();
    },
  });

  /** Goes on with one of two documents; undo works across it. */
  function settleConflict(choice: 'mine' | 'theirs') {
    return inLine(async () => {
      const before = await now();
      const chosen = await saving.settle(choice);
      if (chosen === before.document) return;
      history.note(before);
      document.value = chosen;
      await follow(changedValues(scene.value, before.document, chosen), before);
    });
  }

  const keeping = useKeeping({ scene, frames, windows, askInPlay, stateInPlay, now, change });
  const memory = useRemembering(frames, loading.generation);

  const problemOf = (id: string) => loaded.value?.problems.find((p) => p.object === id);

  return {
    document,
    startingValues,
    ...talk.page,
    present: talk.present,
    keepPresented: () => {
      talk.page.setBack.value = false;
      return step('back');
    },
    stepsOpen,
    scene,
    plotting,
    loaded,
    trouble: loading.trouble,
    generation: loading.generation,
    tryAgain: loading.tryAgain,
    ...scenes.page,
    ...windows.page,
    ...words.page,
    editing,
    mistake,
    saving,
    history,
    sweeps,
    frames,
    placers,
    canvases: markRaw(frameCore),
    open,
    close,
    edit,
    askEdit,
    /** An edit that needs what is in play. */
    told,
    askEditInPlay: (ask: Ask) => askEdit(ask, frameCore),
    change,
    undo: () => step('back'),
    redo: () => step('forward'),
    beginMove,
    moveByHand,
    ...keeping,
    findings: reactive(findings),
    effects: reactive(effects),
    valuesInPlay,
    settleConflict,
    ...memory,
    problemOf,
    /** A question that needs no values in play. */
    ask: (ask: Ask): Promise<Answer> => answers.ask(ask),
    /** A question about what is in play. */
    askInPlay,
    addDials: (names: string[]) => askEdit({ kind: 'addParameters', names }),
  };
});
