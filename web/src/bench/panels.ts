// Which panels are on the stage: all of them while a demonstration is made, before a class those that show something.
import { computed } from 'vue';
import type { Kind, Panel, PanelKind } from '../generated/types';
import { useBench } from './store';

/** What stands in space alone; a point and its trace may stand in space or in a plane. */
const ofSpace: Kind[] = ['surface', 'surfacePart', 'spaceCurve', 'spaceCurvePart'];
const anywhere: Kind[] = ['point', 'trace'];

/** Whether a kind of entry that names no panels is drawn on a kind of panel. */
function isDrawnOn(panel: PanelKind, kind: Kind): boolean {
  if (kind === 'text') return false;
  return anywhere.includes(kind) || ofSpace.includes(kind) === (panel === 'space');
}

export function useSeenPanels() {
  const bench = useBench();
  const panels = computed(() => bench.document?.panels ?? []);
  /** While presenting a panel on which the scene shows nothing leaves its room to the others; what is covered keeps its room. */
  const isSeen = (panel: Panel) =>
    !bench.presenting ||
    [...(bench.document?.shown ?? []), ...(bench.document?.said ?? [])].some(
      ({ id, kind, where }) =>
        (!bench.isHidden(id) || bench.isSeen(id)) &&
        (where?.panels?.length ? where.panels.includes(panel.id) : isDrawnOn(panel.kind, kind)),
    );
  /** Their ids. */
  const seen = computed(() => {
    const some = panels.value.filter(isSeen);
    return (some.length ? some : panels.value).map(({ id }) => id);
  });
  return { panels, seen };
}
