import type { Rest } from '../generated/types';

/** What becomes of the part of a graph or a curve that has not been run through yet. */
export const rests: { value: Rest; label: string }[] = [
  { value: 'faint', label: 'faint' },
  { value: 'hidden', label: 'hidden' },
  { value: 'whole', label: 'drawn' },
];
