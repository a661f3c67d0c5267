<script setup lang="ts">
// The shelf: a teacher's demonstrations with small pictures.
import { notification } from 'ant-design-vue';
import { h, onMounted, ref, watch, type VNode } from 'vue';
import { useRouter } from 'vue-router';
import { api, Refused } from '../api/client';
import { usePerson } from '../api/person';
import type { ShelfEntry } from '../generated/types';
import { outbox } from '../saving/outbox';
import { newId } from '../saving/windows';
import ActionMenu, { type Action } from '../shared/ActionMenu.vue';
import ThemeMenu from '../shared/ThemeMenu.vue';
import Wordmark from '../shared/Wordmark.vue';

const people = usePerson();
const router = useRouter();
const entries = ref<ShelfEntry[]>();
const words = ref('');
const problem = ref('');
const renaming = ref('');
const title = ref('');
const unsent = ref(new Set<string>());
const file = ref<HTMLInputElement>();

onMounted(async () => {
  document.title = 'Shelf – Parvix';
  await attempt(async () => {
    const person = await people.known();
    if (!person.signedIn) {
      await router.replace({ name: 'signIn' });
      return;
    }
    unsent.value = new Set((await outbox.list(person.name)).map((left) => left.demonstration));
    await list();
  });
});

/** How many entries one answer of the server has at most (domain.PageSize). */
const pageSize = 200;
const more = ref(false);

async function list() {
  const page = await api.list(words.value);
  entries.value = page;
  more.value = page.length === pageSize;
}

/** Goes on where the list ends. */
const goOn = () =>
  attempt(async () => {
    const page = await api.list(words.value, entries.value?.at(-1)?.id);
    entries.value = [...(entries.value ?? []), ...page];
    more.value = page.length === pageSize;
  });

async function attempt(task: () => Promise<void>) {
  problem.value = '';
  try {
    await task();
  } catch (e) {
    if (e instanceof Refused && e.problem.status === 401) {
      people.forget();
      await router.replace({ name: 'signIn' });
      return;
    }
    problem.value = (e as Error).message;
  }
}

let searching = 0;
watch(words, () => {
  window.clearTimeout(searching);
  searching = window.setTimeout(() => void attempt(list), 200);
});

const openBench = (id: string) => router.push({ name: 'bench', params: { id } });

const add = () =>
  attempt(async () => {
    await openBench((await api.add('Untitled demonstration')).id);
  });

const copy = (e: ShelfEntry) =>
  attempt(async () => {
    await api.copy(e.id);
    await list();
  });

const remove = (e: ShelfEntry) =>
  attempt(async () => {
    await api.remove(e.id);
    await list();
    const key = `deleted-${e.id}`;
    const undo = () =>
      attempt(async () => {
        await api.restore(e.id);
        notification.close(key);
        await list();
      });
    notification.open({
      key,
      message: `“${e.title}” was deleted.`,
      description: 'It can be brought back for 30 days.',
      btn: h('button', { class: 'link', onClick: undo }, 'Bring it back'),
      duration: 12,
    });
  });

function beginRename(e: ShelfEntry) {
  renaming.value = e.id;
  title.value = e.title;
}

/** Takes the cursor into the new title once the menu has let go of it. */
const taken = ({ el }: VNode) => window.requestAnimationFrame(() => (el as HTMLInputElement).select());

const rename = (e: ShelfEntry) =>
  attempt(async () => {
    if (renaming.value !== e.id) return;
    renaming.value = '';
    const name = title.value.trim();
    if (!name || name === e.title) return;
    const stored = await api.read(e.id);
    const document = { ...stored.document, title: name };
    const outcome = await api.save(e.id, { revision: stored.revision, document, save: newId() });
    if (outcome.kind === 'refused' || outcome.kind === 'away') problem.value = outcome.reason;
    if (outcome.kind === 'conflict') problem.value = 'It was changed elsewhere meanwhile. Try again.';
    await list();
  });

const importFile = (event: Event) =>
  attempt(async () => {
    const input = event.target as HTMLInputElement;
    const chosen = input.files?.[0];
    input.value = '';
    if (!chosen) return;
    const stored = await api.importText(await chosen.text());
    await openBench(stored.id);
    if (stored.mended)
      notification.open({
        message: 'This older file was mended. Nothing that shows was lost.',
        description: h(
          'ul',
          stored.mended.map((one) => h('li', one)),
        ),
        duration: 0,
      });
  });

/** How many demonstrations have work that would be lost with a sign-out; undefined while nobody is asked. */
const wouldLose = ref<number>();

async function askToLeave() {
  await attempt(people.sendUnsent);
  wouldLose.value = (await people.unsent()) || undefined;
  if (!wouldLose.value) await leave();
}

async function leave() {
  wouldLose.value = undefined;
  await attempt(async () => {
    await people.leave();
    await router.replace({ name: 'signIn' });
  });
}

const actions = (e: ShelfEntry): Action[] => [
  { key: 'rename', words: 'Rename', act: () => beginRename(e) },
  { key: 'copy', words: 'Copy', act: () => void copy(e) },
  { key: 'file', words: 'Export as a file', download: api.fileAddress(e.id) },
  { key: 'delete', words: 'Delete', act: () => void remove(e) },
];

