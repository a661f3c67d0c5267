<script setup lang="ts">
// Writes a text: words, with formulas and live values as chips. Alt+V puts in a live value, Alt+F a formula.
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue';
import { useBench } from '../bench/store';
import type { Corner, EntryOf, Piece, Problem, ValueForm } from '../generated/types';
import Choice from '../shared/Choice.vue';
import { fresh } from '../shared/entries';
import EntryForm from './EntryForm.vue';
import FormulaField from './FormulaField.vue';
import { chipOf, piecesOf } from './chips';
import { useClosing } from './closing';

const props = defineProps<{ said: EntryOf<'text'> }>();
const bench = useBench();
const close = useClosing();
const page = useTemplateRef<HTMLElement>('page');
const refused = ref<Problem>();

/** The chip that is being made or changed. */
const chip = ref<Piece>();
let changed: HTMLElement | undefined;
let caret: Range | undefined;

onMounted(() => {
  for (const piece of props.said.body.pieces) {
    page.value!.append(piece.kind === 'words' ? piece.text : chipOf(piece));
  }
  page.value!.focus();
  getSelection()?.selectAllChildren(page.value!);
  getSelection()?.collapseToEnd();
});

function begin(kind: 'value' | 'formula') {
  const selection = getSelection();
  caret =
    selection?.rangeCount && page.value!.contains(selection.anchorNode) ? selection.getRangeAt(0) : undefined;
  changed = undefined;
  chip.value = { kind, text: '', ...(kind === 'value' ? { form: 'number' as ValueForm, decimals: 2 } : {}) };
}

function clicked(e: MouseEvent) {
  const element = (e.target as HTMLElement).closest<HTMLElement>('.chip-piece');
  if (!element) return;
  changed = element;
  chip.value = { ...(JSON.parse(element.dataset.piece!) as Piece) };
}

async function put() {
  if (!chip.value?.text.trim()) return;
  if (chip.value.kind === 'finding' || chip.value.kind === 'measure') {
    chip.value = undefined;
    return;
  }
  const { problem } = await bench.ask({ kind: 'typeset', text: chip.value.text });
  if (problem) return;
  const made = chipOf(chip.value);
  if (changed) changed.replaceWith(made);
  else if (caret) caret.insertNode(made);
  else page.value!.append(made);
  chip.value = undefined;
  await nextTick();
  page.value!.focus();
  const after = document.createRange();
  after.setStartAfter(made);
  getSelection()?.removeAllRanges();
  getSelection()?.addRange(after);
}

function remove() {
  changed?.remove();
  chip.value = undefined;
}

function key(e: KeyboardEvent) {
  if (e.altKey && (e.code === 'KeyV' || e.code === 'KeyF')) {
    e.preventDefault();
    begin(e.code === 'KeyV' ? 'value' : 'formula');
  } else if (e.key === 'Enter' && !e.shiftKey) {
    e.preventDefault();
    void keep();
  } else if (e.key === 'Escape') {
    return;
  }
  e.stopPropagation();
}

/** Pastes words only. */
function paste(e: ClipboardEvent) {
  e.preventDefault();
  const selection = window.getSelection();
  if (!selection?.rangeCount) return;
  selection.deleteFromDocument();
  const words = document.createTextNode(e.clipboardData?.getData('text/plain') ?? '');
  selection.getRangeAt(0).insertNode(words);
  selection.collapse(words, words.length);
}

async function keep() {
  if (chip.value) return put();
  const pieces = piecesOf(page.value!);
  if (!pieces.length) {
    close();
    return;
  }
  const { id } = props.said;
  const where = place.value
    ? { panels: [bench.document!.panels[0]!.id], corner: place.value as Corner }
    : undefined;
  refused.value = await bench.askEdit({ kind: 'put', entry: fresh('text', { pieces }, { id, where }) });
  if (!refused.value) close();
}

const chipText = computed({
  get: () => chip.value?.text ?? '',
  set: (v) => chip.value && (chip.value.text = v),
});
/** Where it stands: beside the stage, or on the picture in a corner. */
const place = ref<string>(props.said.where?.panels?.length ? (props.said.where.corner ?? 'topLeft') : '');
const places = [
  { value: '', label: 'beside the stage' },
  { value: 'topLeft', label: 'on the picture, top left' },
  { value: 'topRight', label: 'on the picture, top right' },
  { value: 'bottomLeft', label: 'on the picture, bottom left' },
  { value: 'bottomRight', label: 'on the picture, bottom right' },
];
const forms = [
  { value: 'number', label: 'the value: 4.5' },
  { value: 'equation', label: 'name and value: f(2) = 4.5' },
  { value: 'substituted', label: 'with the numbers put in' },
];
</script>

<template>
  <EntryForm :keep="chip ? 'Put it in' : 'Keep'" @keep="keep" @cancel="chip ? (chip = undefined) : close()">
    <div
      ref="page"
      class="page"
      contenteditable="true"
      role="textbox"
      aria-multiline="true"
      aria-label="Text"
      @keydown="key"
      @paste="paste"
      @click="clicked"
    />
    <div v-if="!chip" class="buttons">
      <a-button size="small" @mousedown.prevent @click="begin('value')">+ live value</a-button>
      <a-button size="small" @mousedown.prevent @click="begin('formula')">+ formula</a-button>
    </div>
    <div v-else class="chip-form">
      <p v-if="chip.kind === 'finding'" class="hint">A finding of {{ chip.text }} follows the function.</p>
      <p v-else-if="chip.kind === 'measure'" class="hint">It follows what is measured.</p>
      <FormulaField
        v-else
        v-model="chipText"
        :label="chip.kind === 'value' ? 'Live value' : 'Formula'"
        :placeholder="chip.kind === 'value' ? 'f(2)' : 'f(x) = x²'"
        focus
        palette
        @enter="put"
        @escape="chip = undefined"
      />
      <template v-if="chip.kind === 'value'">
        <Choice v-model="chip.form" :options="forms" label="How it is written" />
        <label
          >at most
          <a-input-number v-model:value="chip.decimals" :min="0" :max="12" size="small" /> decimals</label
        >
      </template>
      <a-button v-if="changed" size="small" @click="remove">Take it out</a-button>
    </div>
    <Choice v-if="!chip" v-model="place" :options="places" label="Where it stands" />
    <p v-if="refused" class="problem" role="alert">{{ refused.message }}</p>
  </EntryForm>
</template>

<style scoped>
.page {
  min-height: 84px;
  padding: 8px 10px;
  border: 1px solid var(--axis);
  border-radius: 5px;
  background: var(--sheet);
  line-height: 1.7;
}
.page :deep(.chip-piece) {
  display: inline-block;
  padding: 0 7px;
  margin: 0 1px;
  border-radius: 10px;
  line-height: 1.5;
  background: var(--paper);
  border: 1px solid var(--sea);
  cursor: pointer;
}
.buttons,
.chip-form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.chip-form {
  display: grid;
}
</style>
