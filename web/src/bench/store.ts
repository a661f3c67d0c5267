// The demonstration on the bench: its document, what the core understood of it, and the way of every edit.
import { defineStore } from 'pinia';
import { markRaw, nextTick, reactive, ref, shallowRef } from 'vue';
import { cores } from '../core/client';
import { Frames } from '../core/frames';
import type { FrameAnswer, Move, PanelPicture } from '../core/messages';
import type { Answer, Ask, Document, FrameTexts, Loaded, Mended, Problem } from '../generated/types';
import { useFindings } from './findings';
import { useHistory, type Step, type Values } from './history';
import { useSaving } from './saving';
import { useSweeps } from './sweeps';

/** Puts on a panel what the worker does not draw: labels and handles. */
export type Placer = (picture: PanelPicture) => void;

type Change = (before: Document) => Document | Problem | Promise<Document | Problem>;

const isProblem = (result: Document | Problem): result is Problem => 'code' in result;

export const useBench = defineStore('bench', () => {
  const document = shallowRef<Document>();
  const loaded = shallowRef<Loaded>();
  const texts = shallowRef<FrameTexts>();
  /** The share of its bar at which each dial stands. */
  const fractions = shallowRef<number[]>([]);
  /** The entry of the folio that is being changed; 'stated', 'shown' and 'said' are new ones. */
  const editing = ref('');
  const mistake = ref('');

  const { frames: frameCore, answers } = cores();
  const placers = markRaw<(Placer | undefined)[]>([]);
  const frames = markRaw(new Frames(frameCore, place));
  const history = useHistory();
  const saving = useSaving();
  const sweeps = useSweeps(
    (move) => void frames.request(move),
    (dial) => fractions.value[dial] ?? 0,
  );

  const findings = useFindings(
    { frames: frameCore, answers },
    () => document.value,
    () => void frames.request(),
  );

  /** Puts labels, dials, readouts and texts of one picture in their places. */
  async function place(answer: FrameAnswer) {
    answer.pictures.forEach((picture, panel) => picture && placers[panel]?.(picture));
    fractions.value = answer.dials;
    const words = answer.pictures[0]?.texts;
    if (words) texts.value = words;
    answer.ended.forEach(sweeps.stop);
    void findings.follow();
    await nextTick();
  }

  // One edit after the other, each on what the one before left.
  let line: Promise<unknown> = Promise.resolve();
  function inLine<T>(task: () => Promise<T>): Promise<T> {
    const result = line.then(task);
    line = result.catch((e: unknown) => {
      mistake.value = String(e);
    });
    return result;
  }

  /** Asks about what is in play, after the moves that are still waiting for their frame. */
  async function askInPlay(ask: Ask): Promise<Answer> {
    await frames.request();
    return frameCore.ask(ask);
  }

  async function valuesInPlay(): Promise<Values> {
    return (await askInPlay({ kind: 'values' })).values ?? {};
  }

  async function now(): Promise<Step> {
    return { document: document.value!, values: await valuesInPlay() };
  }

  /** Lets the cores understand a document; values are put in play for the dials that they name. */
  async function load(next: Document, values: Values = {}) {
    const ask: Ask = { kind: 'load', document: next };
    // Later questions to the answers core stand in line behind this one.
    void answers.ask(ask);
    const answer = await frameCore.ask(ask);
    if (!answer.loaded) throw new Error(answer.problem?.message ?? 'The demonstration could not be read.');
    document.value = next;
    loaded.value = answer.loaded;
    // Panels that are new have to mount before they can paint.
    await nextTick();
    answer.loaded.dials.forEach((dial, i) => {
      const value = values[dial.name];
      if (value !== undefined) void frames.request(['setDial', i, value]);
    });
    await frames.request();
  }

  async function open(teacher: string, id: string) {
    sweeps.stopAll();
    history.clear();
    document.value = undefined;
    loaded.value = undefined;
    texts.value = undefined;
    editing.value = '';
    mistake.value = '';
    findings.clear();
    const opened = await saving.open(teacher, id);
    await load(opened, opened.scenes[0]?.values);
    await frames.request(['startingValues']);
  }

  /** Values that a scene holds otherwise than before: stating a = 3 puts 3 in play. */
  function changedValues(before: Document, after: Document): Values {
    const old = before.scenes[0]?.values ?? {};
    return Object.fromEntries(
      Object.entries(after.scenes[0]?.values ?? {}).filter(([name, v]) => old[name] !== v),
    );
  }

  /** Changes the document as one step that can be undone; what is wrong comes back and nothing is changed. */
  function edit(change: Change): Promise<Problem | undefined> {
    return inLine(async () => {
      const before = await now();
      const result = await change(before.document);
      if (isProblem(result)) return result;
      if (result === before.document) return undefined;
      history.note(before);
      await load(result, changedValues(before.document, result));
      saving.changed(result);
      return undefined;
    });
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
    return inLine(async () => {
      const to = history[way](await now());
      if (!to) return;
      sweeps.stopAll();
      const changed = to.document !== document.value;
      await load(to.document, to.values);
      if (changed) saving.changed(to.document);
    });
  }

  /** Begins a move by hand; the returned function ends it as one step that can be undone. */
  function beginMove(): () => Promise<void> {
    // Asked for at once, before the move itself is on its way.
    const before = frameCore
      .ask({ kind: 'values' })
      .then(({ values }): Step => ({ document: document.value!, values: values ?? {} }));
    return async () => {
      const [was, is] = [await before, await now()];
      if (JSON.stringify(was.values) !== JSON.stringify(is.values)) history.note(was);
    };
  }

  async function moveByHand(move: Move) {
    const end = beginMove();
    await frames.request(move);
    await end();
  }

  /** Writes the values in play into the scene. */
  async function keepValues() {
    const values = await valuesInPlay();
    await change((copy) => Object.assign(copy.scenes[0]!.values, values));
  }

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
      if (window) Object.assign(copy.panels[panel]!, { window, equalScales: equalScales ?? false });
    });

  /** Takes the window in play over into the document. */
  async function keepWindow(panel: number) {
    const size = frames.panels[panel];
    const { window } = await askInPlay({ kind: 'window', panel, ...size });
    if (window) await change((copy) => (copy.panels[panel]!.window = window));
  }

  /** Keeps what a trace has recorded with the document. */
  async function keepTrace(id: string) {
    const { numbers } = await askInPlay({ kind: 'trace', id });
    await change((copy) => (copy.shown.find((s) => s.id === id)!.kept = numbers ?? []));
    await frames.request(['clearTraces']);
  }

  /** The document with the values in play as its starting values, for pictures. */
  async function inPlay(): Promise<Document> {
    const { document: copy, values } = await now();
    const [first, ...others] = copy.scenes;
    return { ...copy, scenes: [{ ...first!, values: { ...first!.values, ...values } }, ...others] };
  }

  /** Goes on with one of two documents; undo works across it. */
  function settleConflict(choice: 'mine' | 'theirs') {
    return inLine(async () => {
      const before = await now();
      const chosen = await saving.settle(choice);
      if (chosen === before.document) return;
      history.note(before);
      await load(chosen, changedValues(before.document, chosen));
    });
  }

  const problemOf = (id: string) => loaded.value?.problems.find((p) => p.object === id);

  return {
    document,
    loaded,
    texts,
    fractions,
    editing,
    mistake,
    saving,
    history,
    sweeps,
    frames,
    placers,
    canvases: markRaw(frameCore),
    open,
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
    keepTrace,
    inPlay,
    settleConflict,
    problemOf,
    /** A question that needs no values in play. */
    ask: (ask: Ask): Promise<Answer> => answers.ask(ask),
    /** A question about what is in play. */
    askInPlay,
    addDials: (names: string[]) => askEdit({ kind: 'addParameters', names }),
  };
});
