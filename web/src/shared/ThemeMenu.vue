<script setup lang="ts">
// Which colours the page wears: as the system prefers, or one that is chosen for this browser.
import { computed } from 'vue';
import { themes } from '../generated/themes';
import { chooseTheme, chosenTheme, type ThemeChoice } from '../styles/theme';
import ActionMenu, { type Action } from './ActionMenu.vue';

const choices: [ThemeChoice, string][] = [
  ['system', 'as this machine prefers'],
  ...themes.map(({ key, words }): [ThemeChoice, string] => [key, words]),
];
const actions = computed<Action[]>(() =>
  choices.map(([key, words]) => ({
    key,
    words,
    chosen: key === chosenTheme.value,
    act: () => chooseTheme(key),
  })),
);
</script>

<template>
  <ActionMenu label="Colours of the screen" :actions="actions"><slot>Colours</slot></ActionMenu>
</template>
