<script setup lang="ts">
// Two windows changed one demonstration: both pictures, and the one that is not chosen is kept as a copy.
import { onMounted, ref } from 'vue';
import type { Document } from '../generated/types';
import type { Theirs } from '../saving/machine';
import { useBench } from './store';

const props = defineProps<{ conflict: { mine: Document; theirs: Theirs<Document> } }>();
const bench = useBench();
const pictures = ref({ mine: '', theirs: '' });
const busy = ref(false);
const problem = ref('');

const size = { width: 480, height: 300 };

onMounted(async () => {
  for (const [which, document] of [
    ['mine', props.conflict.mine],
    ['theirs', props.conflict.theirs.document],
  ] as const) {
    const { svg } = await bench.ask({ kind: 'draw', document, ...size });
    if (svg) pictures.value[which] = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  }
});

async function choose(which: 'mine' | 'theirs') {
  busy.value = true;
  problem.value = '';
  try {
    await bench.settleConflict(which);
  } catch (e) {
    problem.value = `${(e as Error).message} Nothing is lost; choose again.`;
  } finally {
    busy.value = false;
  }
}

const time = (date: string) => new Date(date).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
</script>

<template>
  <a-modal
    open
    :closable="false"
    :mask-closable="false"
    :keyboard="false"
    :footer="null"
    width="860px"
    title="This demonstration was changed in two places"
  >
    <p>Choose the one to go on with. The other is not lost: it comes to the shelf as a copy.</p>
    <div class="both">
      <figure>
        <img v-if="pictures.mine" :src="pictures.mine" alt="The demonstration as it is in this window" />
        <figcaption><strong>This window</strong>{{ conflict.mine.title }}</figcaption>
        <a-button type="primary" :disabled="busy" @click="choose('mine')">Go on with this window’s</a-button>
      </figure>
      <figure>
        <img
          v-if="pictures.theirs"
          :src="pictures.theirs"
          alt="The demonstration as it was saved elsewhere"
        />
        <figcaption>
          <strong>Saved elsewhere at {{ time(conflict.theirs.changedAt) }}</strong
          >{{ conflict.theirs.document.title }}
        </figcaption>
        <a-button :disabled="busy" @click="choose('theirs')">Go on with the saved one</a-button>
      </figure>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </a-modal>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 20px;
}
figure {
  margin: 0;
  display: grid;
  gap: 8px;
}
img {
  width: 100%;
  border: 1px solid var(--hairline);
  border-radius: 6px;
}
figcaption strong {
  display: block;
}
</style>
