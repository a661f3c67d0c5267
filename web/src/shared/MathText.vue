<script setup lang="ts">
// A formula, typeset. Parameters carry their colour's class wherever they stand.
import { onMounted, useTemplateRef, watch } from 'vue';
import { LiveFormula } from './liveFormula';

// A silent formula repeats what is said elsewhere and is not spoken.
const props = defineProps<{ latex: string; silent?: boolean }>();
const element = useTemplateRef<HTMLElement>('element');
const formula = new LiveFormula(!props.silent);
const show = () => formula.show(element.value!, props.latex);

onMounted(show);
watch(() => props.latex, show, { flush: 'post' });
</script>

<template>
  <span ref="element" class="math" :aria-hidden="silent || undefined" />
</template>
