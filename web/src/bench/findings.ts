// Findings follow what is in play: the core that has time computes them, the core for frames shows and tells them.
import { ref, shallowRef } from 'vue';
import type { Core } from '../core/client';
import type { Document, FindingsView, Window } from '../generated/types';
import { ofKind } from '../shared/entries';
import { follower } from '../shared/follower';

type Values = Record<string, number>;

/** Findings that follow a hand leave the processor to the pictures in between; nobody reads ten of them a second. */
const restBetween = 100;

export function useFindings(
  cores: { frames: Core; answers: Core },
  document: () => Document | undefined,
  pictures: { request: () => Promise<void>; followHand: boolean },
) {
  /** The function whose findings are open in the folio. */
  const open = ref('');
  const views = shallowRef<Record<string, FindingsView>>({});
  const refused = shallowRef<Record<string, string>>({});
  /** Whether the findings that are seen are those of other values than the ones in play. */
  const behind = ref(false);

  let seen = '';

  /** The functions whose findings are shown, told or open. Those that are only shown wait until the hand rests: as it moves the core draws
   * them by their formulas, and what is found out comes too late for a picture. */
  function wanted(doc: Document): string[] {
    const names = new Set<string>();
    if (!pictures.followHand) for (const { body } of ofKind(doc.shown, 'finding')) names.add(body.function);
    for (const { body } of ofKind(doc.said, 'text')) {
      for (const p of body.pieces) if (p.kind === 'finding') names.add(p.text);
    }
    const stated = doc.stated.some((s) => s.kind === 'function' && s.name === open.value);
    if (open.value && stated) names.add(open.value);
    return [...names];
  }

  /** Finds out what is wanted when it has changed. */
  const follow = follower(async () => {
    const doc = document();
    if (doc && wanted(doc).length) await round(doc);
  }, restBetween);

  async function round(doc: Document) {
    const { values } = await cores.frames.ask({ kind: 'values' });
    const names = wanted(doc);
    const state = JSON.stringify([
      values,
      names,
      doc.stated,
      doc.angleUnit,
      doc.decimalComma,
      doc.panels[0]?.window,
    ]);
    if (state === seen) return;
    behind.value = true;
    try {
      for (const name of names) await study(name, values ?? {}, doc.panels[0]?.window);
      seen = state;
    } finally {
      behind.value = false;
    }
    void pictures.request();
  }

  async function study(name: string, values: Values, window?: Window) {
    const { findings, problem } = await cores.answers.ask({ kind: 'findings', id: name, values, window });
    refused.value = { ...refused.value, [name]: problem?.message ?? '' };
    if (!findings) return;
    views.value = { ...views.value, [name]: findings };
    await cores.frames.ask({ kind: 'found', found: findings.found });
  }

  function clear() {
    open.value = '';
    views.value = {};
    refused.value = {};
    seen = '';
  }

  return { open, views, refused, behind, follow, clear };
}
