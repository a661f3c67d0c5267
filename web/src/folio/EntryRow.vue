<script setup lang="ts">
// An entry of the folio: what it says, and a menu of what can be done with it.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import ActionMenu, { type Action } from '../shared/ActionMenu.vue';
import SceneMarks from './SceneMarks.vue';
import { heldIn } from './sceneActions';

const props = defineProps<{ id: string; name: string; actions?: Action[]; marks?: boolean }>();
const bench = useBench();

const problem = computed(() => bench.problemOf(props.id));
const edit = () => (bench.editing = props.id);

const held = computed(() => heldIn(props.id));
const isAlone = computed(() => bench.document?.scenes.length === 1);

const common = computed<Action[]>(() => [
  { key: 'edit', words: 'Change …', act: edit },
  ...(props.actions ?? []),
  { key: 'up', words: 'Move up', act: () => void bench.askEdit({ kind: 'move', id: props.id, by: -1 }) },
  { key: 'down', words: 'Move down', act: () => void bench.askEdit({ kind: 'move', id: props.id, by: 1 }) },
  { key: 'delete', words: 'Delete', act: () => void bench.askEdit({ kind: 'delete', id: props.id }) },
]);

const kind = 'text/x-parvix-entry';
/** Whether an entry that is being dragged is over this one. */
const isTarget = ref(false);

/** Puts an entry that is dropped here in this one's place; those of other parts of the folio stay. */
function take(e: DragEvent) {
  isTarget.value = false;
  const id = e.dataTransfer?.getData(kind);
  const { stated = [], shown = [], said = [] } = bench.document ?? {};
  for (const list of [stated, shown, said]) {
    const [from, to] = [id, props.id].map((wanted) => list.findIndex((entry) => entry.id === wanted)) as [
      number,
      number,
    ];
    if (id && from >= 0 && to >= 0 && from !== to) void bench.askEdit({ kind: 'move', id, by: to - from });
  }
}

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
  <li
    class="entry"
    :class="{ target: isTarget }"
    :data-entry="id"
    draggable="true"
    @dragstart="$event.dataTransfer?.setData(kind, id)"
    @dragover.prevent="isTarget = true"
    @dragleave="isTarget = false"
    @drop.prevent.stop="take"
  >
    <slot name="before" />
    <div class="body">
      <button class="says" :title="`Change ${name}`" @click="edit" @keydown="key"><slot /></button>
      <SceneMarks v-if="marks && !isAlone" :id="id" :name="name" />
      <p v-if="held" class="hint">{{ held.labelOnly ? 'its label waits' : 'waits' }} until it is revealed</p>
      <slot name="below" />
      <p v-if="problem" class="problem" role="alert">
        {{ problem.message }}
        <button
          v-if="problem.code === 'no-value' && bench.loaded?.missing.length"
          class="link"
          @click="bench.addDials(bench.loaded.missing.map((m) => m.name))"
        >
          {{ bench.loaded.missing.length > 1 ? 'Dials' : 'A dial' }} for
          {{ bench.loaded.missing.map((m) => m.name).join(', ') }}
        </button>
        <button v-if="problem.code === 'gone' && bench.history.canUndo" class="link" @click="bench.undo">
          Undo the last change
        </button>
      </p>
    </div>
    <SceneMarks v-if="marks && isAlone" :id="id" :name="name" />
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
.entry.target {
  box-shadow: 0 -2px 0 var(--sea);
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
