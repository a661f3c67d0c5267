<script setup lang="ts">
// The head: way back to the shelf, title, saved state, undo and redo, export, present.
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import { withFaces } from '../core/fonts';
import ActionMenu, { type Action } from '../shared/ActionMenu.vue';
import ThemeMenu from '../shared/ThemeMenu.vue';
import Wordmark from '../shared/Wordmark.vue';
import { useBench } from './store';

defineProps<{ presenting: boolean }>();
const emit = defineEmits<{ present: []; keys: [] }>();
const bench = useBench();

const scenes = computed(() => bench.document?.scenes ?? []);
const renaming = ref(false);
const title = ref('');
const field = useTemplateRef<HTMLInputElement>('field');

async function rename() {
  title.value = bench.document?.title ?? '';
  renaming.value = true;
  await nextTick();
  field.value?.select();
}

async function renamed() {
  if (!renaming.value) return;
  renaming.value = false;
  const words = title.value.trim();
  if (!words || words === bench.document?.title) return;
  await bench.change((copy) => (copy.title = words));
  document.title = `${words} – Parvix`;
}

/** Saves a text as a file on the teacher's machine. */
function download(name: string, type: string, text: string) {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = Object.assign(document.createElement('a'), { href: address, download: name });
  link.click();
  URL.revokeObjectURL(address);
}

const fileName = () =>
  (
    bench.document!.title.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'demonstration'
  ).toLowerCase();

function exportFile() {
  download(`${fileName()}.parvix.json`, 'application/json', `${JSON.stringify(bench.document, null, 2)}\n`);
}

const exports: Action[] = [
  { key: 'file', words: 'Demonstration as a file (JSON)', act: exportFile },
  { key: 'picture', words: 'Picture (SVG)', act: () => void exportPicture() },
];

async function exportPicture() {
  const size = bench.frames.panels[0] ?? { width: 960, height: 600 };
  const { svg } = await bench.ask({ kind: 'draw', document: await bench.inPlay(), ...size });
  if (svg) download(`${fileName()}.svg`, 'image/svg+xml', await withFaces(svg));
}
</script>

<template>
  <header class="head" :class="{ presenting }">
    <Wordmark />
    <RouterLink v-if="!presenting" :to="{ name: 'shelf' }" class="way">Shelf ›</RouterLink>
    <input
      v-if="renaming"
      ref="field"
      v-model="title"
      class="title"
      aria-label="Title"
      maxlength="120"
      @keydown.enter="renamed"
      @keydown.esc="renaming = false"
      @blur="renamed"
    />
    <h1 v-else class="title">
      <button :disabled="!bench.document || presenting" title="Change the title" @click="rename">
        {{ bench.document?.title ?? '' }}
      </button>
    </h1>
    <span v-if="!presenting" class="saved" :class="bench.saving.state" role="status">{{
      bench.saving.words
    }}</span>
    <p v-if="presenting && scenes.length > 1" class="scenes" role="status">
      {{ bench.scene + 1 }} · {{ scenes[bench.scene]?.name }}
    </p>
    <span class="room" />
    <template v-if="!presenting">
      <button
        class="icon"
        aria-label="Undo"
        title="Undo (Ctrl+Z)"
        :disabled="!bench.history.canUndo"
        @click="bench.undo"
      >
        ↶
      </button>
      <button
        class="icon"
        aria-label="Redo"
        title="Redo (Ctrl+Shift+Z)"
        :disabled="!bench.history.canRedo"
        @click="bench.redo"
      >
        ↷
      </button>
      <button
        class="icon keys-list"
        aria-label="List of keys"
        aria-haspopup="dialog"
        title="List of keys (?)"
        @click="emit('keys')"
      >
        ?
      </button>
      <ThemeMenu class="plain" />
      <ActionMenu class="plain" label="Export" :actions="exports" :disabled="!bench.document"
        >Export</ActionMenu
      >
      <button class="brass" :disabled="!bench.document" @click="emit('present')">Present</button>
    </template>
  </header>
</template>

<style scoped>
.scenes {
  margin: 0;
  font-size: calc(15px * var(--type));
}
.presenting .title {
  font-size: calc(15px * var(--type));
}
.head {
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: 50px;
  padding: 0 18px;
  background: var(--head);
  color: var(--on-head);
  min-width: 0;
}
.way {
  color: var(--on-head-muted);
  white-space: nowrap;
  text-decoration: none;
}
.title {
  margin: 0;
  min-width: 0;
  font-family: var(--serif);
  font-size: 19px;
  font-weight: 500;
}
.title button {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  padding: 4px 6px;
  border-radius: 4px;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: text;
}
.title button:hover:enabled {
  background: #ffffff1a;
}
input.title {
  width: 24em;
  padding: 4px 8px;
  border: 1px solid var(--brass);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
}
.saved {
  font-size: 14px;
  color: var(--on-head-muted);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.saved.away,
.saved.conflict,
.saved.refused,
.saved.signedOut {
  color: var(--brass);
}
.room {
  flex: 1;
}
.icon,
.plain,
:deep(.plain),
.brass {
  flex: none;
  min-height: 34px;
  padding: 0 14px;
  border-radius: 5px;
  border: 1px solid #ffffff40;
  background: none;
  color: var(--on-head);
  font: inherit;
  cursor: pointer;
}
.icon {
  border: 0;
  padding: 0 6px;
  font-size: 22px;
}
.icon:disabled {
  opacity: 0.35;
  cursor: default;
}
.brass {
  background: var(--brass);
  border-color: var(--brass);
  color: var(--on-brass);
  font-weight: 700;
}
@media (max-width: 760px) {
  .head {
    flex-wrap: wrap;
    gap: 4px 8px;
    padding: 6px 12px;
  }
  .title {
    flex: 1 1 60%;
  }
  .way {
    order: 1;
  }
  .saved {
    order: 2;
    flex: 1 1 30px;
    min-width: 0;
  }
  .room,
  .keys-list,
  .presenting .scenes {
    display: none;
  }
  .icon,
  .plain,
  :deep(.plain),
  .brass {
    order: 3;
    padding: 0 9px;
  }
}
</style>
