// What is in play, taken over into the document: values, windows, traces; and the document with it, for pictures.
import type { Ref } from 'vue';
import type { Frames } from '../core/frames';
import type { Answer, Ask, Document, Problem } from '../generated/types';
import { ofKind } from '../shared/entries';
import type { Step } from './history';
import type { useWindows } from './windows';

interface Bench {
  scene: Ref<number>;
  frames: Frames;
  windows: ReturnType<typeof useWindows>;
  askInPlay: (ask: Ask) => Promise<Answer>;
  stateInPlay: () => Promise<{ values: Step['values']; steps: Step['values'] }>;
  now: () => Promise<Step>;
  change: (fields: (copy: Document) => void) => Promise<Problem | undefined>;
}

export function useKeeping({ scene, frames, windows, askInPlay, stateInPlay, now, change }: Bench) {
  return {
    /** Writes what is in play into the scene. */
    async keepValues() {
      const { values, steps } = await stateInPlay();
      const putMoved = await windows.movedWindows();
      await change((copy) => {
        const kept = copy.scenes[scene.value]!;
        Object.assign(kept.values, values);
        if (Object.keys(steps).length) kept.steps = steps;
        putMoved(copy);
      });
      windows.settle();
    },

    /** Keeps what a trace has recorded with the document. */
    async keepTrace(id: string) {
      const { numbers, space } = await askInPlay({ kind: 'trace', id });
      await change((copy) => {
        const { body } = ofKind(copy.shown, 'trace').find((t) => t.id === id)!;
        body.kept = numbers ?? [];
        body.space = space;
      });
      await frames.request(['clearTraces']);
    },

    /** The document with the values in play as its starting values, for pictures. */
    async inPlay(): Promise<Document> {
      const { document: copy, values } = await now();
      const here = copy.scenes[scene.value]!;
      const panels = copy.panels.map((p) => ({ ...p, window: here.windows?.[p.id] ?? p.window }));
      return { ...copy, panels, scenes: [{ ...here, values: { ...here.values, ...values } }] };
    },
  };
}
