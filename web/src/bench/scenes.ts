// The scenes: which is in play and the way to it, what it shows, and what was covered or revealed since.
import { ref, type Ref, type ShallowRef } from 'vue';
import type { Frames } from '../core/frames';
import type { Move } from '../core/messages';
import type { Ask, Document, Held, Problem } from '../generated/types';
import type { Values } from './history';

interface Bench {
  document: ShallowRef<Document | undefined>;
  scene: Ref<number>;
  presenting: Ref<boolean>;
  frames: Frames;
  change: (fields: (copy: Document) => void) => Promise<Problem | undefined>;
  askEdit: (ask: Ask) => Promise<Problem | undefined>;
  /** What is in play, as a scene keeps it. */
  stateInPlay: () => Promise<{ values: Values; steps: Values }>;
  /** What has to end before another scene begins. */
  leave: () => Promise<void>;
}

/** Milliseconds of the way from one scene to another. */
const passage = 900;

export function useScenes(bench: Bench) {
  const { document, scene, frames, change, askEdit } = bench;
  const still = window.matchMedia('(prefers-reduced-motion: reduce)');
  const gliding = ref(false);
  /** How often a scene has begun. */
  const begun = ref(0);
  let passing = 0;
  /** Ends the glide that is under way, at its end. */
  let endPassage = () => {};

  /** What is covered or revealed in play, by tapping while presenting; the scenes keep what they show. */
  const turned = ref(new Set<string>());
  const placeOf = (id: string) => document.value?.shown.findIndex((s) => s.id === id) ?? -1;
  function turning({ id, labelOnly }: Held): Move[] {
    if (!labelOnly && !turned.value.delete(id)) turned.value.add(id);
    const place = placeOf(id);
    return place >= 0 ? [[labelOnly ? 'turnLabel' : 'turn', place]] : [];
  }
  const turn = (id: string) => void frames.request(...turning({ id }));

  /** What the scene holds back while presenting, in the order in which it is revealed. */
  const waiting = ref<Held[]>([]);
  /** Covers what a scene that begins holds back. */
  function heldBack(at: number): Move[] {
    const begins = document.value?.scenes[at];
    waiting.value = bench.presenting.value
      ? (begins?.held ?? []).filter(({ id, labelOnly }) => labelOnly || !begins?.hidden?.includes(id))
      : [];
    return waiting.value.flatMap(turning);
  }
  function reveal() {
    const [next, ...rest] = waiting.value;
    waiting.value = rest;
    // A tap on the list may have revealed it before.
    if (next && (next.labelOnly || !isSeen(next.id))) void frames.request(...turning(next));
  }
  /** Shows what the scene shows, but for what it holds back while presenting. */
  function unturn() {
    turned.value.clear();
    void frames.request(['unturn'], ...heldBack(scene.value));
  }
  /** What is covered and revealed since the scene began, done once more for a core that knows nothing of it. */
  const covers = (): Move[] => {
    const moves: Move[] = [...turned.value].map((id) => ['turn', placeOf(id)]);
    for (const { id, labelOnly } of waiting.value) if (labelOnly) moves.push(['turnLabel', placeOf(id)]);
    return moves.filter(([, place]) => (place as number) >= 0);
  };
  const isHidden = (id: string) => document.value?.scenes[scene.value]?.hidden?.includes(id) ?? false;
  const isSeen = (id: string) => isHidden(id) === turned.value.has(id);

  /** Glides to the scene that was begun; true when a hand ended the way before. */
  async function glide(at: number): Promise<boolean> {
    let ended = false;
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
    endPassage = () => {};
    return ended;
  }

  /** Goes to a scene: what is visible changes at once, values and windows glide. */
  async function goScene(at: number) {
    const count = document.value?.scenes.length ?? 0;
    if (at < 0 || at >= count) return;
    cancelAnimationFrame(passing);
    await bench.leave();
    scene.value = at;
    turned.value.clear();
    gliding.value = true;
    begun.value++;
    await frames.request(['beginScene', at], ...heldBack(at));
    const ended = still.matches ? false : await glide(at);
    if (scene.value === at && !ended) await frames.request(['goScene', 1]);
    if (scene.value === at) gliding.value = false;
  }

  /** Opens at a scene. */
  async function beginAt(at: number) {
    if (at < 0 || at >= (document.value?.scenes.length ?? 0)) return;
    scene.value = at;
    begun.value++;
    await frames.request(['beginScene', at], ...heldBack(at), ['goScene', 1]);
  }

  /** Adds a scene after this one with what is in play, and goes on in it. */
  async function addScene(name: string) {
    const { values, steps } = await bench.stateInPlay();
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

  /** Shows or hides an entry in a scene. */
  const toggle = (id: string, at = scene.value) =>
    change((copy) => {
      const here = copy.scenes[at]!;
      here.hidden = here.hidden?.includes(id)
        ? here.hidden.filter((h) => h !== id)
        : [...(here.hidden ?? []), id];
      if (!here.hidden.length) delete here.hidden;
    });

  /** Holds an entry, or its label only, back in this scene until it is revealed; or holds it back no more. */
  const holdBack = (id: string, labelOnly: boolean) =>
    change((copy) => {
      const here = copy.scenes[scene.value]!;
      const others = (here.held ?? []).filter((h) => h.id !== id);
      const was = here.held?.find((h) => h.id === id);
      const isSame = was && !!was.labelOnly === labelOnly;
      const next: Held[] = isSame ? others : [...others, labelOnly ? { id, labelOnly } : { id }];
      if (next.length) here.held = next;
      else delete here.held;
    });

  return {
    page: {
      gliding,
      goScene,
      beginAt,
      addScene,
      removeScene,
      moveScene,
      isHidden,
      isSeen,
      turn,
      unturn,
      waiting,
      reveal,
      scenesBegun: begun,
      toggle,
      holdBack,
    },
    /** Ends the glide that is under way, at its end. */
    endPassage: () => endPassage(),
    covers,
  };
}

/** What is new belongs to this scene and those after it. */
export function fromHereOn(scene: number, before: Document, after: Document): Document {
  if (scene === 0) return after;
  const known = new Set([...before.shown, ...before.said].map((e) => e.id));
  const fresh = [...after.shown, ...after.said].map((e) => e.id).filter((id) => !known.has(id));
  if (!fresh.length) return after;
  const scenes = after.scenes.map((s, k) =>
    k < scene ? { ...s, hidden: [...(s.hidden ?? []), ...fresh] } : s,
  );
  return { ...after, scenes };
}

/** Values that a scene holds otherwise than before: stating a = 3 puts 3 in play. */
export function changedValues(scene: number, before: Document, after: Document): Values {
  const old = before.scenes[scene]?.values ?? {};
  return Object.fromEntries(
    Object.entries(after.scenes[scene]?.values ?? {}).filter(([name, v]) => old[name] !== v),
  );
}
