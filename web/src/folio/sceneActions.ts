// What the scene in play does with an entry: shows it, hides it, holds it back until it is revealed while presenting.
import { useBench } from '../bench/store';
import type { Action } from '../shared/ActionMenu.vue';

export function heldIn(id: string) {
  const bench = useBench();
  return bench.document?.scenes[bench.scene]?.held?.find((h) => h.id === id);
}

export function sceneActions(id: string, hasLabel: boolean): Action[] {
  const bench = useBench();
  const held = heldIn(id);
  const hidden = bench.isHidden(id);
  const actions: Action[] = [
    {
      key: 'toggle',
      words: hidden ? 'Show it in this scene' : 'Hide it in this scene',
      act: () => void bench.toggle(id),
    },
    {
      key: 'hold',
      words: 'Hold it back until it is revealed',
      chosen: !!held && !held.labelOnly,
      off: hidden,
      act: () => void bench.holdBack(id, false),
    },
  ];
  if (hasLabel)
    actions.push({
      key: 'holdLabel',
      words: 'Hold its label back until it is revealed',
      chosen: !!held?.labelOnly,
      off: hidden,
      act: () => void bench.holdBack(id, true),
    });
  return actions;
}
