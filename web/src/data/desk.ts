// The desk on which data are typed, looked at and given a model. It is open for one table at a time.
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';

export interface Pair {
  data: string;
  x: string;
  y: string;
}

export const useDataDesk = defineStore('data', () => {
  /** The id of the data that lie on the desk; 'new' for an empty table, empty for none. */
  const open = ref('');
  /** The row that is to be seen, counted from 0. */
  const row = ref(-1);
  /** What was pasted or dropped on the bench and is to be read. */
  const brought = shallowRef<string | File>();
  /** The two columns that are looked at: those of the data with this id, across and up. */
  const pair = ref<Pair>();
  return { open, row, brought, pair };
});
