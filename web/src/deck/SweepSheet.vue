<script setup lang="ts">
// How a dial sweeps: its way, its pace, where it goes slower, where it rests.
import { computed, ref } from 'vue';
import { useBench } from '../bench/store';
import { specialAngles, type DialView, type Pace, type Sweep, type SweepWay } from '../generated/types';
import Sheet from '../shared/Sheet.vue';
import EditInPlace from './EditInPlace.vue';

const props = defineProps<{ dial: DialView; index: number; sweep: Sweep }>();
const bench = useBench();
const name = computed(() => props.dial.name);

const ways: { way: SweepWay; words: string; sign: string }[] = [
  { way: 'once', words: 'once, from end to end', sign: '⇥' },
  { way: 'round', words: 'round and round', sign: '↻' },
  { way: 'backAndForth', words: 'back and forth', sign: '⇄' },
];
const wayWords = computed(() => ways.find((w) => w.way === props.sweep.way)!);

function setSweep(fields: Partial<Sweep>) {
  const was = props.sweep;
  bench.sweeps.stop(props.index);
  void bench.change(
    (copy) => (copy.stated.find((s) => s.id === props.dial.id)!.sweep = { ...was, ...fields }),
  );
}

/** The refusal of a value that cannot be read, empty where it can. */
const refusalOf = async (text: string) => (await bench.ask({ kind: 'value', text })).problem?.message ?? '';

/** Takes where the sweep rests, each value as it is typed; words of a refusal where one cannot be read. */
async function setStops(field: 'every' | 'at', text: string): Promise<string> {
  const parts = text.split(bench.document?.decimalComma ? /;\s*/ : /[;,]\s*/).filter(Boolean);
  const values = field === 'every' ? [text.trim()].filter(Boolean) : parts;
  for (const value of values) {
    const refusal = await refusalOf(value);
    if (refusal) return refusal;
  }
  setSweep(field === 'every' ? { every: values[0] } : { at: values.length ? values : undefined });
  return '';
}

/** The functions at whose findings it can rest. */
const studied = computed(() =>
  (bench.document?.stated ?? []).filter((s) => s.kind === 'function' && s.variables?.length === 1),
);
const stopsRefused = ref('');
async function restAtFindings(of: string) {
  bench.sweeps.stop(props.index);
  const { values } = await bench.askInPlay({ kind: 'values' });
  const problem = await bench.askEdit({ kind: 'stops', id: name.value, text: of, values });
  stopsRefused.value = problem?.message ?? '';
}

/** Rests at the angles whose sine and cosine are known by heart. */
function restAtSpecial() {
  setSweep({ every: undefined, at: specialAngles[bench.document?.angleUnit ?? 'radian'] });
}

const paces = computed(() => props.sweep.paces ?? []);
const setPaces = (list: Pace[]) => setSweep({ paces: list.length ? list : undefined });
const changePace = (at: number, fields: Partial<Pace>) =>
  setPaces(paces.value.map((pace, k) => (k === at ? { ...pace, ...fields } : pace)));

async function setPaceEnd(at: number, end: 'from' | 'to', text: string): Promise<string> {
  const refusal = await refusalOf(text);
  if (!refusal) changePace(at, { [end]: text });
  return refusal;
}
</script>

<template>
  <Sheet :label="`How ${name} sweeps`" placement="top">
    <template #default="{ open }">
      <button class="quiet way" aria-haspopup="dialog" :aria-expanded="open">
        <span class="only-spoken">How {{ name }} sweeps: {{ wayWords.words }},</span>
        {{ wayWords.sign }} {{ sweep.seconds }}&nbsp;s
      </button>
    </template>
    <template #content>
      <div class="sweep-sheet">
        <a-radio-group :value="sweep.way" class="ways" @change="setSweep({ way: $event.target.value })">
          <a-radio v-for="w in ways" :key="w.way" :value="w.way">{{ w.words }}</a-radio>
        </a-radio-group>
        <label class="line">
          seconds for one run
          <a-input-number
            :value="sweep.seconds"
            :min="0.2"
            :max="600"
            @change="$event && setSweep({ seconds: Number($event) })"
          />
        </label>
        <div v-for="(pace, k) in paces" :key="k" class="line">
          from
          <EditInPlace
            :text="pace.from"
            :label="`Where stretch ${k + 1} of ${name} begins`"
            :accept="(t: string) => setPaceEnd(k, 'from', t)"
          />
          to
          <EditInPlace
            :text="pace.to"
            :label="`Where stretch ${k + 1} of ${name} ends`"
            :accept="(t: string) => setPaceEnd(k, 'to', t)"
          />
          <a-input-number
            :value="pace.times"
            :min="0.02"
            :max="50"
            class="times"
            :aria-label="`How many times as long stretch ${k + 1} of ${name} takes`"
            @change="$event && changePace(k, { times: Number($event) })"
          />
          times as long
          <button
            type="button"
            class="quiet"
            :aria-label="`Take stretch ${k + 1} of ${name} off`"
            @click="setPaces(paces.filter((_, other) => other !== k))"
          >
            ×
          </button>
        </div>
        <button
          v-if="paces.length < 8"
          type="button"
          class="link"
          @click="setPaces([...paces, { from: dial.from, to: dial.to, times: 3 }])"
        >
          goes slower on a stretch
        </button>
        <div class="line">
          rests every
          <EditInPlace
            :text="sweep.every ?? ''"
            :label="`Distance of the values at which ${name} rests`"
            empty="nowhere"
            :accept="(t: string) => setStops('every', t)"
          />
        </div>
        <div class="line">
          rests at
          <EditInPlace
            :text="sweep.at?.join('; ') ?? ''"
            :label="`Values at which ${name} rests`"
            empty="nowhere"
            :accept="(t: string) => setStops('at', t)"
          />
        </div>
        <button type="button" class="link" @click="restAtSpecial">rests at the special angles</button>
        <button v-for="f in studied" :key="f.id" type="button" class="link" @click="restAtFindings(f.name)">
          rests at the findings of {{ f.name }}
        </button>
        <p v-if="stopsRefused" class="problem" role="alert">{{ stopsRefused }}</p>
      </div>
    </template>
  </Sheet>
</template>

<style scoped>
.sweep-sheet {
  display: grid;
  justify-items: start;
  gap: 6px;
  max-width: 340px;
  white-space: normal;
}
.ways {
  display: grid;
  gap: 6px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
}
.times {
  width: 72px;
}
</style>