const when = (date: string) =>
  new Date(date).toLocaleDateString([], { day: 'numeric', month: 'long', year: 'numeric' });
</script>

<template>
  <div class="shelf">
    <header class="head">
      <Wordmark />
      <h1>Shelf</h1>
      <span class="room" />
      <span class="who">{{ people.person?.name }}</span>
      <ThemeMenu class="out" />
      <button class="out" @click="askToLeave">Sign out</button>
    </header>
    <main>
      <div class="tools">
        <a-input
          v-model:value="words"
          size="large"
          allow-clear
          placeholder="Search the titles"
          aria-label="Search the titles"
        />
        <a-button size="large" @click="file?.click()">Import a file</a-button>
        <input
          ref="file"
          type="file"
          accept=".json,application/json"
          hidden
          data-import
          @change="importFile"
        />
        <button class="brass" @click="add">New demonstration</button>
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <p v-if="!entries && !problem" role="status">Opening the shelf …</p>
      <ul v-else>
        <li v-for="e in entries" :key="e.id" class="card" :data-title="e.title">
          <RouterLink :to="{ name: 'bench', params: { id: e.id } }" class="picture">
            <img :src="api.pictureAddress(e)" :alt="`Open ${e.title}`" loading="lazy" />
          </RouterLink>
          <div class="line">
            <input
              v-if="renaming === e.id"
              v-model="title"
              class="title"
              aria-label="New title"
              maxlength="120"
              @vue:mounted="taken"
              @keydown.enter="rename(e)"
              @keydown.esc="renaming = ''"
              @blur="rename(e)"
            />
            <RouterLink v-else :to="{ name: 'bench', params: { id: e.id } }" class="title">{{
              e.title
            }}</RouterLink>
            <ActionMenu class="more" :label="`What to do with ${e.title}`" :actions="actions(e)"
              >⋯</ActionMenu
            >
          </div>
          <p class="when">
            changed {{ when(e.changedAt) }}
            <span v-if="unsent.has(e.id)" class="unsent">· unsent changes in this browser</span>
          </p>
        </li>
      </ul>
      <p v-if="entries && !entries.length" class="hint">
        {{ words ? 'No title holds these words.' : 'The shelf is empty. Begin with a new demonstration.' }}
      </p>
      <p v-if="more" class="hint"><a-button size="large" @click="goOn">Show more</a-button></p>
    </main>
    <a-modal
      :open="wouldLose !== undefined"
      title="Work that the server has not got yet"
      ok-text="Sign out and discard it"
      cancel-text="Stay signed in"
      :ok-button-props="{ danger: true }"
      @ok="leave"
      @cancel="wouldLose = undefined"
    >
      <p>
        {{ wouldLose === 1 ? 'A demonstration has' : `${wouldLose} demonstrations have` }} changes that are
        kept in this browser only. Signing out takes them away, so that the next person at this machine cannot
        read them.
      </p>
    </a-modal>
  </div>
</template>

<style scoped>
.shelf {
  min-height: 100dvh;
  background: var(--paper);
}
.head {
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: 50px;
  padding: 0 24px;
  background: var(--head);
  color: var(--on-head);
}
h1 {
  font-family: var(--serif);
  font-size: 19px;
  font-weight: 500;
  margin: 0;
}
.room {
  flex: 1;
}
.who {
  color: var(--on-head-muted);
}
@media (max-width: 760px) {
  .who {
    display: none;
  }
}
.head :deep(.out) {
  white-space: nowrap;
  font: inherit;
  min-height: 34px;
  padding: 0 12px;
  color: var(--on-head);
  background: none;
  border: 1px solid #ffffff40;
  border-radius: 5px;
  cursor: pointer;
}
main {
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-bottom: 24px;
}
.tools > :first-child {
  flex: 1 1 220px;
  max-width: 420px;
  margin-right: auto;
}
.brass {
  min-height: 40px;
  padding: 0 20px;
  border: 0;
  border-radius: 6px;
  background: var(--brass);
  color: var(--on-brass);
  font: inherit;
  font-weight: 700;
  cursor: pointer;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
  gap: 22px;
}
.card {
  background: var(--sheet);
  border: 1px solid var(--hairline);
  border-radius: 8px;
  overflow: hidden;
}
.card:hover {
  border-color: var(--sea);
}
.picture {
  display: block;
  border-bottom: 1px solid var(--hairline);
}
.picture img {
  display: block;
  width: 100%;
  aspect-ratio: 16 / 10;
  object-fit: cover;
}
.line {
  display: flex;
  align-items: center;
  padding: 10px 8px 0 16px;
}
.title {
  flex: 1;
  min-width: 0;
  font-family: var(--serif);
  font-size: 18px;
  font-weight: 600;
  color: var(--ink);
}
input.title {
  border: 1px solid var(--sea);
  border-radius: 4px;
  padding: 2px 6px;
  background: var(--sheet);
}
:deep(.more) {
  width: 36px;
  height: 36px;
  border: 0;
  border-radius: 4px;
  background: none;
  font-size: 20px;
  color: var(--muted);
  cursor: pointer;
}
:deep(.more:hover) {
  background: var(--paper);
}
.when {
  margin: 0;
  padding: 2px 16px 14px;
  color: var(--muted);
  font-size: 14px;
}
.unsent {
  color: var(--wrong);
}
</style>
