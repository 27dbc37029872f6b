<script setup lang="ts">
/** The site plan: events to scale, briefing, help and water laid out by hand, with the ways between them. */
import { farthestFrom, parseField, printField, SITE_MARK_NAMES, SITE_MARKS, type SiteMarkKind } from '@able-gauge/core'
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next'
import { computed, ref } from 'vue'
import { eventName, type Day } from '../day/day.ts'
import AfterPaint from '../ui/AfterPaint.vue'
import TypedField from '../ui/TypedField.vue'
import SiteDrawing from './SiteDrawing.vue'
import { MARK_SIGNS } from './siteShapes.ts'
import type { PlanDraft } from './usePlan.ts'
import { nameOfMark, useSite } from './useSite.ts'

const props = defineProps<{
  day: Day
  draft: PlanDraft
  mayEdit: boolean
}>()

const {
  site,
  chosen,
  chosenMark,
  begin,
  put,
  change,
  changeMark,
  relabel,
  add,
  remove,
  turn,
  addWay,
  removeWay,
  findings,
} = useSite(() => props.day, props.draft)

const KINDS = SITE_MARKS.filter((kind): kind is Exclude<SiteMarkKind, 'event'> => kind !== 'event')
const METRES = { unit: 'mm', shownIn: 'm' } as const
const notPlaced = computed(() =>
  props.day.standard.events.filter(({ id }) => !site.value?.marks.some(({ eventId }) => eventId === id)),
)
const problem = ref('')
const setSize = (field: 'widthMm' | 'depthMm', text: string): void => {
  const read = parseField(text, METRES)
  problem.value = read.ok ? '' : read.reason
  if (read.ok) change({ [field]: Math.min(Math.max(read.value, 5_000), 10_000_000) })
}
const reach = computed(() => {
  const far = site.value ? farthestFrom(site.value, props.draft.plan.value, 'defibrillator') : null
  return far
    ? `From the defibrillator to the far end of ${eventName(props.day, far.eventId)} it is ${Math.round(far.distanceMm / 1_000)} m, the farthest on this site.`
    : ''
})
const others = computed(() =>
  (site.value?.marks ?? [])
    .filter(({ id }) => id !== chosen.value)
    .map((mark) => ({ value: mark.id, text: nameOfMark(props.day, mark) })),
)
const ways = computed(() =>
  (site.value?.ways ?? []).map(({ from, to }) => {
    const nameOf = (id: string): string => {
      const mark = site.value?.marks.find((one) => one.id === id)
      return mark ? nameOfMark(props.day, mark) : id
    }
    return `${nameOf(from)} – ${nameOf(to)}`
  }),
)
</script>

<template>
  <section class="sheet part">
    <h2>Site plan</h2>
    <template v-if="!site">
      <p class="quiet">
        Every event to scale on one drawing, with where people are briefed, where help and water stand, and how long the
        ways are. It is printed with the run sheet.
      </p>
      <BButton v-if="mayEdit" variant="primary" @click="begin">Draw the site</BButton>
    </template>
    <AfterPaint v-else>
      <div class="two">
        <div>
          <SiteDrawing
            :day="day"
            :plan="draft.plan.value"
            :site="site"
            :may-edit="mayEdit"
            :chosen="chosen"
            @choose="chosen = $event"
            @move="(id, xMm, yMm) => changeMark(id, { xMm, yMm })"
            @turn="turn"
            @remove="remove"
          />
          <p v-if="mayEdit" class="quiet small">
            Drag, or focus and use the arrow keys: a metre, with Shift ten. T turns, Delete takes away.
          </p>
          <ul v-if="findings.length > 0" class="findings" aria-label="What the site lacks">
            <li v-for="sentence in findings" :key="sentence">{{ sentence }}</li>
          </ul>
          <p v-if="reach">{{ reach }} How far it may be, your own rules say.</p>
        </div>
        <div v-if="mayEdit" class="tools">
          <div class="size">
            <label
              >Width in m
              <TypedField :value="printField(site.widthMm, METRES)" class="figures" @typed="setSize('widthMm', $event)"
            /></label>
            <label
              >Depth in m
              <TypedField :value="printField(site.depthMm, METRES)" class="figures" @typed="setSize('depthMm', $event)"
            /></label>
          </div>
          <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
          <h3>Put on the site</h3>
          <div class="palette">
            <BButton v-for="kind in KINDS" :key="kind" variant="quiet" size="sm" @click="add(kind)">
              <strong class="figures">{{ MARK_SIGNS[kind] }}</strong> {{ SITE_MARK_NAMES[kind] }}
            </BButton>
            <BButton
              v-for="event in notPlaced"
              :key="event.id"
              variant="quiet"
              size="sm"
              @click="add('event', event.id)"
            >
              {{ event.name }}
            </BButton>
          </div>
          <template v-if="chosenMark">
            <h3>{{ nameOfMark(day, chosenMark) }}</h3>
            <label
              >Called
              <BFormInput
                :model-value="chosenMark.label ?? ''"
                maxlength="60"
                lazy
                @update:model-value="(text) => relabel(chosen, String(text ?? '').trim())"
            /></label>
            <div class="palette">
              <BButton variant="quiet" size="sm" @click="turn(chosenMark.id, 15)">Turn by 15°</BButton>
              <BButton variant="quiet" size="sm" @click="remove(chosenMark.id)">Take it away</BButton>
            </div>
            <label
              >A way from here to
              <BFormSelect
                model-value=""
                :options="[{ value: '', text: 'choose' }, ...others]"
                @update:model-value="(to) => to && addWay(chosen, String(to))"
            /></label>
          </template>
          <template v-if="ways.length > 0">
            <h3>Ways</h3>
            <ul class="ways">
              <li v-for="(way, at) in ways" :key="way">
                {{ way }}
                <BButton variant="quiet" size="sm" :aria-label="`Take away ${way}`" @click="removeWay(at)"
                  >Remove</BButton
                >
              </li>
            </ul>
          </template>
          <BButton variant="quiet" size="sm" class="mt-3" @click="put(null)">Take the site plan away</BButton>
        </div>
      </div>
    </AfterPaint>
  </section>
</template>

<style scoped>
.part {
  padding: 18px 20px;
  margin-bottom: 16px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 260px;
  gap: 20px;
  margin-top: 10px;
}
.tools {
  display: grid;
  gap: 8px;
  align-content: start;
}
.size {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
h3 {
  font-size: 0.9375rem;
  margin: 8px 0 0;
}
.palette {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.small {
  font-size: 0.875rem;
  margin: 6px 0;
}
.findings {
  margin: 8px 0;
  padding: 8px 12px 8px 28px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
}
.ways {
  list-style: none;
  padding: 0;
  margin: 0;
}
.ways li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
