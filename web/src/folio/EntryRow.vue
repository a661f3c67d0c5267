<script setup lang="ts">
// An entry of the folio: what it says, and a menu of what can be done with it.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import ActionMenu, { type Action } from '../shared/ActionMenu.vue';

const props = defineProps<{ id: string; name: string; actions?: Action[] }>();
const bench = useBench();

const problem = computed(() => bench.problemOf(props.id));
const edit = () => (bench.editing = props.id);

const common = computed<Action[]>(() => [
  { key: 'edit', words: 'Change …', act: edit },
  ...(props.actions ?? []),
  { key: 'up', words: 'Move up', act: () => void bench.askEdit({ kind: 'move', id: props.id, by: -1 }) },
  { key: 'down', words: 'Move down', act: () => void bench.askEdit({ kind: 'move', id: props.id, by: 1 }) },
  { key: 'delete', words: 'Delete', act: () => void bench.askEdit({ kind: 'delete', id: props.id }) },
]);

function key(e: KeyboardEvent) {
  if (e.altKey && (e.key === 'ArrowUp' || e.key === 'ArrowDown')) {
    void bench.askEdit({ kind: 'move', id: props.id, by: e.key === 'ArrowUp' ? -1 : 1 });
  } else if (e.key === 'Delete') {
    void bench.askEdit({ kind: 'delete', id: props.id });
  } else {
    return;
  }
  e.preventDefault();
}
</script>

<template>
  <li class="entry" :data-entry="id">
    <slot name="before" />
    <div class="body">
      <button class="says" :title="`Change ${name}`" @click="edit" @keydown="key"><slot /></button>
      <slot name="below" />
      <p v-if="problem" class="problem" role="alert">
        {{ problem.message }}
        <button
          v-if="problem.code === 'no-value' && bench.loaded?.missing.length"
          class="link"
          @click="bench.addDials(bench.loaded.missing.map((m) => m.name))"
        >
          Make {{ bench.loaded.missing.map((m) => m.name).join(', ') }}
          {{ bench.loaded.missing.length > 1 ? 'dials' : 'a dial' }}
        </button>
        <button v-if="problem.code === 'gone' && bench.history.canUndo" class="link" @click="bench.undo">
          Undo the last change
        </button>
      </p>
    </div>
    <ActionMenu class="more" :label="`What to do with ${name}`" :actions="common">⋯</ActionMenu>
  </li>
</template>

<style scoped>
/* Its own layer: when a number in a row changes, the other rows are not painted again. */
.entry {
  contain: layout style;
  display: flex;
  align-items: flex-start;
  gap: 10px;
  padding: 0;
}
.body {
  flex: 1;
  min-width: 0;
}
.says {
  display: block;
  width: 100%;
  text-align: left;
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-radius: 4px;
  padding: 4px 4px 3px;
  margin-left: -4px;
  cursor: text;
  /* A typeset formula has invisible strips that reach beyond its line; they must not lie over what stands above it. */
  overflow: clip;
}
.says:hover {
  background: var(--paper);
}
:deep(.more),
.more {
  flex: none;
  width: 30px;
  height: 30px;
  border: 0;
  border-radius: 4px;
  background: none;
  color: var(--muted);
  font-size: 18px;
  line-height: 1;
  cursor: pointer;
}
:deep(.more:hover),
:deep(.more:focus-visible) {
  background: var(--paper);
}
</style>
