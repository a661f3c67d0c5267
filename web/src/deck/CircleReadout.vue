<script setup lang="ts">
// What a circle tells: the angle and its six ratios, large enough for the back row. A tap shows or hides a ratio.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import type { RatioNow } from '../generated/types';
import MathText from '../shared/MathText.vue';

/** several tells that it stands beside those of other circles. */
const props = defineProps<{ id: string; several: boolean }>();
const bench = useBench();
const now = computed(() => bench.circleNow(props.id));

const toggle = (r: RatioNow) => bench.showPiece({ of: props.id, piece: '', ratio: r.ratio, shown: !r.shown });
</script>

<template>
  <section
    v-if="now"
    class="readout"
    :class="{ presenting: bench.presenting, several }"
    aria-label="The circle"
  >
    <p class="angle" :class="`hue-${now.hue}`"><MathText :latex="now.angle" /></p>
    <ul>
      <li v-for="r in now.ratios" :key="r.ratio">
        <button
          :class="[`hue-${r.hue}`, { off: !r.shown, undefined: r.shown && r.reason }]"
          :aria-pressed="r.shown"
          :title="r.reason || `${r.shown ? 'Hide' : 'Show'} ${r.ratio}`"
          :data-ratio="r.ratio"
          @click="toggle(r)"
        >
          <span class="bar" aria-hidden="true" />
          <template v-if="r.shown">
            <MathText :latex="r.latex" class="exact" />
            <MathText v-if="r.decimal" :latex="r.decimal" />
          </template>
          <span v-else>{{ r.ratio }}</span>
          <small v-if="r.shown && r.reason">{{ r.reason }}</small>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.readout {
  display: grid;
  align-content: center;
  gap: 2px;
  flex: 3 1 min(560px, 100%);
  min-width: min(430px, 100%);
  padding: 6px 14px;
  border: 1px solid var(--hairline);
  border-radius: 6px;
  background: var(--sheet);
}
.angle {
  contain: layout style;
  margin: 0;
  color: var(--hue);
  padding-left: 8px;
  font-size: calc(17px * var(--type));
}
ul {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 4px 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  contain: layout style;
}
button {
  display: flex;
  align-items: center;
  gap: 0 8px;
  white-space: nowrap;
  width: 100%;
  min-height: 44px;
  padding: 2px 8px;
  border: 1px solid transparent;
  border-radius: 5px;
  background: none;
  color: var(--hue);
  font: inherit;
  font-size: calc(16px * var(--type));
  text-align: left;
  cursor: pointer;
}
button:hover {
  border-color: var(--hue);
}
/* The decimal wraps out of sight where it has no room behind the exact value. */
button:not(.undefined) {
  flex-wrap: wrap;
  height: 44px;
  overflow: hidden;
}
.exact {
  display: flex;
  align-items: center;
  min-height: 40px;
}
.undefined .exact {
  min-height: 0;
}
.bar {
  flex: none;
  width: 8px;
  align-self: stretch;
  border-radius: 3px;
  background: var(--hue);
}
.readout.presenting {
  flex: 2 1 calc(400px * var(--type));
  min-width: min(calc(335px * var(--type)), 100%);
}
.presenting button {
  font-size: calc(18px * var(--type));
}
.presenting .angle {
  font-size: calc(18px * var(--type));
}
/* Beside another the ratios that are not shown stand close together. */
.readout.several {
  flex: 1 1 min(340px, 100%);
  min-width: min(330px, 100%);
}
.several ul {
  display: flex;
  flex-wrap: wrap;
}
.several li {
  flex: 1 0 calc(150px * var(--type));
}
.several li:has(.off) {
  flex: 0 1 auto;
}
@media (max-width: 760px), (max-height: 500px) {
  ul {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  button,
  .presenting button {
    padding: 2px 4px;
    font-size: 15px;
  }
}
@media (max-height: 500px) {
  button,
  .presenting button {
    gap: 0 4px;
    font-size: 13.5px;
  }
}
.off {
  border-color: var(--hairline);
  color: var(--muted);
}
.off .bar {
  opacity: 0.35;
}
.undefined {
  flex-wrap: wrap;
}
small {
  flex: 1 0 100%;
  color: var(--muted);
  font-size: 0.62em;
  line-height: 1.1;
  white-space: normal;
}
</style>
