<script setup lang="ts">
// What is said: texts with live values.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import type { EntryOf } from '../generated/types';
import { ofKind } from '../shared/entries';
import EntryRow from './EntryRow.vue';
import LiveText from './LiveText.vue';
import PartHead from './PartHead.vue';
import SaidForm from './SaidForm.vue';
import SceneNote from './SceneNote.vue';
import { sceneActions } from './sceneActions';

const bench = useBench();

const texts = computed(() => ofKind(bench.document?.said, 'text'));
const fresh: EntryOf<'text'> = { id: '', kind: 'text', look: { colour: 0 }, body: { pieces: [] } };
</script>

<template>
  <section aria-label="Said">
    <PartHead title="Said" add="Write a text" @add="bench.editing = 'said'" />
    <ul>
      <template v-for="(said, place) in texts" :key="said.id">
        <li v-if="bench.editing === said.id"><SaidForm :said="said" /></li>
        <EntryRow
          v-else
          :id="said.id"
          name="the text"
          marks
          :actions="sceneActions(said.id, false)"
          :class="{ hidden: bench.isHidden(said.id) }"
        >
          <LiveText :place="place" />
        </EntryRow>
      </template>
      <li v-if="bench.editing === 'said'"><SaidForm :said="fresh" /></li>
    </ul>
    <SceneNote />
  </section>
</template>

<style scoped>
.hidden :deep(.says) {
  color: var(--muted);
}
</style>
