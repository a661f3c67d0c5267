<script setup lang="ts">
// The bench: head, ribbon, stage, folio, deck.
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { Refused } from '../api/client';
import { usePerson } from '../api/person';
import Deck from '../deck/Deck.vue';
import Folio from '../folio/Folio.vue';
import Beginnings from '../stage/Beginnings.vue';
import StagePanel from '../stage/StagePanel.vue';
import UnderTexts from '../stage/UnderTexts.vue';
import BenchHead from './BenchHead.vue';
import ConflictDialog from './ConflictDialog.vue';
import KeysCard from './KeysCard.vue';
import OpeningLine from './OpeningLine.vue';
import DeletedDialog from './DeletedDialog.vue';
import SceneRibbon from './SceneRibbon.vue';
import SignInAgain from './SignInAgain.vue';
import SkipLinks from './SkipLinks.vue';
import { useAddress } from './address';
import { singleKeys } from './keys';
import { useSeenPanels } from './panels';
import BoardBar from '../board/BoardBar.vue';
import BoardTimer from '../board/BoardTimer.vue';
import LargePointer from '../board/LargePointer.vue';
import { useTalk } from '../board/desk';
import LeftBehind from '../board/LeftBehind.vue';
import StageCurtain from '../board/StageCurtain.vue';
import { useBoard } from '../board/board';
import DataDesk from '../data/DataDesk.vue';
import { useArriving } from '../data/arriving';
import { useDataDesk } from '../data/desk';
import { useSuspects } from '../data/suspects';
import { useBench } from './store';

const props = defineProps<{ id: string }>();
const bench = useBench();
const people = usePerson();
const router = useRouter();
const address = useAddress(showOnBoard);
const present = (on: boolean) => address.present(on);
const { open: openDesk } = useTalk(() => props.id);
const failure = ref('');
const folioOpen = ref(true);
const keysOpen = ref(false);
const board = useBoard();
const desk = useDataDesk();
useSuspects();
useArriving();

const signIn = () => router.replace({ name: 'signIn', query: { back: address.whole() } });

async function open() {
  failure.value = '';
  try {
    const person = await people.known();
    if (!person.signedIn) {
      await signIn();
      return;
    }
    await bench.open(person.name, props.id);
    document.title = `${bench.document?.title} – Parvix`;
    // A link may lead to a scene, or straight to the board.
    await address.follow();
    // On an empty bench the first thing is to state a function.
    if (!bench.document?.stated.length) bench.editing = 'stated';
  } catch (e) {
    if (e instanceof Refused && e.problem.status === 401) {
      people.forget();
      await signIn();
      return;
    }
    failure.value =
      e instanceof Refused && e.problem.status === 404
        ? 'This demonstration does not exist, or it is not yours.'
        : `The demonstration could not be opened. ${(e as Error).message}`;
  }
}
watch(() => props.id, open);

const isEmpty = computed(() => !bench.document?.stated.length && !bench.document?.shown.length);
const { panels, seen } = useSeenPanels();

function key(e: KeyboardEvent) {
  const target = e.target as HTMLElement;
  if (target.matches('input, textarea, select, [contenteditable]')) return;
  const command = e.ctrlKey || e.metaKey;
  if (!command && e.key.length === 1 && !singleKeys.value) return;
  if (command && e.key.toLowerCase() === 'z') undoing(e.shiftKey);
  else if (command && e.key.toLowerCase() === 'y') void bench.redo();
  else if (e.key === 'Escape' && bench.presenting) void present(false);
  else if (e.key === '?') keysOpen.value = !keysOpen.value;
  else if (!command && e.key.toLowerCase() === 'h') bench.sweeps.holdOrGoOn();
  else if (!command && e.key.toLowerCase() === 'p') board.pointing = !board.pointing;
  else if (!command && e.key.toLowerCase() === 's') void bench.startingValues();
  else if (bench.presenting && (e.key === '.' || e.key.toLowerCase() === 'b')) darken();
  else if (e.key === 'PageDown') void bench.goScene(bench.scene + 1);
  else if (e.key === 'PageUp') void bench.goScene(bench.scene - 1);
  else return;
  e.preventDefault();
}

/** While presenting only what was done since is undone. */
function undoing(forward: boolean) {
  if (bench.presenting) void (forward || board.undo());
  else void (forward ? bench.redo() : bench.undo());
}

/** What the key of a clicker that darkens the screen does: the curtain covers everything, and is taken away again. */
function darken() {
  board.curtain = board.curtain ? undefined : { side: 'top', share: 1 };
}

