// The windows of the panels: in play, kept in the document, and fitted.
import { computed, ref, type Ref } from 'vue';
import type { Frames } from '../core/frames';
import type {
  Answer,
  Ask,
  CircleBody,
  Document,
  Entry,
  Mended,
  Panel,
  PieceWanted,
  Problem,
  Window,
} from '../generated/types';
import { glide } from './gliding';

interface Bench {
  document: Ref<Document | undefined>;
  scene: Ref<number>;
  frames: Frames;
  ask: (ask: Ask) => Promise<Answer>;
  askInPlay: (ask: Ask) => Promise<Answer>;
  askEdit: (ask: Ask) => Promise<Problem | undefined>;
  change: (fields: (copy: Document) => void) => Promise<Problem | undefined>;
  /** Changes the document as a part of the step before. */
  amend: (fields: (copy: Document) => void) => Promise<void>;
  /** Changes the document to what is in play already, as a step that can be undone. */
  keepInPlay: (fields: (copy: Document) => void) => Promise<void>;
}

export function useWindows(bench: Bench) {
  const { scene, frames, askInPlay, change } = bench;
  /** The panels whose windows were moved while presenting: they stay in play and are kept only when that is asked for. */
  const windowsMoved = ref(new Set<number>());

  const isSpace = (p: Panel) => p.kind === 'space';

  const windowInPlay = async (panel: number) =>
    (await askInPlay({ kind: 'window', panel, ...frames.panels[panel] })).window;

  /** The values and a panel's window in play, for questions to the core that has time. */
  async function inPlayOf(panel: number) {
    const [{ values }, window] = await Promise.all([askInPlay({ kind: 'values' }), windowInPlay(panel)]);
    return { values, window };
  }

  /** Gives a panel a window in this scene, or all panels where they are linked. */
  function putWindow(copy: Document, panel: number, window: Window) {
    const here = copy.scenes[scene.value]!;
    for (const [k, p] of copy.panels.entries()) {
      if (k !== panel && (!copy.linkedWindows || isSpace(p) !== isSpace(copy.panels[panel]!))) continue;
      // The window of a demonstration with one scene is the panel's own.
      if (copy.scenes.length === 1) {
        p.window = window;
        delete here.windows?.[p.id];
      } else {
        here.windows = { ...here.windows, [p.id]: window };
      }
    }
  }

  /** Writes another window, or another angle unit, into a copy. */
  function putMended(copy: Document, panel: number, { window, equalScales, angleUnit }: Mended) {
    if (angleUnit) copy.angleUnit = angleUnit;
    if (!window) return;
    copy.panels[panel]!.equalScales = equalScales ?? false;
    putWindow(copy, panel, window);
  }

  const mend = (panel: number, mended: Mended) => change((copy) => putMended(copy, panel, mended));

  /** The window that shows the interesting part of a panel. */
  async function fittedTo(panel: number, inPlay: Awaited<ReturnType<typeof inPlayOf>>) {
    return (await bench.ask({ kind: 'fit', panel, ...frames.panels[panel], ...inPlay })).mended;
  }

  /** Gives a panel the window that shows the interesting part. */
  async function fit(panel: number) {
    const mended = await fittedTo(panel, await inPlayOf(panel));
    if (mended) await mend(panel, mended);
  }

  /** Windows that nobody has chosen, by panels: those of an empty bench, and those that were fitted by themselves. */
  let fitted: Record<string, string> = {};
  const windowOf = (panel: string) =>
    JSON.stringify(
      bench.document.value?.scenes[scene.value]?.windows?.[panel] ??
        bench.document.value?.panels.find((p) => p.id === panel)?.window,
    );
  function opened() {
    const { stated = [], shown = [], panels = [] } = bench.document.value ?? {};
    openings++;
    const isEmpty = !stated.length && !shown.length;
    fitted = isEmpty ? Object.fromEntries(panels.map((p) => [p.id, windowOf(p.id)])) : {};
    known = new Set(panels.map((p) => p.id));
  }

  /** The panels that were there before the last edit: one of a circle or of space that came with it has a window that nobody has chosen. */
  let known = new Set<string>();
  function meetPanels() {
    for (const { id, kind } of bench.document.value?.panels ?? []) {
      if (kind !== 'plane' && !known.has(id)) fitted[id] = windowOf(id);
      known.add(id);
    }
  }

  const holds = (outer: Window, inner: Window) =>
    outer.left <= inner.left &&
    outer.right >= inner.right &&
    outer.bottom <= inner.bottom &&
    outer.top >= inner.top &&
    (!outer.space || JSON.stringify(outer) === JSON.stringify(inner));

  /** The edits asked for whose results may still have to be brought into sight. */
  const fits = ref(0);
  /** Whether an edit is on its way after which a window may glide, or glides: from the asking on, since what was edited
   * is on the page a moment before the window that shows it is known. */
  const isFitting = computed(() => fits.value > 0);
  /** Asks for an edit; what is new of it is brought into sight on panels whose windows nobody has chosen. */
  async function askFitted(edit: Ask, isNew: boolean, isCurve = false) {
    if (!isNew) return bench.askEdit(edit);
    fits.value++;
    let fitting: Promise<void> | undefined;
    try {
      const problem = await bench.askEdit(edit);
      if (!problem) fitting = fitNew(isCurve);
      return problem;
    } finally {
      void Promise.resolve(fitting).finally(() => fits.value--);
    }
  }
  /** Glides to the window that shows what is new. It belongs to the step before. */
  function fitNew(isCurve: boolean) {
    meetPanels();
    return fitUntouched(isCurve);
  }
  /** Counts the demonstrations that were opened: what is fitted belongs to one. */
  let openings = 0;
  async function fitUntouched(isCurve: boolean) {
    const opening = openings;
    /** Whether the window is still there and nobody has chosen another meanwhile. */
    const isFree = (id: string) => opening === openings && windowOf(id) === fitted[id];
    for (const [panel, { id }] of (bench.document.value?.panels ?? []).entries()) {
      if (!isFree(id)) continue;
      const inPlay = await inPlayOf(panel);
      const mended = await fittedTo(panel, inPlay);
      if (!mended?.window || !inPlay.window) continue;
      // What is in sight already moves no window.
      if (!isCurve && holds(inPlay.window, mended.window)) continue;
      await glide(frames, panel, inPlay.window, mended.window, mended.equalScales);
      if (!isFree(id)) continue;
      await bench.amend((copy) => putMended(copy, panel, mended));
      fitted[id] = windowOf(id);
    }
  }

  /** Takes what was typed as a statement; on an untouched window what is new is fitted. */
  const state = (id: string, text: string) => askFitted({ kind: 'state', id, text }, !id, true);

  /** Takes an entry; a new one that an untouched window does not show is brought into sight. */
  const putEntry = (entry: Entry) => askFitted({ kind: 'put', entry }, !entry.id);

  /** Puts up a circle; its panel is fitted. */
  const addCircle = (circle: CircleBody, own: boolean) =>
    askFitted({ kind: 'addCircle', circle, ...(own && { empty: true }) }, true);

  /** Shows or hides a piece of an entry in this scene; an untouched window that is too small for it is fitted. */
  const showPiece = (piece: Omit<PieceWanted, 'scene'>) =>
    askFitted({ kind: 'showPiece', piece: { ...piece, scene: scene.value } }, piece.shown);

  /** Fits every panel, as one step. */
  async function fitAll() {
    const all: (Mended | undefined)[] = [];
    for (const panel of (bench.document.value?.panels ?? []).keys()) {
      all.push(await fittedTo(panel, await inPlayOf(panel)));
    }
    await change((copy) => all.forEach((mended, panel) => mended && putMended(copy, panel, mended)));
  }

  /** Takes the window in play over into the document, but for one that was moved while presenting. One whose axis was
   * stretched has equal scales no more. */
  async function keepWindow(panel: number, presented: boolean, stretched = false) {
    if (presented) {
      windowsMoved.value = new Set([...windowsMoved.value, panel]);
      return;
    }
    const window = await windowInPlay(panel);
    if (!window) return;
    await bench.keepInPlay((copy) => {
      putWindow(copy, panel, window);
      if (stretched)
        for (const p of copy.linkedWindows ? copy.panels : [copy.panels[panel]!]) p.equalScales = false;
    });
  }

  /** Writes the windows that were moved while presenting into a copy; what they are is asked for first. */
  async function movedWindows() {
    const panels = [...windowsMoved.value];
    const windows = await Promise.all(panels.map(windowInPlay));
    return (copy: Document) =>
      panels.forEach((panel, i) => {
        const window = windows[i];
        if (window) putWindow(copy, panel, window);
      });
  }

  /** Glides to another window of a panel in play. */
  const glideTo = (panel: number, from: Window, to: Window) =>
    glide(frames, panel, from, to, bench.document.value?.panels[panel]?.equalScales);

  return {
    page: {
      windowsMoved,
      glideTo,
      inPlayOf,
      putWindow,
      mend,
      fit,
      fitAll,
      state,
      putEntry,
      addCircle,
      showPiece,
      isFitting,
      keepWindow,
    },
    movedWindows,
    opened,
    /** No window is off its scene any more. */
    settle: () => (windowsMoved.value = new Set()),
  };
}
