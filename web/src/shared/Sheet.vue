<script lang="ts">
/** The sheet that is open; there is one at a time. */
let closeOther: (() => void) | undefined;
</script>

<script setup lang="ts">
// A small sheet that a button opens beside itself: the focus goes into it and comes back to the button, Escape closes it,
// and opening another closes it too.
import { nextTick, onBeforeUnmount, ref, useTemplateRef } from 'vue';

const props = defineProps<{ label: string; placement?: 'bottomLeft' | 'top' }>();
const emit = defineEmits<{ opened: [] }>();
const open = ref(false);
const box = useTemplateRef<HTMLElement>('box');
const place = useTemplateRef<HTMLElement>('place');

const trigger = () => place.value?.querySelector<HTMLElement>('button');

function hide() {
  open.value = false;
  if (closeOther === hide) closeOther = undefined;
}

async function show(isOpen: boolean) {
  if (!isOpen) {
    hide();
    return;
  }
  closeOther?.();
  closeOther = hide;
  open.value = true;
  emit('opened');
  await nextTick();
  focusSoon(mostFrames);
}

/** The sheet is put into its place within a few display frames; before that it cannot take the focus. */
const mostFrames = 20;
function focusSoon(frames: number) {
  const first = box.value?.querySelector<HTMLElement>(
    'input, select, textarea, button:not(:disabled), a[href]',
  );
  (first ?? box.value)?.focus();
  if (frames > 0 && open.value && !box.value?.contains(document.activeElement)) {
    requestAnimationFrame(() => focusSoon(frames - 1));
  }
}

function escape(e: KeyboardEvent) {
  e.stopPropagation();
  hide();
  trigger()?.focus();
}

/** Whoever tabs out of the sheet has left it. */
function left(e: FocusEvent) {
  const to = e.relatedTarget as Node | null;
  if (
    to &&
    !box.value?.contains(to) &&
    !trigger()?.contains(to) &&
    !(to as Element).closest?.('.ant-select-dropdown')
  ) {
    hide();
  }
}

onBeforeUnmount(hide);
defineExpose({ hide });
</script>

<template>
  <span ref="place" class="place">
    <a-popover
      :open="open"
      trigger="click"
      :placement="props.placement ?? 'bottomLeft'"
      destroy-tooltip-on-hide
      @update:open="show"
    >
      <slot :open="open" />
      <template #content>
        <div
          ref="box"
          role="dialog"
          :aria-label="label"
          tabindex="-1"
          class="sheet"
          @keydown.esc="escape"
          @focusout="left"
        >
          <slot name="content" />
        </div>
      </template>
    </a-popover>
  </span>
</template>

<style scoped>
.place {
  display: contents;
}
.sheet:focus {
  outline: none;
}
</style>
