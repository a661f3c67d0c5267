<script setup lang="ts">
// A formula, typeset. Parameters carry their colour's class wherever they stand.
import { computed } from 'vue';
import { typeset } from './typeset';

const props = defineProps<{ latex: string }>();
const html = computed(() => typeset(props.latex));
</script>

<template>
  <!-- KaTeX escapes what it is given; only \htmlClass is trusted, with the core's own class names. -->
  <!-- eslint-disable-next-line vue/no-v-html -->
  <span class="math" v-html="html" />
</template>