async function showOnBoard(on: boolean) {
  await bench.present(on);
  bench.unturn();
  // Full screen also ends when the desk's window comes to the front; presenting goes on.
  if (on) void document.documentElement.requestFullscreen?.().catch(() => undefined);
  else if (document.fullscreenElement) void document.exitFullscreen();
}
const flush = () => bench.saving.flush();
/** A window that is hidden may be closed without another word. */
const hidden = () => document.visibilityState === 'hidden' && bench.saving.flush(true);
const leaving = (e: BeforeUnloadEvent) => bench.saving.wouldLose() && e.preventDefault();

onMounted(() => {
  window.addEventListener('keydown', key);
  window.addEventListener('online', flush);
  window.addEventListener('beforeunload', leaving);
  document.addEventListener('visibilitychange', hidden);
  void open();
});
onBeforeUnmount(() => {
  window.removeEventListener('keydown', key);
  window.removeEventListener('online', flush);
  window.removeEventListener('beforeunload', leaving);
  document.removeEventListener('visibilitychange', hidden);
  bench.close();
});
</script>

<template>
  <div class="bench" :class="{ presenting: bench.presenting, folded: !folioOpen || bench.presenting }">
    <SkipLinks v-if="bench.document && !bench.presenting" />
    <BenchHead :presenting="bench.presenting" @present="present(true)" @keys="keysOpen = true" />
    <SceneRibbon v-if="bench.document && !bench.presenting" :folio="folioOpen" @folio="folioOpen = $event" />
    <main
      v-if="bench.document"
      class="stage"
      :class="[`panels-${seen.length}`, { round: panels[0]?.kind === 'circle' }]"
    >
      <StageCurtain v-if="bench.presenting" />
      <BoardTimer v-if="bench.presenting && board.timing" />
      <!-- A panel that changes its place hands over its canvases anew. -->
      <StagePanel
        v-for="(panel, index) in panels"
        v-show="seen.includes(panel.id)"
        :key="`${panel.id}/${index}`"
        :panel="panel"
        :index="index"
      />
      <Beginnings v-if="isEmpty" />
    </main>
    <main v-else class="stage waiting">
      <p v-if="failure" class="failure" role="alert">
        {{ failure }} <RouterLink :to="{ name: 'shelf' }">Back to the shelf</RouterLink>
        <a-button @click="open">Try again</a-button>
      </p>
      <OpeningLine v-else />
    </main>
    <template v-if="bench.document">
      <UnderTexts />
      <Folio v-show="folioOpen && !bench.presenting" />
      <Deck />
      <BoardBar v-if="bench.presenting" @leave="present(false)" @desk="openDesk" />
      <ConflictDialog v-if="bench.saving.conflict" :conflict="bench.saving.conflict" />
      <DeletedDialog v-if="bench.saving.state === 'deleted'" />
      <SignInAgain v-if="bench.saving.state === 'signedOut'" />
    </template>
    <DataDesk v-if="desk.open && bench.document" />
    <KeysCard v-if="keysOpen" @close="keysOpen = false" />
    <LargePointer v-if="board.pointing" />
    <LeftBehind />
    <p v-if="bench.trouble" class="mistake" role="alert">
      {{ bench.trouble.words }}
      <button v-if="bench.trouble.again" class="link" @click="bench.tryAgain()">Try again</button>
      <button class="link" @click="bench.trouble = undefined">Close</button>
    </p>
    <p v-else-if="bench.saving.setAside.length" class="mistake" role="status">
      Another window was closed before its work was saved: it is on the shelf as “{{
        bench.saving.setAside[0]
      }}
      (set aside)”.
      <button class="link" @click="bench.saving.setAside = []">Close</button>
    </p>
    <p v-else-if="bench.mistake" class="mistake" role="alert">
      Something went wrong and the last change was not made. {{ bench.mistake }}
      <button class="link" @click="bench.mistake = ''">Close</button>
    </p>
  </div>
</template>

