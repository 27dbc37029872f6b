<script setup lang="ts">
/** One candidate's readings: a field for each, kept the moment it is left, with the mark beside it as it follows. */
import { conductOf, isMarkOver, type StandardEvent } from '@able-gauge/core'
import { BButton } from 'bootstrap-vue-next'
import { computed, nextTick, onMounted, ref } from 'vue'
import { bibAndName, fullName, type Day, type Entry } from '../../../day/day.ts'
import InstrumentTake from '../../instruments/InstrumentTake.vue'
import { useGrading } from '../../console/useGrading.ts'
import AskedFirst from '../../console/AskedFirst.vue'
import EndDialog from '../../console/EndDialog.vue'
import ConsoleHead from '../../console/ConsoleHead.vue'
import NumberPad from './NumberPad.vue'
import ReadingCell from './ReadingCell.vue'
import ReadingsComeTo from './ReadingsComeTo.vue'
import { useReadings } from './useReadings.ts'

const props = defineProps<{
  day: Day
  event: StandardEvent
  entry: Entry
  /** Who is next in the queue. */
  following: Entry | undefined
}>()

const emit = defineEmits<{ next: []; back: [] }>()

const { slots, counting, typed, problems, question, mark, ready, mayCapture, record, stop, undo, undoable } =
  useReadings(
    () => props.day,
    props.event,
    () => props.entry,
  )
const grading = useGrading(
  () => props.day,
  props.event,
  () => props.entry,
)
const form = ref<HTMLFormElement | null>(null)
const isDone = computed(() => mark.value !== undefined && isMarkOver(mark.value))
const held = computed(() => props.entry.attendance !== 'present')

/** Enter goes to the next field that is empty, and on to the next person when none is left. */
const onEnter = (index: number): void => {
  const slot = slots.value[index]
  if (!slot) return
  record(slot, true)
  if (problems[slot.id]) return
  const inputs = [...(form.value?.querySelectorAll('input') ?? [])]
  const empty = inputs.findIndex(({ value }, at) => at > index && value === '')
  if (empty >= 0) {
    active.value = empty
    inputs[empty]?.focus()
  } else if (isDone.value) document.querySelector<HTMLButtonElement>('.next-person')?.focus()
}

/** A figure that is asked about is not left behind unseen. */
const goOn = (): void => {
  const asked = slots.value.findIndex(({ id }) => question.value !== '' && problems[id])
  if (asked < 0) emit('next')
  else form.value?.querySelectorAll('input')[asked]?.focus()
}

const ending = ref(false)
/** The field that has the focus last, which the large keys write to. */
const active = ref(0)
const typeInto = (text: string): void => {
  const slot = slots.value[active.value]
  if (slot) typed[slot.id] = text
}
/** Tries stand side by side, sides one under the other. */
const MOST_TRIES = 4
const tries = computed(() => {
  const stems = new Map<string, number>()
  for (const { id } of slots.value) {
    const stem = id.replace(/-\d+$/, '')
    stems.set(stem, (stems.get(stem) ?? 0) + 1)
  }
  return Math.min(MOST_TRIES, Math.max(...stems.values(), slots.value.length > 2 ? 2 : 1))
})

onMounted(async () => {
  await nextTick()
  if (window.innerWidth > 900) form.value?.querySelector('input')?.focus()
})
</script>

<template>
  <section class="sheet console" :aria-label="`${event.name}, ${fullName(entry)}`">
    <ConsoleHead :event="event" :entry="entry" :day="day" :share="0" @back="emit('back')" />
    <p class="quiet conduct">{{ conductOf(event.protocol, event.publishedIn) }}</p>
    <p v-if="held" class="hold" role="status">Held: may not start. {{ entry.note }}</p>
    <div class="columns">
      <form ref="form" class="board" :style="{ '--tries': tries }" @submit.prevent>
        <ReadingCell
          v-for="(slot, index) in slots"
          :key="slot.id"
          :slot-of="slot"
          :model-value="typed[slot.id] ?? ''"
          :problem="problems[slot.id] ?? ''"
          :counts="counting.includes(slot.id)"
          :disabled="!ready"
          @update:model-value="(text) => (typed[slot.id] = text)"
          @focus="active = index"
          @record="record(slot)"
          @enter="onEnter(index)"
        />
        <AskedFirst v-if="question" class="wide">{{ question }}</AskedFirst>
        <NumberPad
          class="wide"
          :model-value="typed[slots[active]?.id ?? ''] ?? ''"
          :disabled="!ready"
          @update:model-value="typeInto"
          @enter="onEnter(active)"
        />
      </form>
      <ReadingsComeTo :mark="mark" :published-in="event.publishedIn" />
    </div>
    <InstrumentTake :event="event" :grading="grading" />
    <p v-for="caution in event.cautions" :key="caution" class="quiet care">{{ caution }}</p>
    <footer v-if="mayCapture">
      <BButton variant="quiet" :disabled="!ready" @click="ending = true">Other end</BButton>
      <BButton variant="quiet" :disabled="!undoable" @click="undo">Undo the last</BButton>
      <BButton variant="safety" :disabled="!ready" @click="stop('safety')">Stop for safety</BButton>
      <BButton class="next-person" :variant="isDone ? 'primary' : 'quiet'" :disabled="!following" @click="goOn">
        {{ following ? `Next: ${bibAndName(following, fullName)}` : 'Nobody is waiting' }}
      </BButton>
    </footer>
    <EndDialog v-model="ending" :event="event" :over="isDone" @end="stop" />
  </section>
</template>

<style scoped>
.console {
  padding: 14px 20px;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.conduct,
.care {
  margin: 0;
}
.hold {
  margin: 0;
  padding: 8px 12px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(260px, 2fr);
  gap: 28px;
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  /* room for the outline of a field that has the focus */
  padding: 6px;
  margin: 0 -6px;
}
.board {
  display: grid;
  /* as many side by side as there are tries, as long as each can be typed into */
  grid-template-columns: repeat(
    auto-fill,
    minmax(max(116px, calc((100% - (var(--tries) - 1) * 10px) / var(--tries))), 1fr)
  );
  align-content: start;
  gap: 10px;
}
.wide {
  grid-column: 1 / -1;
}
footer {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
footer .btn {
  min-height: 48px;
  padding-inline: 12px;
}
.next-person {
  margin-left: auto;
}
@media (max-width: 900px) {
  /* as wide as the other consoles */
  .console {
    margin: -10px -12px;
    padding: 10px 12px;
    border: 0;
    border-radius: 0;
  }
  .columns {
    grid-template-columns: minmax(0, 1fr);
    align-content: start;
    gap: 12px;
    overflow: visible;
  }
  /* the verdict stands above the keys */
  /* the buttons stay in reach of a thumb while the reasons are read */
  footer {
    position: sticky;
    bottom: 0;
    background: var(--sheet);
    padding: 8px 0;
    border-top: 1px solid var(--line);
  }
  footer .btn {
    flex: 1 1 44%;
    white-space: normal;
  }
  .next-person {
    margin-left: 0;
    flex-basis: 100%;
  }
}
@media (max-width: 640px) {
  /* every key in sight above the buttons */
  .board {
    grid-template-columns: repeat(
      auto-fill,
      minmax(max(100px, calc((100% - (var(--tries) - 1) * 8px) / var(--tries))), 1fr)
    );
    gap: 8px;
  }
  .conduct {
    font-size: 0.8125rem;
  }
}
</style>
