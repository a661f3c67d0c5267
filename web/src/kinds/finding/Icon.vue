<script setup lang="ts">
import { computed } from 'vue';
import type { FindingBody } from '../../generated/types';

const props = defineProps<{ body: FindingBody }>();
const isLine = computed(() => /Asymptotes|centreLine/.test(props.body.finding));
</script>

<template>
  <path v-if="isLine" d="M2 8h28" />
  <template v-else>
    <path d="M2 13q14 -20 28 0" class="thin" />
    <circle cx="16" cy="4" r="3.6" />
  </template>
</template>
