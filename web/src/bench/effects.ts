// What each parameter does: asked of the core that has time, once the stated formulas rest, and marked on the dials.
import { ref, shallowRef } from 'vue';
import type { Core } from '../core/client';
import type { Collapse, Document, EffectView } from '../generated/types';

/** Milliseconds for which the formulas must rest. */
const rest = 500;

export function useEffects(
  answers: Core,
  tell: (collapses: Collapse[]) => void,
  document: () => Document | undefined,
) {
  /** The parameter whose effect is open in the folio. */
  const open = ref('');
  const views = shallowRef<Record<string, EffectView[]>>({});
  let seen = '';
  let timer = 0;

  const stateOf = (doc: Document) => JSON.stringify([doc.stated, doc.angleUnit, doc.decimalComma]);

  /** Asks again when what is stated has changed. */
  function follow() {
    window.clearTimeout(timer);
    const doc = document();
    if (!doc || stateOf(doc) === seen) return;
    timer = window.setTimeout(() => void round(doc), rest);
  }

  async function round(doc: Document) {
    const state = stateOf(doc);
    const found: Record<string, EffectView[]> = {};
    for (const s of doc.stated) {
      if (s.kind !== 'parameter') continue;
      const { effects } = await answers.ask({ kind: 'effect', id: s.name });
      // A later edit asks anew; a bench that was left asks for nothing.
      const now = document();
      if (!now || (now !== doc && stateOf(now) !== state)) return;
      found[s.name] = effects ?? [];
    }
    seen = state;
    views.value = found;
    tell(
      Object.entries(found).flatMap(([parameter, effects]) =>
        effects.flatMap(({ function: name, degenerate }) =>
          degenerate.map(({ value, kind }) => ({ function: name, parameter, value, kind })),
        ),
      ),
    );
  }

  function clear() {
    window.clearTimeout(timer);
    open.value = '';
    views.value = {};
    seen = '';
  }

  return { open, views, follow, clear };
}
