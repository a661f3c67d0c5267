<script setup lang="ts">
// Time for a task, counted down in large digits. It ticks once a second while it runs, else not at all.
import { computed, onBeforeUnmount, ref } from 'vue';
import { useBoard } from './board';

const board = useBoard();
const minutes = [1, 2, 3, 5, 10, 15];
/** When it ends; undefined before it was begun. */
const end = ref<number>();
const now = ref(0);
let ticking = 0;

const left = computed(() => Math.max(0, Math.ceil(((end.value ?? 0) - now.value) / 1000)));
const digits = computed(() => `${Math.floor(left.value / 60)}:${String(left.value % 60).padStart(2, '0')}`);

function tick() {
  now.value = Date.now();
  if (left.value === 0) window.clearInterval(ticking);
}
function begin(m: number) {
  window.clearInterval(ticking);
  end.value = Date.now() + 60000 * m;
  tick();
  ticking = window.setInterval(tick, 1000);
}
onBeforeUnmount(() => window.clearInterval(ticking));
</script>

<template>
  <section class="timer" aria-label="Time for a task">
    <p v-if="end" class="digits" role="timer" :class="{ over: left === 0 }">
      {{ left ? digits : 'time is up' }}
    </p>
    <p class="choices">
      <button
        v-for="m in minutes"
        :key="m"
        :aria-label="`${m} ${m === 1 ? 'minute' : 'minutes'}`"
        @click="begin(m)"
      >
        {{ m }}′
      </button>
      <button aria-label="Take the time away" @click="board.timing = false">×</button>
    </p>
  </section>
</template>

<style scoped>
.timer {
  position: absolute;
  z-index: 7;
  top: 20px;
  right: 20px;
  padding: 8px 12px;
  border: 1px solid var(--axis);
  border-radius: 8px;
  background: var(--sheet);
}
.digits {
  margin: 0 0 6px;
  font-size: calc(44px * var(--type));
  font-weight: 700;
  font-variant-numeric: tabular-nums;
  line-height: 1;
  text-align: center;
}
.over {
  color: var(--wrong);
}
.choices {
  display: flex;
  gap: 6px;
  margin: 0;
}
button {
  min-width: 48px;
  min-height: 48px;
  border: 1px solid var(--hairline);
  border-radius: 6px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
  font-size: 18px;
  cursor: pointer;
}
</style>
