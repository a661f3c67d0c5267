<script setup lang="ts">
// Above a panel: its title and caption, and its own controls, which come with hover, focus or a touch of the corner. None of them
// lies on the picture.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import type { Panel } from '../generated/types';
import CircleMenu from './CircleMenu.vue';
import PanelMenu from './PanelMenu.vue';
import SpaceSheet from './SpaceSheet.vue';
import WindowSheet from './WindowSheet.vue';
import type { SightName } from './hands';

/** leftOut is how many labels have no room. */
const props = defineProps<{ panel: Panel; index: number; leftOut: number }>();
const emit = defineEmits<{ fit: []; read: []; look: [from: SightName] }>();
const bench = useBench();
const open = ref(false);
/** From where space is seen by one action. */
const looks: [SightName, string, string][] = [
  ['first', 'octant', 'The first octant towards you, as at first'],
  ['x', 'x', 'Look straight along the x-axis'],
  ['y', 'y', 'Look straight along the y-axis'],
  ['z', 'z', 'Look straight down the z-axis'],
];
const isBare = computed(() => bench.presenting && !props.panel.title && !props.panel.caption);
</script>

<template>
  <header v-if="!isBare" class="panel-head" :class="{ open }">
    <h2 v-if="panel.title">{{ panel.title }}</h2>
    <p v-if="panel.caption" class="caption">{{ panel.caption }}</p>
    <p v-if="leftOut && !bench.presenting" class="caption" role="status">
      {{ leftOut }} {{ leftOut === 1 ? 'label has' : 'labels have' }} no room
    </p>
    <span class="room" />
    <div v-if="!bench.presenting" class="chips">
      <button class="chip" title="Show the interesting part (0)" @click="emit('fit')">fit</button>
      <button
        v-if="panel.kind === 'plane'"
        class="chip"
        title="Read a point off a curve"
        @click="emit('read')"
      >
        read off
      </button>
      <CircleMenu v-if="panel.kind === 'circle'" :panel="panel" />
      <PanelMenu v-else :panel="panel" :index="index" />
      <template v-if="panel.kind === 'space'">
        <button
          v-for="[from, words, title] in looks"
          :key="from"
          class="chip"
          :title="title"
          :aria-label="title"
          @click="emit('look', from)"
        >
          {{ words }}
        </button>
        <SpaceSheet :panel="panel" :index="index" />
      </template>
      <WindowSheet v-else :panel="panel" :index="index" />
    </div>
    <button
      v-if="!bench.presenting"
      class="chip corner"
      :aria-expanded="open"
      aria-label="This panel's controls"
      @click="open = !open"
    >
      ⋯
    </button>
  </header>
</template>

<style scoped>
.panel-head {
  position: relative;
  display: flex;
  align-items: baseline;
  gap: 10px;
  min-height: 34px;
  padding: 3px 6px 3px 12px;
  border-bottom: 1px solid var(--hairline);
}
h2 {
  margin: 0;
  font-family: var(--serif);
  font-size: calc(17px * var(--type));
  font-weight: 600;
}
.caption {
  margin: 0;
  min-width: 0;
  color: var(--muted);
  font-size: calc(15px * var(--type));
}
.room {
  flex: 1;
}
.chips {
  display: flex;
  gap: 6px;
  opacity: 0;
  transition: opacity 0.15s;
}
.panel:hover .chips,
.panel:focus-within .chips,
.open .chips {
  opacity: 1;
}
.corner {
  display: none;
  min-width: 44px;
}
@media (hover: none) {
  .panel-head {
    min-height: 44px;
    align-items: center;
  }
  .chip {
    min-height: 36px;
  }
  .corner {
    display: block;
  }
  .chips {
    opacity: 1;
  }
  /* Where there is no room for all of them they come with a touch of the corner. */
  .panel-head:not(.open) .chips {
    display: none;
  }
  @container (min-width: 430px) {
    .panel-head:not(.open) .chips {
      display: flex;
    }
    .corner {
      display: none;
    }
  }
}
</style>
