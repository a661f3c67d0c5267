// Presenting: what is done meanwhile stays in play. Back on the bench the document is what it was, and can be had as it was presented.
import { ref, type ShallowRef } from 'vue';
import type { Document } from '../generated/types';
import type { Step, useHistory } from './history';

interface Bench {
  document: ShallowRef<Document | undefined>;
  history: ReturnType<typeof useHistory>;
  inLine: (task: () => Promise<void>) => Promise<void>;
  now: () => Promise<Step>;
  put: (next: Document) => void;
  follow: (noted: Step) => Promise<unknown>;
}

export function usePresenting(bench: Bench) {
  const presenting = ref(false);
  /** Whether something was changed while presenting, and set back. */
  const setBack = ref(false);
  let before: Document | undefined;

  function begin() {
    before = bench.document.value;
    setBack.value = false;
    presenting.value = true;
  }

  const end = () =>
    bench.inLine(async () => {
      if (!presenting.value) return;
      const presented = await bench.now();
      presenting.value = false;
      if (!before || presented.document === before) return;
      bench.history.note(presented);
      bench.put(before);
      setBack.value = true;
      void bench.follow(presented);
    });

  return {
    page: { presenting, setBack },
    presenting,
    present: async (on: boolean) => (on ? begin() : end()),
    /** Another window has saved: that is what presenting comes back to. */
    tookOver: (saved: Document) => (before = saved),
  };
}
