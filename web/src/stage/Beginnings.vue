<script setup lang="ts">
// Ready beginnings, offered on the stage while nothing is stated yet; what they fill in can be changed freely.
import { onMounted, shallowRef } from 'vue';
import { useBench } from '../bench/store';
import type { Beginning } from '../generated/types';

const bench = useBench();
const list = shallowRef<Beginning[]>([]);

onMounted(async () => {
  list.value = (await bench.ask({ kind: 'beginnings' })).beginnings ?? [];
});

async function begin(idea: string) {
  bench.editing = '';
  await bench.askEdit({ kind: 'begin', text: idea });
  await bench.fitAll();
}
</script>

<template>
  <section class="beginnings" aria-label="Begin with an idea">
    <h2>Begin with an idea</h2>
    <p>Or state a function in the folio, as it stands on the worksheet.</p>
    <ul>
      <li v-for="b in list" :key="b.idea">
        <button @click="begin(b.idea)">
          <strong>{{ b.title }}</strong>
          <span>{{ b.words }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.beginnings {
  position: absolute;
  inset: 0;
  margin: auto;
  width: min(820px, calc(100% - 32px));
  height: fit-content;
  max-height: calc(100% - 24px);
  overflow: auto;
  padding: 16px 22px;
  border: 1px solid var(--hairline);
  border-radius: 8px;
  background: var(--sheet);
}
h2 {
  margin: 0;
  font-family: var(--serif);
  font-size: 22px;
}
p {
  margin: 2px 0 10px;
  color: var(--muted);
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(330px, 100%), 1fr));
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
button {
  display: grid;
  align-content: start;
  width: 100%;
  height: 100%;
  padding: 9px 14px;
  border: 1px solid var(--axis);
  border-radius: 6px;
  background: var(--sheet);
  font: inherit;
  text-align: left;
  color: var(--ink);
  cursor: pointer;
}
button:hover,
button:focus-visible {
  border-color: var(--sea);
  background: var(--paper);
}
span {
  color: var(--muted);
}
</style>
