<script setup lang="ts">
// The strip under the stage with the dials, near the hand of a person standing at a board.
import { computed } from 'vue';
import { useBench } from '../bench/store';
import MathText from '../shared/MathText.vue';
import CircleReadout from './CircleReadout.vue';
import Dial from './Dial.vue';
import StepsPlayer from './StepsPlayer.vue';

const bench = useBench();

// As one text, so that the deck stands still while what these tell changes with every frame.
const isIn = (list: string, id: string) => list.split(' ').includes(id);
/** The dials that do nothing in this scene: before a class they are not in sight. */
const idle = computed(() => (bench.texts?.idle ?? []).join(' '));
const dials = computed(() =>
  (bench.loaded?.dials ?? []).flatMap((dial, index) => {
    const stated = bench.document?.stated.find((s) => s.id === dial.id);
    if (!stated || stated.hidden || (bench.presenting && isIn(idle.value, dial.name))) return [];
    return [{ dial, index, stated }];
  }),
);
const ids = (list: { id: string }[] | undefined) => (list ?? []).map((one) => one.id).join(' ');
const steps = computed(() => ids(bench.texts?.steps));
const circles = computed(() => ids(bench.texts?.circles));
const players = computed(() => (bench.loaded?.steps ?? []).filter(({ id }) => isIn(steps.value, id)));
const readouts = computed(() => (bench.document?.shown ?? []).filter(({ id }) => isIn(circles.value, id)));
const missing = computed(() => bench.loaded?.missing ?? []);
const isEmpty = computed(
  () => !dials.value.length && !missing.value.length && !players.value.length && !readouts.value.length,
);
</script>

<template>
  <section v-show="!isEmpty || !bench.presenting" class="deck" aria-label="Deck: the parameters' dials">
    <!-- Letters that wait stand first, where they are seen. -->
    <button
      v-for="letter in missing"
      :key="letter.name"
      class="empty"
      :data-missing="letter.name"
      @click="bench.addDials([letter.name])"
    >
      <MathText :latex="letter.latex" class="letter" />
      has no value yet
      <strong>Make it a dial</strong>
    </button>
    <StepsPlayer v-for="view in players" :key="view.id" :view="view" />
    <CircleReadout
      v-for="circle in readouts"
      :id="circle.id"
      :key="circle.id"
      :several="readouts.length > 1"
    />
    <Dial v-for="d in dials" :key="d.dial.id" v-bind="d" />
    <p v-if="isEmpty" class="hint">
      A letter in a formula that has no value yet becomes a dial here, such as a in f(x) = a x².
    </p>
  </section>
</template>

<style scoped>
.deck {
  display: flex;
  gap: 14px;
  padding: 12px 18px;
  background: var(--deck);
  border-top: 1px solid var(--hairline);
  overflow-x: auto;
  min-height: calc(120px * var(--deck-scale));
  flex: none;
}
.empty {
  flex: 0 0 190px;
  border: 2px dashed var(--axis);
  border-radius: 6px;
  background: none;
  color: var(--muted);
  font: inherit;
  cursor: pointer;
  padding: 8px;
}
.empty strong {
  display: block;
  color: var(--sea);
}
.letter {
  font-size: 24px;
  color: var(--ink);
}
.hint {
  align-self: center;
  margin: 0 auto;
}
@media (max-width: 760px) {
  .deck {
    flex-wrap: wrap;
    padding: 10px;
  }
  /* The dial under the thumb comes before what is read. */
  .deck > :deep(.readout) {
    order: 2;
  }
}
@media (max-height: 500px) {
  .deck {
    flex-flow: column;
    gap: 8px;
    padding: 8px;
    overflow: hidden auto;
  }
  .deck > :deep(.dial),
  .deck > :deep(.readout) {
    flex: none;
    min-width: 0;
  }
}
</style>
