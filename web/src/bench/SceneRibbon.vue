<script setup lang="ts">
// The row of scenes; the angle unit and the starting values are always at its right end.
import { computed } from 'vue';
import EditInPlace from '../deck/EditInPlace.vue';
import { useBench } from './store';

defineProps<{ folio: boolean }>();
const emit = defineEmits<{ folio: [open: boolean] }>();
const bench = useBench();

const scenes = computed(() => bench.document?.scenes ?? []);
const moved = computed(() => bench.texts?.moved ?? false);
const traces = computed(() => bench.document?.shown.some((s) => s.kind === 'trace' && !s.hidden));
const degrees = computed(() => bench.document?.angleUnit === 'degree');

async function rename(index: number, name: string): Promise<string> {
  if (!name) return 'A scene needs a name.';
  await bench.change((copy) => (copy.scenes[index]!.name = name));
  return '';
}

function starting() {
  bench.sweeps.stopAll();
  void bench.moveByHand(['startingValues']);
}

const comma = computed(() => bench.document?.decimalComma ?? false);

function turnDecimals() {
  void bench.askEdit({ kind: 'decimals', comma: !comma.value });
}

function turnUnit() {
  void bench.change((copy) => (copy.angleUnit = degrees.value ? 'radian' : 'degree'));
}
</script>

<template>
  <nav class="ribbon" aria-label="Scenes">
    <ol>
      <li v-for="(scene, index) in scenes" :key="scene.id" aria-current="step">
        <span class="number">{{ index + 1 }}</span>
        <EditInPlace :text="scene.name" label="Name of the scene" :accept="(t: string) => rename(index, t)" />
        <template v-if="moved">
          <i class="dot" title="The values in play differ from the scene's" />
          <button class="chip" @click="bench.keepValues()">keep these values</button>
        </template>
      </li>
    </ol>
    <button v-if="traces" class="chip" @click="bench.frames.request(['clearTraces'])">clear traces</button>
    <button class="chip" title="Change the angle unit" @click="turnUnit">
      angles in {{ degrees ? 'degrees' : 'radians' }}
    </button>
    <button
      class="chip"
      title="Change the decimal sign"
      :aria-label="`Decimals are written ${comma ? '1,5' : '1.5'}; change the decimal sign`"
      @click="turnDecimals"
    >
      {{ comma ? '1,5' : '1.5' }}
    </button>
    <button class="chip" @click="starting">↺ starting values</button>
    <button class="chip fold" :aria-expanded="folio" @click="emit('folio', !folio)">
      {{ folio ? 'fold the folio' : 'open the folio' }}
    </button>
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
  overflow-x: auto;
}
ol {
  display: flex;
  flex: 1;
  list-style: none;
  margin: 0;
  padding: 0;
  gap: 20px;
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
  background: var(--head);
  color: var(--on-head);
  font-size: 14px;
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
@media (max-width: 760px) {
  .ribbon {
    flex-wrap: wrap;
    padding: 6px 12px;
  }
  ol {
    flex-basis: 100%;
  }
  .fold {
    display: none;
  }
}
</style>
