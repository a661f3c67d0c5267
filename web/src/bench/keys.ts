// Keys of a single letter act on the whole bench; whoever speaks to the machine, or brushes keys by chance, switches them off.
import { ref, watch } from 'vue';

const kept = 'parvix-keys';

/** Whether single letters are keys. */
export const singleKeys = ref(window.localStorage.getItem(kept) !== 'off');
watch(singleKeys, (on) => {
  if (on) window.localStorage.removeItem(kept);
  else window.localStorage.setItem(kept, 'off');
});
