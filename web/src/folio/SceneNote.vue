<script setup lang="ts">
// The teacher's own note for the scene: read in the second window while presenting, never by the class.
import { computed } from 'vue';
import { useBench } from '../bench/store';

const bench = useBench();
const note = computed(() => bench.document?.scenes[bench.scene]?.note ?? '');

function keep(words: string) {
  if (words === note.value) return;
  void bench.change((copy) => {
    const here = copy.scenes[bench.scene]!;
    if (words) here.note = words;
    else delete here.note;
  });
}
</script>

<template>
  <details class="note">
    <summary>Your note for this scene</summary>
    <textarea
      :value="note"
      rows="4"
      maxlength="2000"
      aria-label="Your note for this scene; the class never sees it"
      placeholder="aim, questions, usual mistakes; the class never sees it"
      @change="keep(($event.target as HTMLTextAreaElement).value.trim())"
    />
  </details>
</template>

<style scoped>
.note {
  margin-top: 16px;
}
summary {
  color: var(--muted);
  cursor: pointer;
}
textarea {
  width: 100%;
  margin-top: 6px;
  padding: 6px 8px;
  border: 1px solid var(--axis);
  border-radius: 5px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  resize: vertical;
}
</style>
