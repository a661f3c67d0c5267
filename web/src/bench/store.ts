// The demonstration on the bench: its document, what the core understood of it, and the way of every edit.
import { defineStore } from 'pinia';
import { markRaw, nextTick, reactive, ref, shallowRef } from 'vue';
import { CoreLost, cores } from '../core/client';
import { Frames } from '../core/frames';
import type { FrameAnswer, Move, PanelPicture } from '../core/messages';
import type {
  Answer,
  Ask,
  Collapse,
  Document,
  FrameTexts,
  Loaded,
  Mended,
  Problem,
  Window,
} from '../generated/types';
import { formatVersion } from '../generated/types';
import { useEffects } from './effects';
import { useFindings } from './findings';
import { useHistory, type Step, type Values } from './history';
import { useSaving } from '../saving/saving';
import { ofKind } from '../shared/entries';
import { useSweeps } from './sweeps';

/** Milliseconds without a picture after which the formulas of the last one are shown. */
const formulasWait = 40;

/** Puts on a panel what the worker does not draw: labels and handles. */
export type Placer = (picture: PanelPicture) => void;

type Change = (before: Document) => Document | Problem | Promise<Document | Problem>;

const isProblem = (result: Document | Problem): result is Problem => 'code' in result;

export const useBench = defineStore('bench', () => {
  const document = shallowRef<Document>();
  const loaded = shallowRef<Loaded>();
  const texts = shallowRef<FrameTexts>();
  /** The formulas with the values in play: laying them out takes as long as all else, so every second picture waits. */
  const formulas = shallowRef<FrameTexts['now']>([]);
  let waiting = 0;
  function followFormulas() {
    const wait = !waiting;
    window.clearTimeout(waiting);
    waiting = wait ? window.setTimeout(followFormulas, formulasWait) : 0;
    if (!wait && texts.value) formulas.value = texts.value.now;
  }
  /** The share of its bar at which each dial stands. */
  const fractions = shallowRef<number[]>([]);
  const presenting = ref(false);
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
    (dial) => fractions.value[dial] ?? 0,
  );

  const findings = useFindings(
    { frames: frameCore, answers },
    () => document.value,
    () => void frames.request(),
  );

  const effects = useEffects(answers, tellCollapses, () => document.value);
  /** Lets the frames know at which values a curve collapses, so that it says what it is there. */
  function tellCollapses(collapses: Collapse[]) {
    void frameCore.ask({ kind: 'found', collapses }).then(() => frames.request());
  }

  let passing = 0;
  const gliding = ref(false);
  /** Ends the glide that is under way, at its end. */
  let endPassage = () => {};

  /** Puts labels, dials, readouts and texts of one picture in their places. */
  async function place(answer: FrameAnswer) {
    answer.pictures.forEach((picture, panel) => picture && placers[panel]?.(picture));
    fractions.value = answer.dials;
    if (loaded.value?.dials.length === answer.values.length)
      lastValues = valuesOf(answer.values, loaded.value);
    const words = answer.pictures[0]?.texts;
    if (words) texts.value = words;
    followFormulas();
    answer.ended.forEach((dial) => sweeps.stop(dial));
    void findings.follow();
    await nextTick();
  }

  /** The values of the last picture, for when the core cannot be asked. */
  let lastValues: Values = {};
  const pictureDigits = 7;
  const valuesOf = (numbers: number[], { dials }: Loaded): Values =>
    Object.fromEntries(dials.map(({ name }, i) => [name, Number(numbers[i]?.toPrecision(pictureDigits))]));

  let windowsKept = false;
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

  /** What is said of a core that had to be started anew, and whether another try needs a hand. */
  const trouble = ref<{ words: string; again: boolean }>();
  /** Counts the cores for frames: each takes canvases of its own. */
  const generation = ref(0);

  function tellLost(again: boolean) {
    trouble.value = again
      ? { words: 'The picture had to be started anew. Your work is kept; go on.', again: false }
      : {
          words: 'The picture stands still: this demonstration is too much for it. Undo, or try again.',
          again: true,
        };
  }

  frameCore.onLost = (again) => {
    tellLost(again);
    if (!again) return;
    generation.value++;
    void follow(lastValues);
  };
  answers.onLost = (again) => {
    tellLost(again);
    if (again && document.value) void answers.ask(loadAsk(document.value)).catch(() => undefined);
  };

  /** Starts the cores once more, because a hand wants to. */
  async function tryAgain() {
    trouble.value = undefined;
    frameCore.forgive();
    answers.forgive();
    generation.value++;
    await follow(lastValues);
  }

  const loadAsk = (next: Document): Ask => ({ kind: 'load', document: next, scene: scene.value });

  // The cores follow the document: an edit does not wait for them, and what is overtaken is not loaded.
  let following: Promise<unknown> = Promise.resolve();
  let toBePut: Values = {};
  /** Lets the cores understand the document; values are put in play for the dials that they name. */
  function follow(values: Values = {}, noted?: Step): Promise<Problem | undefined> {
    Object.assign(toBePut, values);
    const wanted = document.value;
    const result = following.then(async () => {
      if (noted) noted.values = await valuesInPlay();
      if (!wanted || document.value !== wanted) return undefined;
      const put = toBePut;
      toBePut = {};
      try {
        return await load(wanted, put);
      } catch (e) {
        // A core that was lost loads what is the document then.
        if (e instanceof CoreLost) return undefined;
        throw e;
      }
    });
    following = result.catch((e: unknown) => {
      mistake.value = String(e);
    });
    return result;
  }

  /** What is wrong comes back, and then the cores hold what they held. */
  async function load(next: Document, values: Values = {}, opening = false): Promise<Problem | undefined> {
    windowsKept = false;
    scene.value = Math.min(scene.value, next.scenes.length - 1);
    // Later questions to the answers core stand in line behind this one.
    void answers.ask(loadAsk(next)).catch(() => undefined);
    const answer = await frameCore.ask(loadAsk(next));
    if (!answer.loaded) return answer.problem;
    // A demonstration that is being opened is seen from the moment the core has it; one that was left meanwhile never is.
    if (opening) document.value = next;
    else if (!document.value) return undefined;
    loaded.value = answer.loaded;
    effects.follow();
    // Panels that are new have to mount before they can paint.
    await nextTick();
    answer.loaded.dials.forEach((dial, i) => {
      const value = values[dial.name];
      if (value !== undefined) void frames.request(['setDial', i, value]);
    });
    await frames.request();
    return undefined;
  }

  /** Puts a document in the place of the one before: from here on it is what is kept, sent and shown. */
  function put(next: Document) {
    document.value = next;
    saving.changed(next);
  }

  /** Another window of this browser has saved this demonstration. */
  function takeOver(saved: Document) {
    return inLine(async () => {
      if (!document.value) return;
      const noted: Step = { document: document.value, values: lastValues };
      history.note(noted);
      document.value = saved;
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
    loaded.value = undefined;
    texts.value = undefined;
    formulas.value = [];
    editing.value = '';
    mistake.value = '';
    scene.value = 0;
    findings.clear();
    effects.clear();
    trouble.value = undefined;
    lastValues = {};
    const opened = await ofThisVersion(await saving.open(teacher, id));
    const first = () => load(opened, opened.scenes[0]?.values, true);
    const problem = await first().catch((e: unknown) => {
      if (e instanceof CoreLost) return first();
      throw e;
    });
    if (problem) throw new Error(problem.message);
    await frames.request(['startingValues']);
  }

  /** Leaves the demonstration; what is unsent stays in the outbox. */
  function close() {
    sweeps.stopAll();
    saving.close();
    document.value = undefined;
  }

  /** Values that a scene holds otherwise than before: stating a = 3 puts 3 in play. */
  function changedValues(before: Document, after: Document): Values {
    const old = before.scenes[scene.value]?.values ?? {};
    return Object.fromEntries(
      Object.entries(after.scenes[scene.value]?.values ?? {}).filter(([name, v]) => old[name] !== v),
    );
  }

  /** What is new belongs to this scene and those after it. */
  function fromHereOn(before: Document, after: Document): Document {
    if (scene.value === 0) return after;
    const known = new Set([...before.shown, ...before.said].map((e) => e.id));
    const fresh = [...after.shown, ...after.said].map((e) => e.id).filter((id) => !known.has(id));
    if (!fresh.length) return after;
    const scenes = after.scenes.map((s, k) =>
      k < scene.value ? { ...s, hidden: [...(s.hidden ?? []), ...fresh] } : s,
    );
    return { ...after, scenes };
  }

  /** Changes the document as one step that can be undone; what is wrong comes back and nothing is changed. */
  async function edit(change: Change): Promise<Problem | undefined> {
    let loading: Promise<Problem | undefined> | undefined;
    let made: Document | undefined;
    let forget = () => {};
    const noted: Step = { document: document.value!, values: lastValues };
    const refused = await inLine(async () => {
      const before = document.value!;
      const changed = await change(before);
      if (isProblem(changed)) return changed;
      if (changed === before) return undefined;
      const result = fromHereOn(before, changed);
      noted.document = before;
      forget = history.note(noted);
      made = result;
      put(result);
      loading = follow(changedValues(before, result), noted);
      return undefined;
    });
    if (refused) return refused;
    const problem = await loading;
    if (!problem) return undefined;
    // The core does not take it: nothing was changed. What was made from it meanwhile stands.
    if (document.value !== made) return problem;
    forget();
    put(noted.document);
    await follow();
    return problem;
  }

  /** An edit that the core makes. */
  const askEdit = (ask: Ask, core = answers) =>
    edit(async (before) => {
      const answer = await core.ask({ ...ask, document: before });
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
      void follow(to.values, noted);
    });
  }

  /** Begins a move by hand; the returned function ends it as one step that can be undone. */
  function beginMove(): () => Promise<void> {
    endPassage();
    // Asked for at once, before the move itself is on its way.
    const was = document.value!;
    const before = frameCore
      .ask({ kind: 'values' })
      .catch(() => ({ values: lastValues }))
      .then(({ values }): Step => ({ document: was, values: values ?? {} }));
    return async () => {
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
    // The core must know the windows that were kept since it last loaded the scenes.
    if (windowsKept) await follow();
    windowsMoved.value = new Set();
    await moveByHand(['startingValues']);
  }

  /** What is in play, as a scene keeps it. */
  async function stateInPlay() {
    const { values, steps } = await askInPlay({ kind: 'values' });
    return { values: values ?? {}, steps: steps ?? {} };
  }

  /** Writes what is in play into the scene. */
  async function keepValues() {
    const { values, steps } = await stateInPlay();
    const windows = await Promise.all([...windowsMoved.value].map(windowInPlay));
    const panels = [...windowsMoved.value];
    await change((copy) => {
      const kept = copy.scenes[scene.value]!;
      Object.assign(kept.values, values);
      if (Object.keys(steps).length) kept.steps = steps;
      panels.forEach((panel, i) => {
        const window = windows[i];
        if (window) putWindow(copy, panel, window);
      });
    });
    windowsMoved.value = new Set();
  }

  /** Adds a scene after this one with what is in play, and goes on in it. */
  async function addScene(name: string) {
    const { values, steps } = await stateInPlay();
    await askEdit({ kind: 'addScene', scene: scene.value, text: name, values, steps });
    await goScene(scene.value + 1);
  }

  /** Takes a scene out. */
  async function removeScene(at: number) {
    await askEdit({ kind: 'removeScene', scene: at });
    await goScene(Math.min(at, scene.value));
  }

  async function moveScene(from: number, to: number) {
    const shown = document.value?.scenes[scene.value]?.id;
    await change((copy) => copy.scenes.splice(to, 0, ...copy.scenes.splice(from, 1)));
    await goScene(Math.max(0, document.value?.scenes.findIndex((s) => s.id === shown) ?? 0));
  }

  /** What is covered or revealed in play, by tapping while presenting; the scenes keep what they show. */
  const turned = ref(new Set<string>());
  function turn(id: string) {
    if (!turned.value.delete(id)) turned.value.add(id);
    const place = document.value?.shown.findIndex((s) => s.id === id) ?? -1;
    if (place >= 0) void frames.request(['turn', place]);
  }
  function unturn() {
    turned.value.clear();
    void frames.request(['unturn']);
  }
  const isSeen = (id: string) => isHidden(id) === turned.value.has(id);

  /** Milliseconds of the way from one scene to another. */
  const passage = 900;
  const still = window.matchMedia('(prefers-reduced-motion: reduce)');
  /** Goes to a scene: what is visible changes at once, values and windows glide. */
  async function goScene(at: number) {
    const count = document.value?.scenes.length ?? 0;
    if (at < 0 || at >= count) return;
    sweeps.stopAll();
    cancelAnimationFrame(passing);
    // The core must know the windows that were kept since it last loaded the scenes.
    if (windowsKept) await follow();
    scene.value = at;
    windowsMoved.value = new Set();
    turned.value.clear();
    let ended = false;
    gliding.value = true;
    await frames.request(['beginScene', at]);
    if (!still.matches) {
      await new Promise<void>((resolve) => {
        endPassage = () => {
          cancelAnimationFrame(passing);
          void frames.request(['goScene', 1]);
          ended = true;
          endPassage = () => {};
          resolve();
        };
        const begun = performance.now();
        const frame = (clock: number) => {
          const share = Math.min(1, Math.max(0, clock - begun) / passage);
          if (share >= 1 || scene.value !== at) {
            resolve();
            return;
          }
          void frames.request(['goScene', share * share * (3 - 2 * share)]);
          passing = requestAnimationFrame(frame);
        };
        passing = requestAnimationFrame(frame);
      });
    }
    endPassage = () => {};
    if (scene.value === at && !ended) await frames.request(['goScene', 1]);
    if (scene.value === at) gliding.value = false;
  }

  const isHidden = (id: string) => document.value?.scenes[scene.value]?.hidden?.includes(id) ?? false;

  /** Shows or hides an entry in this scene. */
  const toggle = (id: string) =>
    change((copy) => {
      const here = copy.scenes[scene.value]!;
      here.hidden = here.hidden?.includes(id)
        ? here.hidden.filter((h) => h !== id)
        : [...(here.hidden ?? []), id];
      if (!here.hidden.length) delete here.hidden;
    });

  /** The values and a panel's window in play, for questions to the core that has time. */
  async function inPlayOf(panel: number) {
    const size = frames.panels[panel];
    const [{ values }, { window }] = await Promise.all([
      askInPlay({ kind: 'values' }),
      askInPlay({ kind: 'window', panel, ...size }),
    ]);
    return { values, window };
  }

  /** Gives a panel the window that shows the interesting part. */
  async function fit(panel: number) {
    const inPlay = await inPlayOf(panel);
    const { mended } = await answers.ask({ kind: 'fit', panel, ...frames.panels[panel], ...inPlay });
    if (mended) await mend(panel, mended);
  }

  /** Gives a panel another window, or the demonstration another angle unit. */
  const mend = (panel: number, { window, equalScales, angleUnit }: Mended) =>
    change((copy) => {
      if (angleUnit) copy.angleUnit = angleUnit;
      if (!window) return;
      copy.panels[panel]!.equalScales = equalScales ?? false;
      putWindow(copy, panel, window);
    });

  /** Gives a panel a window in this scene, or all panels where they are linked. */
  function putWindow(copy: Document, panel: number, window: Window) {
    const here = copy.scenes[scene.value]!;
    for (const [k, p] of copy.panels.entries()) {
      if (k !== panel && !copy.linkedWindows) continue;
      // The window of a demonstration with one scene is the panel's own.
      if (copy.scenes.length === 1) {
        p.window = window;
        delete here.windows?.[p.id];
      } else {
        here.windows = { ...here.windows, [p.id]: window };
      }
    }
  }

  /** The panels whose windows were moved while presenting: they stay in play and are kept only when that is asked for. */
  const windowsMoved = ref(new Set<number>());
  const windowInPlay = async (panel: number) =>
    (await askInPlay({ kind: 'window', panel, ...frames.panels[panel] })).window;

  /** Takes the window in play over into the document, but for one that was moved while presenting. */
  async function keepWindow(panel: number, presented: boolean) {
    if (presented) {
      windowsMoved.value = new Set([...windowsMoved.value, panel]);
      return;
    }
    const window = await windowInPlay(panel);
    if (!window) return;
    await inLine(async () => {
      const before = await now();
      const copy = structuredClone(before.document);
      putWindow(copy, panel, window);
      history.note(before);
      // It is in play already: loading it would take back what a hand has moved on meanwhile.
      put(copy);
      windowsKept = true;
    });
  }

  /** Keeps what a trace has recorded with the document. */
  async function keepTrace(id: string) {
    const { numbers } = await askInPlay({ kind: 'trace', id });
    await change((copy) => (ofKind(copy.shown, 'trace').find((t) => t.id === id)!.body.kept = numbers ?? []));
    await frames.request(['clearTraces']);
  }

  /** The document with the values in play as its starting values, for pictures. */
  async function inPlay(): Promise<Document> {
    const { document: copy, values } = await now();
    const here = copy.scenes[scene.value]!;
    const panels = copy.panels.map((p) => ({ ...p, window: here.windows?.[p.id] ?? p.window }));
    return { ...copy, panels, scenes: [{ ...here, values: { ...here.values, ...values } }] };
  }

  /** Goes on with one of two documents; undo works across it. */
  function settleConflict(choice: 'mine' | 'theirs') {
    return inLine(async () => {
      const before = await now();
      const chosen = await saving.settle(choice);
      if (chosen === before.document) return;
      history.note(before);
      document.value = chosen;
      await follow(changedValues(before.document, chosen), before);
    });
  }

  /** What a transformation in steps, or a circle, tells in this picture; undefined when it is not in the scene. */
  const stepsNow = (id: string) => texts.value?.steps.find((s) => s.id === id);
  const circleNow = (id: string) => texts.value?.circles.find((c) => c.id === id);

  const problemOf = (id: string) => loaded.value?.problems.find((p) => p.object === id);

  return {
    document,
    startingValues,
    presenting,
    stepsOpen,
    scene,
    gliding,
    goScene,
    addScene,
    removeScene,
    moveScene,
    isHidden,
    isSeen,
    turn,
    unturn,
    plotting,
    toggle,
    putWindow,
    loaded,
    texts,
    formulas,
    fractions,
    trouble,
    windowsMoved,
    generation,
    tryAgain,
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
    askEditInPlay: (ask: Ask) => askEdit(ask, frameCore),
    change,
    undo: () => step('back'),
    redo: () => step('forward'),
    beginMove,
    moveByHand,
    keepValues,
    keepWindow,
    inPlayOf,
    fit,
    mend,
    findings: reactive(findings),
    effects: reactive(effects),
    keepTrace,
    inPlay,
    valuesInPlay,
    settleConflict,
    problemOf,
    stepsNow,
    circleNow,
    /** A question that needs no values in play. */
    ask: (ask: Ask): Promise<Answer> => answers.ask(ask),
    /** A question about what is in play. */
    askInPlay,
    addDials: (names: string[]) => askEdit({ kind: 'addParameters', names }),
  };
});
