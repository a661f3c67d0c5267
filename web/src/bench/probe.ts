// What tests and measurements read of a running bench; it changes nothing.
import type { useBench } from './store';

export function exposeForTests(bench: ReturnType<typeof useBench>) {
  Object.assign(window, {
    parvix: {
      timings: bench.frames.timings,
      /** Milliseconds from the page's start to the first picture of an opened demonstration. */
      opened: () => bench.frames.opened,
      counters: async () => (await bench.askInPlay({ kind: 'counters' })).counters,
      values: async () => (await bench.askInPlay({ kind: 'values' })).values,
      trace: async (id: string) => (await bench.askInPlay({ kind: 'trace', id })).numbers ?? [],
      window: async (panel = 0) =>
        (await bench.askInPlay({ kind: 'window', panel, ...bench.frames.panels[panel]! })).window,
      scene: () => bench.scene,
      /** Whether the way from one scene to another is under way. */
      gliding: () => bench.gliding,
      document: () => bench.document,
      /** Resolves when a frame with everything asked for so far is drawn, and one with the sizes of its labels. */
      settled: async () => {
        await bench.frames.request();
        for (let i = 0; i < 2; i++) await new Promise(requestAnimationFrame);
        await bench.frames.request();
      },
    },
  });
}
