<script setup lang="ts">
// A button with a menu of actions, by the menu pattern of the ARIA Authoring Practices: the focus goes into the menu and
// comes back, arrows, Home, End and first letters move in it, Escape and Tab close it.
import { nextTick, ref, useTemplateRef } from 'vue';

export interface Action {
  key: string;
  words: string;
  act?: () => void;
  off?: boolean;
  /** Whether it is the one that holds, among those of which one does. */
  chosen?: boolean;
  /** A file to be saved, instead of an act. */
  download?: string;
}

const props = defineProps<{ actions: Action[]; label: string; disabled?: boolean }>();
defineOptions({ inheritAttrs: false });

const open = ref(false);
const trigger = useTemplateRef<HTMLButtonElement>('trigger');
const menu = useTemplateRef<HTMLElement>('menu');

const items = () => [
  ...(menu.value?.querySelectorAll<HTMLElement>('[role^="menuitem"]:not([aria-disabled])') ?? []),
];

async function show(isOpen: boolean) {
  open.value = isOpen;
  if (!isOpen) return;
  await nextTick();
  focusSoon(mostFrames);
}

/** The overlay is put into its place within a few display frames; before that it cannot take the focus. */
const mostFrames = 20;
function focusSoon(frames: number) {
  items()[0]?.focus();
  if (frames > 0 && open.value && !menu.value?.contains(document.activeElement)) {
    requestAnimationFrame(() => focusSoon(frames - 1));
  }
}

function close() {
  open.value = false;
  trigger.value?.focus();
}

function choose(action: Action) {
  if (action.off) return;
  close();
  action.act?.();
}

function key(e: KeyboardEvent) {
  const list = items();
  const at = list.indexOf(document.activeElement as HTMLElement);
  const to = (place: number) => list[(place + list.length) % list.length]?.focus();
  if (e.key === 'ArrowDown') to(at + 1);
  else if (e.key === 'ArrowUp') to(at - 1);
  else if (e.key === 'Home') to(0);
  else if (e.key === 'End') to(list.length - 1);
  else if (e.key === 'Escape') close();
  else if (e.key === 'Tab') {
    close();
    return;
  } else if (e.key.length === 1 && /\S/.test(e.key)) {
    const starts = (i: HTMLElement) => i.textContent.trim().toLowerCase().startsWith(e.key.toLowerCase());
    const next = [...list.slice(at + 1), ...list.slice(0, at + 1)].find(starts);
    next?.focus();
  } else {
    e.stopPropagation();
    return;
  }
  e.preventDefault();
  e.stopPropagation();
}

function triggerKey(e: KeyboardEvent) {
  if (e.key !== 'ArrowDown' || props.disabled) return;
  e.preventDefault();
  void show(true);
}
</script>

<template>
  <a-dropdown
    :open="open"
    :trigger="['click']"
    placement="bottomRight"
    :disabled="disabled ?? false"
    destroy-popup-on-hide
    @update:open="show"
  >
    <button
      ref="trigger"
      v-bind="$attrs"
      type="button"
      aria-haspopup="menu"
      :aria-expanded="open"
      :aria-label="label"
      :disabled="disabled ?? false"
      @keydown="triggerKey"
    >
      <slot />
    </button>
    <template #overlay>
      <ul ref="menu" role="menu" class="action-menu" :aria-label="label" @keydown="key">
        <li v-for="a in actions" :key="a.key" role="none">
          <a v-if="a.download" role="menuitem" tabindex="-1" :href="a.download" download @click="choose(a)">{{
            a.words
          }}</a>
          <button
            v-else
            :role="a.chosen === undefined ? 'menuitem' : 'menuitemradio'"
            :aria-checked="a.chosen"
            type="button"
            tabindex="-1"
            :aria-disabled="a.off || undefined"
            @click="choose(a)"
          >
            {{ a.words }}<span v-if="a.chosen" class="mark" aria-hidden="true">✓</span>
          </button>
        </li>
      </ul>
    </template>
  </a-dropdown>
</template>

<style scoped>
.action-menu {
  min-width: 180px;
  max-height: 70vh;
  margin: 0;
  padding: 6px 0;
  overflow-y: auto;
  list-style: none;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  border-radius: 6px;
}
.action-menu [role^='menuitem'] {
  display: block;
  width: 100%;
  min-height: 32px;
  padding: 5px 16px;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  text-decoration: none;
  cursor: pointer;
}
@media (pointer: coarse) {
  .action-menu [role^='menuitem'] {
    min-height: 44px;
  }
}
.action-menu [role^='menuitem']:hover,
.action-menu [role^='menuitem']:focus {
  background: var(--paper);
}
.action-menu [role^='menuitem']:focus-visible {
  outline: 2px solid var(--sea);
  outline-offset: -2px;
}
.mark {
  margin-left: 0.6em;
}
.action-menu [aria-disabled] {
  color: var(--muted);
  cursor: default;
}
</style>
