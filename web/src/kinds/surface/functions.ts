// The stated functions of two variables, which have a surface.
import { useBench } from '../../bench/store';

const ofTwo = () =>
  (useBench().document?.stated ?? []).filter((s) => s.kind === 'function' && s.variables?.length === 2);

export const heights = () => ofTwo().map((s) => ({ value: s.name }));

export const lastHeight = () => ofTwo().at(-1)?.name ?? '';
