<script setup lang="ts">
// A field for textbook typing: what was understood is typeset while typing, what is wrong is shown at its place.
import { nextTick, onMounted, ref, useTemplateRef, watch } from 'vue';
import { useBench } from '../bench/store';
import type { Problem } from '../generated/types';
import MathText from '../shared/MathText.vue';

const text = defineModel<string>({ required: true });
const props = defineProps<{
  label: string;
  placeholder?: string;
  /** What refused the text when it was taken. */
  refused?: Problem;
  focus?: boolean;
  palette?: boolean;
}>();
const emit = defineEmits<{ enter: []; escape: []; lines: [text: string] }>();

const bench = useBench();
const field = useTemplateRef<HTMLInputElement>('field');
const latex = ref('');
const problem = ref<Problem>();
const notices = ref<Problem[]>([]);

// Only the answer to the latest question counts.
let asked = 0;
watch(text, read, { immediate: true });
watch(
  () => props.refused,
  (refused) => (problem.value = refused),
);

async function read() {
  const number = ++asked;
  if (!text.value.trim()) {
    problem.value = undefined;
    latex.value = '';
    notices.value = [];
    return;
  }
  const answer = await bench.ask({ kind: 'typeset', text: text.value });
  if (number !== asked) return;
  problem.value = answer.problem;
  notices.value = answer.notices ?? [];
  // An unfinished formula keeps the last reading that was whole.
  if (answer.latex) latex.value = answer.latex;
}

const symbols = ['²', '³', '^', '√( )', '| |', 'π', '°', '≤', '≥'];
const letters = ['α', 'β', 'γ', 'θ', 'λ', 'φ', 'ω'];
const functions = ['sin( )', 'cos( )', 'tan( )', 'ln( )', 'log_2( )', 'e^( )'];

/** Puts a symbol at the caret; the blank between brackets or bars is the caret's next place. */
async function insert(symbol: string) {
  const input = field.value!;
  const [from, to] = [input.selectionStart ?? text.value.length, input.selectionEnd ?? text.value.length];
  const chosen = text.value.slice(from, to);
  const put = symbol.replace(' ', chosen);
  text.value = text.value.slice(0, from) + put + text.value.slice(to);
  await nextTick();
  const caret = from + (symbol.includes(' ') && !chosen ? symbol.indexOf(' ') : put.length);
  input.focus();
  input.setSelectionRange(caret, caret);
}

/** What is pasted from several lines is several statements. */
function paste(e: ClipboardEvent) {
  const lines = e.clipboardData?.getData('text/plain') ?? '';
  if (!props.palette || !lines.trim().includes('\n')) return;
  e.preventDefault();
  emit('lines', lines);
}

onMounted(() => {
  if (props.focus) {
    field.value?.focus();
    field.value?.select();
  }
});
</script>

<template>
  <div class="formula-field">
    <input
      ref="field"
      v-model="text"
      class="typed"
      :aria-label="label"
      :aria-invalid="!!problem"
      :placeholder="placeholder"
      maxlength="2000"
      autocomplete="off"
      autocapitalize="off"
      spellcheck="false"
      @keydown.enter.prevent="emit('enter')"
      @keydown.esc.stop="emit('escape')"
      @keydown.stop
      @paste="paste"
    />
    <p v-if="problem" class="problem" role="alert">
      <code v-if="problem.start < text.length || problem.end > problem.start" class="place"
        >{{ text.slice(0, problem.start) }}<mark>{{ text.slice(problem.start, problem.end) || '‸' }}</mark
        >{{ text.slice(Math.max(problem.end, problem.start)) }}</code
      >
      <code v-else class="place">{{ text }}<mark>‸</mark></code>
      {{ problem.message }}
    </p>
    <p v-if="latex" class="reading" :class="{ stale: problem }" aria-live="polite">
      <MathText :latex="latex" />
    </p>
    <p v-for="notice in notices" :key="notice.message" class="notice">{{ notice.message }}</p>
    <div v-if="palette" class="palette" role="group" aria-label="Symbols">
      <button
        v-for="s in [...symbols, ...letters, ...functions]"
        :key="s"
        type="button"
        tabindex="-1"
        @mousedown.prevent
        @click="insert(s)"
      >
        {{ s.replace(' ', '') }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.typed {
  width: 100%;
  font: inherit;
  font-size: 17px;
  padding: 7px 9px;
  border: 1px solid var(--axis);
  border-radius: 5px;
  background: var(--sheet);
  color: var(--ink);
}
.typed[aria-invalid='true'] {
  border-color: var(--wrong);
}
.reading {
  margin: 6px 0 0;
  font-size: 18px;
  overflow-x: auto;
  overflow-y: hidden;
}
.reading.stale {
  opacity: 0.45;
}
.place {
  display: block;
  white-space: pre-wrap;
  font-size: 15px;
  color: var(--ink);
}
.place mark {
  background: var(--wrong-ground);
  color: var(--wrong);
  border-bottom: 2px solid var(--wrong);
}
.palette {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 8px;
}
.palette button {
  min-width: 32px;
  min-height: 30px;
  padding: 0 6px;
  font: inherit;
  font-size: 15px;
  border: 1px solid var(--hairline);
  border-radius: 4px;
  background: var(--paper);
  color: var(--ink);
  cursor: pointer;
}
.palette button:hover {
  border-color: var(--sea);
}
</style>
