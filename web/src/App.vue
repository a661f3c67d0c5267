<script setup lang="ts">
import { libraryTheme } from './styles/theme';
</script>

<template>
  <a-config-provider :theme="libraryTheme">
    <RouterView />
  </a-config-provider>
</template>
