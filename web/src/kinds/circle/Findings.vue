<script setup lang="ts">
// What a circle's angle tells, line by line. It reads the frame itself, so that a frame changes these lines alone.
import { computed } from 'vue';
import { useBench } from '../../bench/store';
import MathText from '../../shared/MathText.vue';

const props = defineProps<{ id: string }>();
const bench = useBench();
const lines = computed(() => bench.circleNow(props.id)?.lines ?? []);
</script>

<template>
  <dl class="told">
    <template v-for="line in lines" :key="line.name">
      <dt>{{ line.name }}</dt>
      <dd><MathText :latex="line.latex" /></dd>
    </template>
  </dl>
</template>

<style scoped>
.told {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 12px;
  margin: 6px 0 0;
}
.told dt {
  color: var(--muted);
}
.told dd {
  margin: 0;
}
</style>
