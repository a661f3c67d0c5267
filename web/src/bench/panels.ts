// Which panels are on the stage: all of them while a demonstration is made, before a class those that draw something.
import { computed } from 'vue';
import { useBench } from './store';

export function useSeenPanels() {
  const bench = useBench();
  const panels = computed(() => bench.document?.panels ?? []);
  /** What is covered keeps its room. */
  const isInScene = (id: string) => !bench.isHidden(id) || bench.isSeen(id);
  /** While presenting a panel on which the scene draws nothing leaves its room to the others; its texts are read beside the stage. */
  const isSeen = (panel: string) =>
    !bench.presenting || !!bench.loaded?.shown.some((s) => isInScene(s.id) && s.panels.includes(panel));
  /** Their ids. */
  const seen = computed(() => {
    const ids = panels.value.map(({ id }) => id);
    const some = ids.filter(isSeen);
    return some.length ? some : ids;
  });
  return { panels, seen };
}
