<script setup lang="ts">
/** The same words for everybody: general part and each event, read aloud, confirmed by a name; large to turn towards the group. */
import { briefingFor, recordsOf } from '@able-gauge/core'
import { BButton, BFormCheckbox, BFormSelect } from 'bootstrap-vue-next'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { eventName, wavesOf, type Day } from '../day/day.ts'
import { useHouseRules } from '../day/houseRules.ts'
import { useRecords } from '../day/useRecords.ts'
import { useSession } from '../session/sessionStore.ts'
import { dateAndTime } from '../ui/localTime.ts'

const props = defineProps<{
  day: Day
}>()

const session = useSession()
const house = useHouseRules()
onMounted(() => void house.read())
const { write, writing, problem } = useRecords(() => props.day)

const pages = computed(() => [
  { id: '', title: 'To everybody', lines: house.rules ? briefingFor(house.rules, props.day.standard.id) : [] },
  ...props.day.standard.events.map(({ id, name, protocol, cautions = [] }) => ({
    id,
    title: name,
    lines: [
      ...(protocol.readOut ?? []),
      ...cautions,
      ...(protocol.clearBefore ?? []).map((line) => `Before you start: ${line}`),
    ],
  })),
])
const read = ref<ReadonlySet<string>>(new Set())
const tick = (id: string): void => {
  const next = new Set(read.value)
  if (!next.delete(id)) next.add(id)
  read.value = next
}
const wave = ref(0)
const given = computed(() => recordsOf(props.day.records, 'briefed'))
const mayConfirm = computed(() => session.can('log.briefed') && !props.day.occasion.signedOff)
const nameOfEvent = (id: string): string => eventName(props.day, id)
const sayGiven = ({ eventIds, wave: to }: (typeof given.value)[number]['content']): string => {
  const what =
    eventIds.length === 0
      ? 'The general part'
      : eventIds.length === props.day.standard.events.length
        ? 'All of it'
        : `General part and ${eventIds.map(nameOfEvent).join(', ')}`
  return `${what}, ${to === undefined ? 'to everybody' : `to wave ${to}`}`
}
const confirm = async (): Promise<void> => {
  const eventIds = pages.value.flatMap(({ id }) => (id !== '' && read.value.has(id) ? [id] : []))
  if (await write({ kind: 'briefed', eventIds, ...(wave.value === 0 ? {} : { wave: wave.value }) }))
    read.value = new Set()
}

/** The page that is shown large, or null. */
const large = ref<number | null>(null)
const turn = (by: number): void => {
  if (large.value !== null) large.value = Math.min(pages.value.length - 1, Math.max(0, large.value + by))
}
const onKey = (event: KeyboardEvent): void => {
  if (event.key === 'ArrowRight' || event.key === ' ') turn(1)
  if (event.key === 'ArrowLeft') turn(-1)
  if (event.key === 'Escape') large.value = null
}
const sheet = useTemplateRef<HTMLElement>('sheet')
watch(large, async (page, before) => {
  await nextTick()
  if (page !== null && before === null) sheet.value?.focus()
})
const current = computed(() => (large.value === null ? undefined : pages.value[large.value]))
</script>

<template>
  <div class="columns">
    <section class="sheet part">
      <div class="head">
        <h2>Read aloud</h2>
        <BButton variant="quiet" size="sm" @click="large = 0">Show large</BButton>
      </div>
      <article v-for="page in pages" :key="page.id">
        <BFormCheckbox
          v-if="mayConfirm"
          class="tick"
          :model-value="read.has(page.id)"
          @update:model-value="tick(page.id)"
        >
          <strong>{{ page.title }}</strong> read</BFormCheckbox
        >
        <strong v-else>{{ page.title }}</strong>
        <p v-for="line in page.lines" :key="line">{{ line }}</p>
        <p v-if="page.lines.length === 0" class="quiet">
          The standard gives no words for this event; explain and show it.
        </p>
      </article>
    </section>
    <section class="sheet part">
      <h2>Given</h2>
      <p v-if="given.length === 0" class="quiet">Not confirmed yet.</p>
      <ul>
        <li v-for="one in given" :key="one.id">
          {{ sayGiven(one.content) }}
          <small class="quiet">{{ one.actor }}, {{ dateAndTime(one.atMs, day.occasion.zone) }}</small>
        </li>
      </ul>
      <form v-if="mayConfirm" class="confirm" @submit.prevent="confirm">
        <label
          >Read to
          <BFormSelect v-model="wave">
            <option :value="0">everybody</option>
            <option v-for="one in wavesOf(day)" :key="one" :value="one">wave {{ one }}</option>
          </BFormSelect></label
        >
        <BButton type="submit" :variant="given.length === 0 ? 'primary' : 'quiet'" :disabled="writing || !read.has('')">
          Confirm the briefing
        </BButton>
        <p v-if="!read.has('')" class="quiet">Tick what was read; the part for everybody is always read.</p>
      </form>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    </section>
  </div>
  <div
    v-if="current"
    ref="sheet"
    class="large"
    role="dialog"
    aria-modal="true"
    :aria-label="current.title"
    tabindex="-1"
    @keydown="onKey"
  >
    <header>
      <h1>{{ current.title }}</h1>
      <BButton variant="quiet" @click="large = null">Close</BButton>
    </header>
    <div class="lines">
      <p v-for="line in current.lines" :key="line">{{ line }}</p>
    </div>
    <footer>
      <BButton variant="quiet" size="lg" :disabled="large === 0" @click="turn(-1)">Back</BButton>
      <span class="figures">{{ (large ?? 0) + 1 }} of {{ pages.length }}</span>
      <BButton variant="primary" size="lg" :disabled="large === pages.length - 1" @click="turn(1)">Next</BButton>
    </footer>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 1.5fr 1fr;
  gap: 16px;
  align-items: start;
}
.head {
  display: flex;
  justify-content: space-between;
}
article {
  border-top: 1px solid var(--line);
  padding: 8px 0;
  margin-top: 8px;
}
article p {
  margin: 2px 0 2px 32px;
}
ul {
  padding-left: 18px;
}
small {
  display: block;
}
.confirm {
  display: grid;
  gap: 10px;
}
.large {
  position: fixed;
  inset: 0;
  z-index: 1060;
  background: var(--sheet);
  padding: 4vh 5vw;
  display: flex;
  flex-direction: column;
}
.large header,
.large footer {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.large h1 {
  font-size: clamp(2rem, 5vw, 4rem);
}
.lines {
  flex: 1;
  overflow-y: auto;
  font-size: clamp(1.5rem, 3.2vw, 2.75rem);
  line-height: 1.3;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
