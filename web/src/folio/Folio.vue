<script setup lang="ts">
// The page beside the stage: Stated, Shown, Said. On a phone it is a sheet that is pulled up from the lower edge.
import { nextTick, ref, useTemplateRef, watch } from 'vue';
import { useBench } from '../bench/store';
import SaidPart from './SaidPart.vue';
import ShownPart from './ShownPart.vue';
import StatedPart from './StatedPart.vue';

const bench = useBench();
const folio = useTemplateRef<HTMLElement>('folio');
/** How high the sheet is pulled, as a share of the screen; 0 leaves only its grip in sight. */
const pulled = ref(0);
const half = 0.54;
const whole = 0.9;

/** Whether the sheet came up by itself. */
let came = false;
// What is about to be typed is in sight; when it is kept, what it has brought is: the stage and its dials.
watch(
  () => bench.editing,
  (editing) => {
    if (editing && !pulled.value) {
      pull(half);
      came = true;
    } else if (!editing && came) pull(0);
  },
);

/** Pulls the sheet up or down; what stands above it on a phone is the stage. */
function pull(share: number) {
  pulled.value = share;
  came = false;
  void nextTick(() => {
    if (!share || !folio.value || getComputedStyle(folio.value).position !== 'fixed') return;
    const above =
      document.querySelector('.stage')?.previousElementSibling?.getBoundingClientRect().bottom ?? 0;
    if (above > 0) window.scrollBy({ top: above });
  });
}

let begun = 0;
let moved = false;

function grab(e: PointerEvent) {
  (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);
  [begun, moved] = [e.clientY, false];
}

function drag(e: PointerEvent) {
  if (!(e.currentTarget as HTMLElement).hasPointerCapture(e.pointerId)) return;
  moved ||= Math.abs(e.clientY - begun) > 8;
  if (moved) pulled.value = Math.max(0.06, Math.min(1 - e.clientY / window.innerHeight, whole));
}

/** Let go it comes to rest closed, half way or all the way up. */
function release() {
  if (!moved) return;
  const stops = [0, half, whole];
  pull(
    stops.reduce((best, stop) =>
      Math.abs(stop - pulled.value) < Math.abs(best - pulled.value) ? stop : best,
    ),
  );
}

/** A tap, or a key, which has no clicks to count; the click with which a drag ends does nothing. */
function toggle(e: MouseEvent) {
  if (!moved || !e.detail) pull(pulled.value ? 0 : half);
}
</script>

<template>
  <aside
    ref="folio"
    class="folio"
    :class="{ pulled: pulled > 0 }"
    :style="{ '--pulled': pulled }"
    aria-label="Folio"
    tabindex="-1"
  >
    <button
      class="grip"
      :aria-expanded="pulled > 0"
      @pointerdown="grab"
      @pointermove="drag"
      @pointerup="release"
      @pointercancel="release"
      @click="toggle"
    >
      <span>Stated, shown, said</span>
    </button>
    <div class="leaf">
      <StatedPart />
      <ShownPart />
      <SaidPart />
    </div>
  </aside>
</template>

<style scoped>
.folio {
  background: var(--sheet);
  border-left: 1px solid var(--hairline);
  padding: 0 18px 20px 20px;
  overflow-y: auto;
  /* What moves on the stage is put together without the folio's rows being compared with it. */
  contain: layout paint style;
}
.folio :deep(ul) {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
.grip {
  display: none;
}

/* A phone: the sheet lies over the lower part of the page, on its side over the dials. */
@media (max-width: 760px), (max-height: 500px) {
  .folio {
    position: fixed;
    z-index: 6;
    left: 0;
    right: 0;
    bottom: 0;
    display: flex;
    flex-direction: column;
    padding: 0;
    overflow: hidden;
    border-left: 0;
    border-top: 1px solid var(--hairline);
    border-radius: 14px 14px 0 0;
    box-shadow: 0 -2px 14px rgb(0 0 0 / 0.18);
  }
  .folio.pulled {
    height: calc(100dvh * var(--pulled));
  }
  .folio:not(.pulled) .leaf {
    display: none;
  }
  .grip {
    flex: none;
    display: grid;
    place-items: center;
    gap: 4px;
    height: 50px;
    padding: 8px 0 6px;
    border: 0;
    border-radius: 14px 14px 0 0;
    background: var(--sheet);
    color: var(--ink);
    font-size: 15px;
    touch-action: none;
    cursor: grab;
  }
  .grip::before {
    content: '';
    width: 44px;
    height: 5px;
    border-radius: 3px;
    background: var(--muted);
  }
  .leaf {
    flex: 1;
    min-height: 0;
    padding: 0 16px 16px;
    overflow-y: auto;
    overscroll-behavior: contain;
  }
}
/* What is gone to by keys is scrolled above the sheet. */
@media (max-width: 760px) and (min-height: 501px) {
  :global(html:has(.folio)) {
    scroll-padding-bottom: 56px;
  }
  :global(html:has(.folio.pulled)) {
    scroll-padding-bottom: calc(54dvh + 6px);
  }
}
@media (max-height: 500px) {
  .folio {
    left: auto;
    width: 300px;
  }
  .folio.pulled {
    height: calc(100dvh * max(0.9, var(--pulled)));
  }
}
</style>
