<script setup lang="ts">
// The row of scenes; the angle unit and the starting values are always at its right end.
import { computed, ref } from 'vue';
import EditInPlace from '../deck/EditInPlace.vue';
import ActionMenu, { type Action } from '../shared/ActionMenu.vue';
import AgreedSheet from './AgreedSheet.vue';
import { useBench } from './store';

defineProps<{ folio: boolean }>();
const emit = defineEmits<{ folio: [open: boolean] }>();
const bench = useBench();

const scenes = computed(() => bench.document?.scenes ?? []);
const moved = computed(() => (bench.texts?.moved ?? false) || bench.windowsMoved.size > 0);
const traces = computed(() => bench.document?.shown.some((s) => s.kind === 'trace' && !bench.isHidden(s.id)));

/** The scene that is being dragged to another place. */
const dragged = ref(-1);

/** A scene goes to another place; an entry of the folio is seen in the scene on which it is dropped. */
async function drop(at: number, e: DragEvent) {
  const entry = e.dataTransfer?.getData('text/x-parvix-entry');
  if (entry && bench.document?.scenes[at]?.hidden?.includes(entry)) await bench.toggle(entry, at);
  const from = dragged.value;
  dragged.value = -1;
  if (from >= 0 && from !== at) await bench.moveScene(from, at);
}

const actions = (index: number): Action[] => [
  {
    key: 'add',
    words: 'Add a scene that begins with what is seen now',
    act: () => void bench.addScene(`Scene ${scenes.value.length + 1}`),
    off: false,
  },
  {
    key: 'left',
    words: 'Move to the left',
    act: () => void bench.moveScene(index, index - 1),
    off: index === 0,
  },
  {
    key: 'right',
    words: 'Move to the right',
    act: () => void bench.moveScene(index, index + 1),
    off: index === scenes.value.length - 1,
  },
  {
    key: 'ink',
    words: 'Wipe its ink',
    act: () => void bench.change((copy) => delete copy.scenes[index]!.ink),
    off: !scenes.value[index]?.ink?.length,
  },
  {
    key: 'remove',
    words: 'Take this scene out',
    act: () => void bench.removeScene(index),
    off: scenes.value.length < 2,
  },
];

async function rename(index: number, name: string): Promise<string> {
  if (!name) return 'A scene needs a name.';
  await bench.change((copy) => (copy.scenes[index]!.name = name));
  return '';
}
</script>

<template>
  <nav class="ribbon" aria-label="Scenes">
    <p class="only-spoken" role="status">
      {{ scenes.length > 1 ? `Scene ${bench.scene + 1}: ${scenes[bench.scene]?.name}` : '' }}
    </p>
    <ol>
      <li
        v-for="(scene, index) in scenes"
        :key="scene.id"
        :aria-current="index === bench.scene ? 'step' : undefined"
        draggable="true"
        @dragstart="dragged = index"
        @dragover.prevent
        @drop.prevent="drop(index, $event)"
      >
        <button
          class="number"
          :aria-label="`Scene ${index + 1}: ${scene.name}`"
          :title="scene.name"
          @click="bench.goScene(index)"
        >
          {{ index + 1 }}
        </button>
        <EditInPlace
          v-if="index === bench.scene"
          :text="scene.name"
          label="Name of the scene"
          :accept="(t: string) => rename(index, t)"
        />
        <button v-else class="name" tabindex="-1" @click="bench.goScene(index)">{{ scene.name }}</button>
        <template v-if="moved && index === bench.scene">
          <i class="dot" title="The dials no longer stand as the scene began" />
          <button
            class="chip"
            title="From now on this scene begins as the dials stand"
            @click="bench.keepValues()"
          >
            keep as they are
          </button>
        </template>
        <ActionMenu
          v-if="index === bench.scene"
          class="chip dots"
          :label="`What to do with scene ${index + 1}`"
          :actions="actions(index)"
        >
          ⋯
        </ActionMenu>
      </li>
      <li>
        <button
          class="chip"
          title="Add a scene that begins with what is seen now"
          @click="bench.addScene(`Scene ${scenes.length + 1}`)"
        >
          + scene
        </button>
      </li>
    </ol>
    <div class="agreements">
      <button v-if="traces" class="chip" @click="bench.frames.request(['clearTraces'])">clear traces</button>
      <AgreedSheet />
      <button
        v-if="bench.loaded?.dials.length"
        class="chip"
        :aria-pressed="bench.remembering"
        title="Leave the curves as they were before a dial moves, pale"
        @click="bench.remember(!bench.remembering)"
      >
        as before
      </button>
      <button class="chip" @click="bench.startingValues()">↺ starting values</button>
      <button class="chip fold" :aria-expanded="folio" @click="emit('folio', !folio)">
        {{ folio ? 'fold the folio' : 'open the folio' }}
      </button>
    </div>
  </nav>
</template>

<style scoped>
.ribbon {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
  padding: 0 14px 0 26px;
  background: var(--sheet);
  border-bottom: 1px solid var(--hairline);
  white-space: nowrap;
}
ol {
  display: flex;
  flex: 1;
  list-style: none;
  margin: 0;
  padding: 0;
  gap: 16px;
  min-width: 0;
  /* One line: when a dial moves and the ribbon has more to say, the stage keeps its height. */
  overflow-x: auto;
}
.agreements {
  display: flex;
  flex: none;
  gap: 8px;
  margin-left: auto;
  padding: 4px 0;
}
li {
  display: flex;
  align-items: center;
  gap: 10px;
  font-weight: 700;
}
.number {
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border-radius: 50%;
  border: 0;
  padding: 0;
  background: var(--hairline);
  color: var(--ink);
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}
[aria-current] .number {
  background: var(--head);
  color: var(--on-head);
}
.name {
  max-width: 150px;
  overflow: hidden;
  text-overflow: ellipsis;
  border: 0;
  padding: 4px 0;
  background: none;
  color: var(--muted);
  font: inherit;
  font-weight: 400;
  cursor: pointer;
}
@media (max-width: 1599px) {
  /* With many scenes only the present one tells its name. */
  ol:has(> li:nth-child(5)) .name {
    display: none;
  }
}
:deep(.dots) {
  padding: 4px 8px;
}
li :deep(.bare) {
  border-bottom-color: transparent;
}
.dot {
  width: 9px;
  height: 9px;
  border-radius: 50%;
  background: var(--brass);
}
@media (max-width: 1100px) {
  .ribbon {
    flex-wrap: wrap;
    padding: 6px 12px;
  }
  ol {
    flex-basis: 100%;
  }
  .agreements {
    flex: 1 1 100%;
    min-width: 0;
    overflow-x: auto;
  }
  .fold {
    display: none;
  }
}
@media (max-height: 500px) {
  .ribbon {
    flex-wrap: nowrap;
  }
  ol,
  .agreements {
    flex: 1 1 50%;
  }
}
</style>
