<script setup lang="ts">
// The teacher's window while the board shows the stage: notes, what comes next, the clock.
import { computed, onBeforeUnmount, ref } from 'vue';
import { useDesk } from './desk';

const props = defineProps<{ id: string }>();
const { talk, ask } = useDesk(props.id);
document.title = 'Notes – Parvix';

const here = computed(() => talk.value?.scenes[talk.value.scene]);
const next = computed(() => talk.value?.scenes[talk.value.scene + 1]);

const clock = ref('');
let waiting = 0;
/** The clock is set once a minute. */
function set() {
  const now = new Date();
  clock.value = now.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
  waiting = window.setTimeout(set, 60000 - (now.getTime() % 60000));
}
set();
onBeforeUnmount(() => window.clearTimeout(waiting));
</script>

<template>
  <main class="desk">
    <header>
      <h1>{{ talk?.title ?? 'Notes' }}</h1>
      <span class="clock" role="timer" aria-label="The time">{{ clock }}</span>
    </header>
    <template v-if="talk && here">
      <section aria-label="This scene">
        <h2>{{ talk.scene + 1 }} of {{ talk.scenes.length }} · {{ here.name }}</h2>
        <p class="note">
          {{ here.note || 'No note for this scene. Notes are written on the bench, under “Said”.' }}
        </p>
      </section>
      <nav aria-label="At the board">
        <button :disabled="talk.scene === 0" @click="ask('before')">‹ before</button>
        <button :disabled="!next" @click="ask('next')">next ›</button>
        <button :disabled="!talk.waiting" class="brass" @click="ask('reveal')">
          reveal{{ talk.waiting ? ` (${talk.waiting} wait)` : '' }}
        </button>
        <button @click="ask('start')">starting values</button>
        <button @click="ask('hold')">hold still</button>
      </nav>
      <section v-if="next" class="next" aria-label="The next scene">
        <h2>Next: {{ next.name }}</h2>
        <p class="note">{{ next.note }}</p>
      </section>
    </template>
    <p v-else role="status">Open the demonstration on the bench in this browser; its notes appear here.</p>
  </main>
</template>

<style scoped>
.desk {
  display: grid;
  align-content: start;
  gap: 18px;
  min-height: 100dvh;
  padding: 20px 26px;
  background: var(--paper);
  font-size: 18px;
}
header {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 20px;
}
h1,
h2 {
  margin: 0;
  font-family: var(--serif);
}
h1 {
  font-size: 24px;
}
h2 {
  font-size: 20px;
}
.clock {
  font-size: 32px;
  font-weight: 700;
  font-variant-numeric: tabular-nums;
}
section {
  padding: 14px 18px;
  border: 1px solid var(--hairline);
  border-radius: 6px;
  background: var(--sheet);
}
.note {
  margin: 8px 0 0;
  white-space: pre-line;
}
.next {
  color: var(--muted);
}
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
button {
  min-height: 56px;
  padding: 0 18px;
  border: 1px solid var(--axis);
  border-radius: 6px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
button:disabled {
  opacity: 0.5;
  cursor: default;
}
.brass:enabled {
  background: var(--brass);
  color: var(--on-brass);
}
</style>
