<script setup lang="ts">
import { theme } from './styles/antTheme';
</script>

<template>
  <a-config-provider :theme="theme">
    <RouterView />
  </a-config-provider>
</template>