<style scoped>
.bench {
  height: 100dvh;
  display: grid;
  grid-template:
    'head head' auto
    'ribbon folio' auto
    'stage folio' minmax(0, 1fr)
    'under folio' auto
    'deck deck' auto
    'bar bar' auto / minmax(0, 1fr) var(--folio-width);
  background: var(--paper);
}
.bench.folded {
  grid-template-columns: minmax(0, 1fr) 0;
}
.bench > :deep(.head) {
  grid-area: head;
}
.bench > :deep(.ribbon) {
  grid-area: ribbon;
}
.bench > :deep(.folio) {
  grid-area: folio;
}
.bench > :deep(.deck) {
  grid-area: deck;
}
.stage {
  position: relative;
  grid-area: stage;
  display: grid;
  gap: 12px;
  padding: 12px;
  min-width: 0;
  min-height: 0;
}
.stage.panels-2 {
  grid-template-columns: 1fr 1fr;
}
.stage.panels-2.round {
  grid-template-columns: 1fr 2fr;
}
.stage.panels-3,
.stage.panels-4 {
  grid-template: 1fr 1fr / 1fr 1fr;
}
.waiting {
  grid-column: 1 / -1;
  place-items: center;
}
.presenting {
  /* For the back row: type grows with the screen, by the shorter of its sides (1280 by 800 has 1.4 times the usual). */
  --type: clamp(1.1, min(tan(atan2(100vw, 914px)), tan(atan2(100vh, 571px))), 4);
  --tick-size: calc(12.8px * var(--type));
  --deck-scale: calc(0.6 + 0.42 * var(--type));
}
.mistake {
  position: fixed;
  left: 16px;
  bottom: 150px;
  max-width: 480px;
  margin: 0;
  padding: 10px 14px;
  border-radius: 6px;
  background: var(--wrong-ground);
  color: var(--wrong);
}

/* A tablet held upright: panels one above the other, the folio under the dials. */
@media (min-width: 761px) and (max-aspect-ratio: 1/1) {
  .bench,
  .bench.folded {
    grid-template:
      'head' auto
      'ribbon' auto
      'stage' minmax(0, 1fr)
      'under' auto
      'deck' auto
      'bar' auto
      'folio' minmax(0, 32vh) / minmax(0, 1fr);
  }
  .bench.folded {
    grid-template-rows: auto auto minmax(0, 1fr) auto auto auto 0;
  }
  .bench > :deep(.folio) {
    border-left: 0;
    border-top: 1px solid var(--hairline);
  }
  .stage.panels-2,
  .stage.panels-2.round {
    grid-template: 1fr 1fr / minmax(0, 1fr);
  }
}

/* A phone held upright: the stage stays in sight while what stands under it is scrolled; its panels lie side by side. */
@media (max-width: 760px) and (min-height: 501px) {
  /* No grid: in one the stage could not leave its row to stay in sight. */
  .bench,
  .bench.folded {
    --deck-scale: 1;
    display: flex;
    flex-direction: column;
    height: auto;
    min-height: 100dvh;
  }
  .bench > :deep(.deck) {
    order: 1;
  }
  .bench > :deep(.under) {
    order: 2;
  }
  .bench > :deep(.board-bar) {
    order: 3;
    margin-top: auto;
  }
  /* Room for the folio's sheet, so that what stands under the stage can be scrolled above it. */
  .bench:not(.presenting) {
    padding-bottom: 50px;
  }
  .bench:not(.presenting):has(> .folio.pulled) {
    padding-bottom: 54dvh;
  }
  .stage {
    position: sticky;
    z-index: 4;
    top: 0;
    flex: none;
    height: 46dvh;
    padding: 8px;
    background: var(--paper);
  }
}

/* On a phone the panels lie side by side, one at a time in sight. */
@media (max-width: 760px) {
  .stage.panels-2,
  .stage.panels-2.round,
  .stage.panels-3,
  .stage.panels-4 {
    display: flex;
    overflow-x: auto;
    scroll-snap-type: x mandatory;
  }
  .stage > :deep(.panel) {
    flex: 0 0 calc(100% - 28px);
    height: 100%;
    scroll-snap-align: center;
  }
  .stage.panels-1 > :deep(.panel) {
    flex-basis: 100%;
  }
}

/* A phone on its side, and a small window at 200 %: the dials stand beside the stage. */
@media (max-height: 500px) {
  .bench,
  .bench.folded {
    --deck-scale: 1;
    --type: 1;
    --tick-size: 14px;
    height: auto;
    min-height: 100dvh;
    grid-template:
      'head head' auto
      'ribbon ribbon' auto
      'stage deck' calc(100dvh - 20px)
      'under under' auto
      'bar bar' auto / minmax(0, 1fr) 300px;
  }
  .bench.presenting {
    grid-template-rows: 0 0 calc(100dvh - 72px) auto auto;
  }
  .bench.presenting > :deep(.head) {
    display: none;
  }
  .stage {
    padding: 6px;
    gap: 6px;
  }
  .bench:not(.presenting) > :deep(.deck) {
    padding-bottom: 56px;
  }
}
</style>
