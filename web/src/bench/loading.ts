// The cores follow the document: what they understood of it, and what is said when one of them was lost.
import { nextTick, ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import { CoreLost, type Core } from '../core/client';
import type { Frames } from '../core/frames';
import type { Move } from '../core/messages';
import type { Ask, Document, Loaded, Problem } from '../generated/types';
import type { Step, Values } from './history';

interface Bench {
  document: ShallowRef<Document | undefined>;
  scene: Ref<number>;
  mistake: Ref<string>;
  frames: Frames;
  frameCore: Core;
  answers: Core;
  /** The values of the last picture, for when the core cannot be asked. */
  lastValues: () => Values;
  valuesInPlay: () => Promise<Values>;
  /** What is covered and revealed in play, for a core that was started anew. */
  covers: () => Move[];
  /** Is told when the cores have understood another document. */
  understood: () => void;
}

export function useLoading(bench: Bench) {
  const { document, scene, mistake, frames, frameCore, answers } = bench;
  const loaded = shallowRef<Loaded>();
  /** What is said of a core that had to be started anew, and whether another try needs a hand. */
  const trouble = ref<{ words: string; again: boolean }>();
  /** Counts the cores for frames: each takes canvases of its own. */
  const generation = ref(0);
  /** Whether the document holds windows that the core was not told of, since they are in play already. */
  let behind = false;
  /** Whether the core for frames was started anew and knows nothing of what was done in play. */
  let isNew = false;

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
    isNew = true;
    void follow(bench.lastValues());
  };
  answers.onLost = (again) => {
    tellLost(again);
    if (again && document.value) void answers.ask(loadAsk(document.value)).catch(() => undefined);
  };

  // The core that has time rehearses what the other one will do: both run the code that the browser has translated.
  let rehearses = false;
  function rehearse(on: boolean) {
    if (on || rehearses) answers.rehearse(on);
    rehearses = on;
  }
  frames.onHand = () => rehearse(false);

  /** Starts the cores once more, because a hand wants to. */
  async function tryAgain() {
    trouble.value = undefined;
    frameCore.forgive();
    answers.forgive();
    generation.value++;
    isNew = true;
    await follow(bench.lastValues());
  }

  const loadAsk = (next: Document): Ask => ({ kind: 'load', document: next, scene: scene.value });

  // An edit does not wait for the cores, and what is overtaken is not loaded.
  let following: Promise<unknown> = Promise.resolve();
  let toBePut: Values = {};
  /** Lets the cores understand the document; values are put in play for the dials that they name. */
  function follow(values: Values = {}, noted?: Step): Promise<Problem | undefined> {
    Object.assign(toBePut, values);
    const wanted = document.value;
    const result = following.then(async () => {
      if (noted) noted.values = await bench.valuesInPlay();
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
    behind = false;
    scene.value = Math.min(scene.value, next.scenes.length - 1);
    // Later questions to the answers core stand in line behind this one.
    void answers.ask(loadAsk(next)).catch(() => undefined);
    const answer = await frameCore.ask(loadAsk(next));
    if (!answer.loaded) return answer.problem;
    // A demonstration that is being opened is seen from the moment the core has it; one that was left meanwhile never is.
    if (opening) document.value = next;
    else if (!document.value) return undefined;
    loaded.value = answer.loaded;
    bench.understood();
    // Panels that are new have to mount before they can paint.
    await nextTick();
    answer.loaded.dials.forEach((dial, i) => {
      const value = values[dial.name];
      if (value !== undefined) void frames.request(['setDial', i, value]);
    });
    await frames.request(...(isNew ? bench.covers() : []));
    isNew = false;
    return undefined;
  }

  /** Loads a demonstration that is being opened, once more where the core was lost over it. */
  async function open(opened: Document) {
    const first = () => load(opened, opened.scenes[0]?.values, true);
    const problem = await first().catch((e: unknown) => {
      if (e instanceof CoreLost) return first();
      throw e;
    });
    if (problem) throw new Error(problem.message);
    rehearse(true);
  }

  return {
    loaded,
    trouble,
    generation,
    tryAgain,
    follow,
    open,
    clear() {
      rehearse(false);
      loaded.value = undefined;
      trouble.value = undefined;
    },
    /** The document was changed to what is in play already. */
    keptInPlay() {
      behind = true;
    },
    /** Tells the core what was kept since it last loaded the document. */
    async catchUp() {
      if (behind) await follow();
    },
  };
}
