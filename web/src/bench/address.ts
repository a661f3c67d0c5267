// The bench's address: it tells the scene and whether it is presented, so that a link leads there and the back button comes back.
import { computed, watch } from 'vue';
import { useRoute, useRouter, type LocationQuery } from 'vue-router';
import { useBench } from './store';

const without = (query: LocationQuery, key: string) =>
  Object.fromEntries(Object.entries(query).filter(([name]) => name !== key));

export function useAddress(showOnBoard: (on: boolean) => Promise<void>) {
  const bench = useBench();
  const route = useRoute();
  const router = useRouter();
  const isPresented = computed(() => route.query.present !== undefined);
  /** Whether presenting was a step in the browser's history. */
  let stepped = false;

  watch(
    () => bench.scene,
    (at) => {
      const others = without(route.query, 'scene');
      if (bench.document) void router.replace({ query: at > 0 ? { ...others, scene: at + 1 } : others });
    },
  );
  watch(isPresented, (on) => {
    if (bench.document) void showOnBoard(on);
  });

  return {
    whole: () => route.fullPath,
    /** Goes where the address leads once the demonstration is open. */
    async follow() {
      const scene = Number(route.query.scene) - 1;
      if (scene > 0) await bench.beginAt(scene);
      if (isPresented.value) await showOnBoard(true);
    },
    /** Presenting is a step in the browser's history: its back button leads to the bench. */
    async present(on: boolean) {
      if (on === isPresented.value) return;
      if (!on && stepped) {
        stepped = false;
        router.back();
        return;
      }
      stepped = on;
      if (on) await router.push({ query: { ...route.query, present: 'board' } });
      else await router.replace({ query: without(route.query, 'present') });
    },
  };
}
