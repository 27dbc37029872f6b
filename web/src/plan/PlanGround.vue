<script setup lang="ts">
/** The ground as it was measured, event by event: laps, start line, tolerance, surface, drawn to scale. */
import {
  GROUND_SHAPES,
  kindOf,
  parseField,
  printField,
  saySetOut,
  setOut,
  type GroundShape,
  type MeasuredGround,
  type Protocol,
  type VenueGround,
} from '@able-gauge/core'
import { BFormSelect } from 'bootstrap-vue-next'
import { computed, onMounted, ref } from 'vue'
import type { Day } from '../day/day.ts'
import GroundDrawing from './GroundDrawing.vue'
import PlanSite from './PlanSite.vue'
import { useHouseRules } from '../day/houseRules.ts'
import { GROUND_SHAPE_WORDS } from '../ui/groundWords.ts'
import TypedField from '../ui/TypedField.vue'
import type { PlanDraft } from './usePlan.ts'

const props = defineProps<{
  day: Day
  draft: PlanDraft
  mayEdit: boolean
}>()

const LENGTH_OF: Readonly<Record<GroundShape, string>> = {
  loop: 'Length of a lap',
  outAndBack: 'Way to the turn',
  shuttle: 'Between the lines',
  straight: 'Length of the straight',
  step: 'Height of the step',
}
/** Where laps are run or a distance is covered there is a choice; a step, or two lines, is what it is. */
const shapesFor = (protocol: Protocol): readonly GroundShape[] => {
  const asked = kindOf(protocol).ground?.(protocol)
  return asked && asked.lengths !== null && asked.distanceMm === null
    ? [asked.shape]
    : GROUND_SHAPES.filter((shape) => shape !== 'step')
}

const laidOut = computed(() =>
  props.day.standard.events.flatMap((event) => {
    const ground = props.draft.plan.value.events.find(({ eventId }) => eventId === event.id)?.ground
    const set = ground && setOut(event.protocol, ground)
    return ground && set ? [{ event, ground, set, words: saySetOut(set) }] : []
  }),
)
const house = useHouseRules()
onMounted(() => house.read())
/** What was measured at this venue once, and fits how the event is laid out. */
const knownGrounds = (protocol: Protocol): readonly VenueGround[] => {
  const { venue } = props.day.occasion
  const grounds = house.rules?.venues?.find(({ name }) => name === venue)?.grounds ?? []
  return grounds.filter(({ shape }) => shapesFor(protocol).includes(shape))
}
const takeGround = (eventId: string, known: readonly VenueGround[], wanted: unknown): void => {
  const chosen = known.find(({ name }) => name === wanted)
  if (!chosen) return
  const { name: _name, ...ground } = chosen
  props.draft.changeEvent(eventId, { ground })
}
const problems = ref<Readonly<Record<string, string>>>({})
const put = (eventId: string, ground: MeasuredGround, fields: Partial<MeasuredGround>): void =>
  props.draft.changeEvent(eventId, { ground: { ...ground, ...fields } })

/** Courses are measured in metres, steps and tolerances in centimetres. */
const formOf = (field: 'lengthMm' | 'toleranceMm', { shape }: MeasuredGround) =>
  ({ unit: 'mm', shownIn: field === 'lengthMm' && shape !== 'step' ? 'm' : 'cm' }) as const

const shapeOptions = (protocol: Protocol) =>
  shapesFor(protocol).map((value) => ({ value, text: GROUND_SHAPE_WORDS[value] }))
const putLength = (eventId: string, ground: MeasuredGround, field: 'lengthMm' | 'toleranceMm', text: string): void => {
  if (field === 'toleranceMm' && text === '') return
  const read = parseField(text, formOf(field, ground))
  const key = `${eventId} ${field}`
  if (!read.ok) {
    problems.value = { ...problems.value, [key]: read.reason }
    return
  }
  problems.value = { ...problems.value, [key]: '' }
  put(eventId, ground, { [field]: read.value })
}
const putShape = (eventId: string, ground: MeasuredGround, chosen: unknown): void => {
  const shape = GROUND_SHAPES.find((one) => one === chosen)
  if (shape) put(eventId, ground, { shape })
}
const putSlope = (eventId: string, ground: MeasuredGround, text: string): void => {
  const percent = Number(text.replace(',', '.'))
  if (Number.isFinite(percent)) put(eventId, ground, { slopePermille: Math.round(percent * 10) })
}
const lengthText = (ground: MeasuredGround): string => printField(ground.lengthMm, formOf('lengthMm', ground))
</script>

<template>
  <PlanSite :day="day" :draft="draft" :may-edit="mayEdit" />
  <section v-if="laidOut.length === 0" class="sheet part">
    <h2>Ground</h2>
    <p class="quiet">No event of this standard is laid out on the ground.</p>
  </section>
  <section v-for="{ event, ground, set, words } in laidOut" :key="event.id" class="sheet part">
    <h2>{{ event.name }}</h2>
    <div class="two">
      <div class="fields">
        <label v-if="mayEdit && knownGrounds(event.protocol).length > 0"
          >Measured at {{ day.occasion.venue }}
          <BFormSelect model-value="" @update:model-value="takeGround(event.id, knownGrounds(event.protocol), $event)">
            <option value="">choose what was measured there</option>
            <option v-for="known in knownGrounds(event.protocol)" :key="known.name" :value="known.name">
              {{ known.name }}
            </option>
          </BFormSelect></label
        >
        <label
          >Laid out as
          <BFormSelect
            :model-value="ground.shape"
            :options="shapeOptions(event.protocol)"
            :disabled="!mayEdit"
            @update:model-value="(shape) => putShape(event.id, ground, shape)"
        /></label>
        <label
          >{{ LENGTH_OF[ground.shape] }} in {{ ground.shape === 'step' ? 'cm' : 'm' }}, as measured
          <TypedField
            :value="lengthText(ground)"
            class="figures"
            :disabled="!mayEdit"
            @typed="putLength(event.id, ground, 'lengthMm', $event)"
        /></label>
        <label
          >Good to so many cm, either way
          <TypedField
            :value="
              ground.toleranceMm === undefined ? '' : printField(ground.toleranceMm, formOf('toleranceMm', ground))
            "
            class="figures"
            :disabled="!mayEdit"
            @typed="putLength(event.id, ground, 'toleranceMm', $event)"
        /></label>
        <label
          >Surface
          <TypedField
            :value="ground.surface"
            maxlength="120"
            :disabled="!mayEdit"
            @typed="(surface) => put(event.id, ground, { surface })"
        /></label>
        <label
          >Slope in %
          <TypedField
            :value="ground.slopePermille === undefined ? '' : ground.slopePermille / 10"
            class="figures"
            inputmode="decimal"
            :disabled="!mayEdit"
            @typed="putSlope(event.id, ground, $event)"
        /></label>
        <template v-for="field in ['lengthMm', 'toleranceMm']" :key="field">
          <p v-if="problems[`${event.id} ${field}`]" class="problem" role="alert">
            {{ problems[`${event.id} ${field}`] }}
          </p>
        </template>
      </div>
      <div>
        <GroundDrawing :set="set" />
        <p v-for="sentence in words" :key="sentence" class="words">{{ sentence }}</p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.part {
  padding: 18px 20px;
  margin-bottom: 16px;
}
.two {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  gap: 24px;
  margin-top: 10px;
}
.fields {
  display: grid;
  gap: 10px;
  align-content: start;
}
.words {
  margin: 4px 0 0;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
